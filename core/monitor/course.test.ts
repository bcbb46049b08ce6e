import fc from 'fast-check';
import type { MonitorDay } from '../document';
import { DAY_MS, HOUR_MS } from '../time';
import { course, dayStretch, daysOf, folded, spanOf, stepFor, type MonitorReading, type Stretch } from '.';

const T0 = Date.UTC(2026, 4, 1);
const reading = (device: string, hour: number, value: number): MonitorReading => ({
  seq: 0,
  device,
  atMs: T0 + hour * HOUR_MS,
  what: 'temperature',
  value,
});

/** Days as a device's readings make them, by its id. */
function daysFrom(readings: readonly MonitorReading[]): MonitorDay[] {
  const all: Record<string, MonitorDay> = {};
  for (const r of readings)
    for (const day of folded([r], { id: r.device, waterId: 'tank' }, (id) => all[id])) all[day.id] = day;
  return daysOf(all, 'tank', 'temperature');
}
const whole = (days: readonly MonitorDay[]) => days.map(dayStretch);

test('days of another water or quantity are not among them, and two devices stand in order of the days', () => {
  const day = (id: string, waterId: string, what: MonitorDay['what'], of: string): MonitorDay => ({
    id,
    monitorId: 'm',
    waterId,
    what,
    day: of,
    hours: ';'.repeat(23),
  });
  const all = Object.fromEntries(
    [
      day('a', 'tank', 'ph', '2026-05-03'),
      day('b', 'tank', 'temperature', '2026-05-02'),
      day('c', 'other', 'ph', '2026-05-02'),
      day('d', 'tank', 'ph', '2026-05-01'),
    ].map((d) => [d.id, d]),
  );
  expect(daysOf(all, 'tank', 'ph').map((d) => d.id)).toEqual(['d', 'a']);
});

test.each([
  [48 * HOUR_MS, 48, HOUR_MS],
  [48 * HOUR_MS + 1, 48, 2 * HOUR_MS],
  [14 * DAY_MS, 160, 3 * HOUR_MS],
  [90 * DAY_MS, 160, DAY_MS],
  [20 * DAY_MS + 1, 160, DAY_MS],
  [160 * DAY_MS, 160, DAY_MS],
  [365 * DAY_MS, 160, 4 * DAY_MS],
  [22 * 365 * DAY_MS, 160, 64 * DAY_MS],
])('a span of %d ms in at most %d stretches: of %d ms each', (span, most, step) => {
  expect(stepFor(span, most)).toBe(step);
});

test('hours of a short span, a gap left open, the window’s edge inside an hour', () => {
  const days = daysFrom([
    reading('m', 1.2, 25),
    reading('m', 1.7, 26),
    reading('m', 4.5, 24),
    reading('m', 30, 20),
  ]);
  const { stepMs, stretches } = course(days, whole(days), T0 + 1.5 * HOUR_MS, T0 + 6 * HOUR_MS, 10);
  expect(stepMs).toBe(HOUR_MS);
  expect(stretches).toEqual([
    { fromMs: T0 + HOUR_MS, toMs: T0 + 2 * HOUR_MS, n: 2, mean: 25.5, low: 25, high: 26 },
    { fromMs: T0 + 4 * HOUR_MS, toMs: T0 + 5 * HOUR_MS, n: 1, mean: 24, low: 24, high: 24 },
  ]);
});

test('a mean over more readings weighs more, also of two devices in one hour', () => {
  const days = daysFrom([
    ...[0.1, 0.2, 0.3].map((h) => reading('m', h, 24)),
    reading('other', 0.5, 28),
    reading('other', 1.5, 27),
  ]);
  expect(days.length).toBe(2);
  const { stretches } = course(days, whole(days), T0, T0 + 2 * HOUR_MS, 2);
  expect(stretches.map((s) => [s.n, s.mean, s.low, s.high])).toEqual([
    [4, 25, 24, 28],
    [1, 27, 27, 27],
  ]);
  expect(course(days, whole(days), T0, T0 + 10 * DAY_MS, 10).stretches.map((s) => [s.n, s.mean])).toEqual([
    [5, 25.4],
  ]);
});

test('the span goes from the first hour to the end of the last; days without a reading say nothing', () => {
  const days = daysFrom([reading('m', 1.5, 25), reading('m', 50.5, 26)]);
  expect(spanOf(days)).toEqual({ firstMs: T0 + HOUR_MS, lastMs: T0 + 51 * HOUR_MS });
  const empty = { ...days[0]!, hours: ';'.repeat(23), day: '2026-04-01' };
  expect(spanOf([empty, ...days, { ...empty, day: '2026-08-01' }])).toEqual(spanOf(days));
  expect([spanOf([empty]), spanOf([])]).toEqual([null, null]);
});

test('a day not known yet is left out of long stretches, and not of short ones', () => {
  const days = daysFrom([reading('m', 1, 25), reading('m', 25, 26)]);
  const known = [undefined, dayStretch(days[1]!)];
  expect(course(days, known, T0, T0 + 40 * DAY_MS, 20).stretches.map((s) => s.mean)).toEqual([26]);
  expect(course(days, known, T0, T0 + 2 * DAY_MS, 48).stretches.map((s) => s.mean)).toEqual([25, 26]);
});

test('whatever a device sent and whatever is looked at: no reading is lost or counted twice, and none lies outside its stretch', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.constantFrom('m', 'other'),
          fc.double({ min: 0, max: 900, noNaN: true }),
          fc.integer({ min: -20, max: 400 }),
        ),
        {
          maxLength: 80,
        },
      ),
      fc.integer({ min: 1, max: 60 }),
      fc.integer({ min: 1, max: 200 }),
      (sent, spanDays, most) => {
        const readings = sent.map(([device, hour, tenths]) => reading(device, hour, tenths / 10));
        const days = daysFrom(readings);
        const [fromMs, toMs] = [T0 - DAY_MS, T0 + spanDays * DAY_MS];
        const { stepMs, stretches } = course(days, whole(days), fromMs, toMs, most);
        // The twin: each reading by itself.
        const cells = new Map<number, number[]>();
        for (const r of readings) {
          const hourMs = Math.floor(r.atMs / HOUR_MS) * HOUR_MS;
          const partMs = stepMs < DAY_MS ? hourMs : Math.floor(r.atMs / DAY_MS) * DAY_MS;
          if (partMs > toMs) continue;
          const cell = Math.floor(r.atMs / stepMs);
          cells.set(cell, [...(cells.get(cell) ?? []), r.value]);
        }
        const twin = [...cells].sort(([a], [b]) => a - b);
        expect(stretches.map((s: Stretch) => s.fromMs / stepMs)).toEqual(twin.map(([cell]) => cell));
        stretches.forEach((s, i) => {
          const values = twin[i]![1];
          expect(s.n).toBe(values.length);
          expect([s.low, s.high]).toEqual([Math.min(...values), Math.max(...values)]);
          // Means are kept to five places.
          expect(s.mean).toBeCloseTo(values.reduce((a, b) => a + b, 0) / values.length, 3);
        });
        expect(stretches.length).toBeLessThanOrEqual(Math.ceil((toMs - fromMs) / stepMs) + 1);
      },
    ),
    { numRuns: 200 },
  );
});
