import { screen } from '@testing-library/react';
import { dayId, type Monitored } from '../../../core/monitor';
import type { Document } from '../../../core/document';
import { DAY_MS } from '../../../core/time';
import { allText, choose, demo, flush, NOW, onScreen, press, says, submit, type } from '../shell/testing';
import { ParametersScreen } from './ParametersScreen';
import { ReadingsScreen } from './ReadingsScreen';

const north = (more: Record<string, string> = {}) => ({ waterId: 'north-window', ...more });

test('every parameter says how steady it is before how far off', () => {
  onScreen(<ParametersScreen />, { doc: demo(), params: north() });
  expect(says(/^Steadiness first/)).toBe(true);
  for (const p of ['temperature', 'salinity', 'alkalinity', 'ammonia']) expect(says(p)).toBe(true);
});

test("a preset is taken whole, and one of its targets made the person's own", async () => {
  const { doc } = onScreen(<ParametersScreen />, { doc: demo(), params: north() });
  const targets = () => Object.values(doc().targets).filter((t) => t.waterId === 'north-window');
  choose(/^During the cycle/);
  press('Take these targets');
  const first = targets().length;
  expect(first).toBeGreaterThan(3);
  choose(/^Fish first/);
  press('Take these targets');
  expect(new Set(targets().map((t) => t.parameter)).size).toBe(targets().length);
  document.body.innerHTML = '';
  const one = onScreen(<ReadingsScreen />, { doc: doc(), params: north({ parameter: 'alkalinity' }) });
  type('Low alarm', '9');
  await submit('Keep the target');
  expect(says('They must rise: low alarm, aim from, aim to, high alarm.')).toBe(true);
  for (const [label, value] of [
    ['Low alarm', '6,5'],
    ['Aim from', '7,5'],
    ['Aim to', '9'],
    ['High alarm', '11'],
  ] as const)
    type(label, value);
  await submit('Keep the target');
  expect(
    Object.values(one.doc().targets).find(
      (t) => t.parameter === 'alkalinity' && t.waterId === 'north-window',
    ),
  ).toMatchObject({ alarmLow: 6.5, low: 7.5, high: 9, alarmHigh: 11 });
});

test("a parameter of one's own brings a kit for it; six are the most", async () => {
  const { doc } = onScreen(<ParametersScreen />, { doc: demo(), params: north() });
  await submit('Add the parameter');
  expect(says('Give it a name of 1 to 80 characters.')).toBe(true);
  for (let i = 1; i <= 6; i++) {
    type('Parameter name', `Trace ${i}`);
    type('Lowest', '5');
    type('Highest', '1');
    await submit('Add the parameter');
    expect(Object.keys(doc().ownParameters)).toHaveLength(i - 1);
    type('Highest', '50');
    await submit('Add the parameter');
    expect(Object.keys(doc().ownParameters)).toHaveLength(i);
  }
  expect(Object.values(doc().kits).filter((k) => k.parameter.startsWith('own'))).toHaveLength(6);
  expect(says('Six are the most, and all are used.')).toBe(true);
});

test('a page of readings: chart, table, and no number that is none', () => {
  for (const parameter of ['alkalinity', 'nitrate', 'temperature', 'salinity', 'ph']) {
    document.body.innerHTML = '';
    onScreen(<ReadingsScreen />, { doc: demo(), params: north({ parameter }) });
    expect(allText()).toMatch(/trusted/);
    expect(allText()).not.toMatch(/NaN|Infinity|undefined/);
  }
});

test('a parameter never read says so', () => {
  onScreen(<ReadingsScreen />, { doc: demo(), params: north({ parameter: 'silicate' }) });
  expect(allText()).toMatch(/no .*reading|nothing|not measured|none yet/i);
});

/** The demo with a device that showed one quantity on some days before now. */
function withDevice(what: Monitored, daysAgo: readonly number[]): Document {
  const doc = demo();
  const hours = Array.from({ length: 24 }, (_, h) => `60 ${8 + h / 100} 7.9 8.4`).join(';');
  const days = daysAgo.map((ago) => {
    const id = dayId('dev', what, NOW - ago * DAY_MS);
    const day = id.slice(-10);
    return { id, monitorId: 'dev', waterId: 'north-window', what, day, hours };
  });
  return {
    ...doc,
    monitors: {
      dev: {
        id: 'dev',
        waterId: 'north-window',
        name: 'Shelf bridge',
        pairedAt: new Date(NOW - 400 * DAY_MS).toISOString(),
        revokedAt: null,
      },
    },
    monitorDays: Object.fromEntries(days.map((d) => [d.id, d])),
  };
}

test.each([
  ['paired', null],
  ['revoked', new Date(NOW).toISOString()],
])(
  'what a device, %s, alone has shown is listed and drawn, and no reading by hand is claimed',
  async (_is, revokedAt) => {
    const sent = withDevice('freeAmmonia', [1, 2, 300]);
    const doc = { ...sent, monitors: { dev: { ...sent.monitors.dev!, revokedAt } } };
    onScreen(<ParametersScreen />, { doc, params: north() });
    expect(
      screen.getByRole('link', { name: /^free ammonia by the device only, no test by hand/ }),
    ).toBeTruthy();
    document.body.innerHTML = '';
    onScreen(<ReadingsScreen />, { doc, params: north({ parameter: 'freeAmmonia' }) });
    await flush();
    const drawn = screen.getByRole('group', { name: /Arrow keys/ }).getAttribute('aria-label') ?? '';
    expect(drawn).toMatch(/^free ammonia: no reading by hand\. A device’s hours from .+ to .+\./);
    expect(says(/^No reading yet/)).toBe(false);
    expect(screen.getByRole('button', { name: '2 days' })).toBeTruthy();
    expect(screen.getByRole('button', { name: '3 months' })).toBeTruthy();
    // Longer than what there is would be the same as all.
    expect(screen.queryByRole('button', { name: 'a year' })).toBeNull();
  },
);

test('without a device nothing is said of one', () => {
  onScreen(<ReadingsScreen />, { doc: demo(), params: north({ parameter: 'temperature' }) });
  expect(allText()).not.toMatch(/device/);
  expect(screen.queryByRole('button', { name: '2 days' })).toBeNull();
});
