import { screen } from '@testing-library/react';
import { allText, demo, onScreen, says } from '../shell/testing';
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
