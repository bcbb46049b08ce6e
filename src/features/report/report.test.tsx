import { screen } from '@testing-library/react';
import { DEFAULT_SETTINGS, hoursText } from '../../../core/document';
import { DAY_MS } from '../../../core/time';
import { allText, demo, NOW, onScreen, says } from '../shell/testing';
import { sheetHtml } from '../shell/sheetHtml';
import { ReportScreen } from './ReportScreen';
import { trendSvg } from './trendSvg';

test('a report says what it is, how it is judged and why, what was measured, who lives in it, what is open', () => {
  onScreen(<ReportScreen />, { doc: demo(), params: { waterId: 'north-window' } });
  const titles = screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent);
  expect(titles).toEqual(
    expect.arrayContaining([
      'What it is',
      'How it is judged, and why',
      'What was measured last',
      'Who lives in it',
      'Open questions',
    ]),
  );
  expect(says(/^Judged by: 24-hour proof/)).toBe(true);
  expect(says(/^In Spare tank: 2 × Banggai cardinalfish/)).toBe(true);
  expect(says(/^nitrate: \d+ mg\/L as ion on .*, by Nitrate drops/)).toBe(true);
  expect(screen.getAllByRole('img', { name: /^nitrate from/ })).toHaveLength(1);
  expect(allText()).not.toMatch(/NaN|undefined|Infinity/);
});
test.each(['pantry-cube', 'north-qt', 'north-bin'])('and of %s, without a fault', (waterId) => {
  onScreen(<ReportScreen />, { doc: demo(), params: { waterId } });
  expect(says('What it is')).toBe(true);
  expect(allText()).not.toMatch(/NaN|undefined|Infinity/);
});
test('what a device showed is drawn beside the tests by hand, in the person’s units, and told last', () => {
  const doc = demo();
  const day = (back: number) => new Date(NOW - back * DAY_MS).toISOString().slice(0, 10);
  const hours = (mean: number) =>
    hoursText(
      Array.from({ length: 24 }, (_, h) => (h < 6 ? { n: 2, mean, low: mean - 1, high: mean + 0.5 } : null)),
    );
  // A day without a reading between them: two bands, none across.
  for (const [back, mean] of [
    [9, 24],
    [8, 25],
    [6, 26],
    [5, 26],
    [200, 3],
  ] as const) {
    const id = `m1-temperature-${day(back)}`;
    doc.monitorDays[id] = {
      id,
      monitorId: 'm1',
      waterId: 'north-window',
      what: 'temperature',
      day: day(back),
      hours: hours(mean),
    };
  }
  onScreen(<ReportScreen />, {
    doc: {
      ...doc,
      settings: { person: { ...DEFAULT_SETTINGS, units: { ...DEFAULT_SETTINGS.units, temperature: 'F' } } },
    },
    params: { waterId: 'north-window' },
  });
  expect(says(/^temperature, by the device: 77.0 °F to 79\.7 °F on /)).toBe(true);
  expect(says('temperature, °F, 90 days')).toBe(true);
  const drawn = screen.getByRole('img', { name: /^temperature from/ });
  expect(drawn.querySelectorAll('path[fill="#b9c2bb"]')).toHaveLength(2);
  expect(drawn.innerHTML).not.toMatch(/NaN|Infinity/);
  // The two hundredth day before is neither drawn nor does it move the scale.
  expect([...drawn.querySelectorAll('text')].map((t) => Number(t.textContent)).some((n) => n < 60)).toBe(
    false,
  );
});
test.each([
  [200, 200],
  [201, 0],
])('of %i readings %i dots: of more none can be told from the next', (count, dots) => {
  const points = Array.from({ length: count }, (_, i) => ({ atMs: i, value: i % 7 }));
  const svg = trendSvg(points, [], 0, count, String, 'pH');
  expect(svg.split('<circle').length - 1).toBe(dots);
  expect(svg).toContain('stroke-width="2"');
});
test('names are no markup in the file', () => {
  const html = sheetHtml('<b>Reef</b>', 'a & b', [
    {
      title: 'x',
      lines: ['<script>alert(1)</script>'],
      svg: trendSvg(
        [
          { atMs: 0, value: 1 },
          { atMs: 9, value: 1 },
        ],
        [],
        0,
        9,
        String,
        '"><script>',
      ),
    },
  ]);
  expect(html).not.toMatch(/<script|<b>/);
  expect(html).toContain('&lt;b&gt;Reef&lt;/b&gt;');
});
