import fc from 'fast-check';
import { hoursFrom, type MonitorDay } from '../document';
import { DAY_MS, HOUR_MS } from '../time';
import {
  folded,
  hoursOf,
  isChecked,
  monitorAlarms,
  postSchema,
  type Monitored,
  type MonitorReading,
} from '.';

const T0 = Date.UTC(2026, 4, 1);
const M = { id: 'm', waterId: 't' };
let seq = 0;
const r = (hour: number, what: Monitored, value: number): MonitorReading => ({
  seq: ++seq,
  device: 'd',
  atMs: T0 + hour * HOUR_MS,
  what,
  value,
});
function days(...bunches: MonitorReading[][]): MonitorDay[] {
  const all = new Map<string, MonitorDay>();
  for (const bunch of bunches) for (const day of folded(bunch, M, (id) => all.get(id))) all.set(day.id, day);
  return [...all.values()];
}

test('an hour holds count, mean and span; days break in UTC; a gap is nothing', () => {
  const d = days([r(0.1, 'ph', 8), r(0.6, 'ph', 8.2), r(2.5, 'ph', 8.1), r(24.2, 'ph', 7.9)]);
  expect(d.map((x) => x.id)).toEqual(['m-ph-2026-05-01', 'm-ph-2026-05-02']);
  expect(hoursFrom(d[0]!.hours).slice(0, 3)).toEqual([
    { n: 2, mean: 8.1, low: 8, high: 8.2 },
    null,
    { n: 1, mean: 8.1, low: 8.1, high: 8.1 },
  ]);
  expect(hoursOf(d, 'ph').map((x) => (x.atMs - T0) / HOUR_MS)).toEqual([0, 2, 24]);
});
test('however readings come, out of order and in bunches, each hour is the same, and each reading counts once', () => {
  const reading = fc.record({
    hour: fc.double({ min: 0, max: 71.99, noNaN: true }),
    value: fc.integer({ min: 0, max: 40 }),
  });
  fc.assert(
    fc.property(
      fc.array(reading, { minLength: 1, maxLength: 60 }),
      fc.integer({ min: 1, max: 7 }),
      (list, cut) => {
        const all = list.map((x) => r(x.hour, 'temperature', x.value));
        const bunches = Array.from({ length: Math.ceil(all.length / cut) }, (_, i) =>
          all.slice(i * cut, (i + 1) * cut),
        );
        const flat = (d: MonitorDay[]) =>
          hoursOf(d, 'temperature').map((x) => [x.atMs, x.hour.n, x.hour.low, x.hour.high]);
        const one = days(...bunches);
        expect(flat(one)).toEqual(flat(days([...all].reverse())));
        expect(hoursOf(one, 'temperature').reduce((n, x) => n + x.hour.n, 0)).toBe(all.length);
        const total = hoursOf(one, 'temperature').reduce((s, x) => s + x.hour.n * x.hour.mean, 0);
        expect(total).toBeCloseTo(
          all.reduce((s, x) => s + x.value, 0),
          2,
        );
      },
    ),
    { numRuns: 80, seed: 3 },
  );
});

const steady = (what: Monitored, of: (h: number) => number, to = 47) =>
  days(Array.from({ length: to + 1 }, (_, h) => r(h + 0.5, what, of(h))));
const kinds = (d: MonitorDay[], nowHour: number, hand = {}, animalsIn = false) =>
  monitorAlarms(d, hand, T0 + nowHour * HOUR_MS, animalsIn).map((a) => a.kind);

test('quiet water says nothing; three hours without a reading are silence, and nothing else is said of old values', () => {
  const d = steady('temperature', (h) => 25 + 0.2 * Math.sin(h));
  expect(kinds(d, 48)).toEqual([]);
  expect(kinds(d, 51)).toEqual([]);
  expect(kinds(d, 51.1)).toEqual(['silent']);
  const ammonia = steady('freeAmmonia', () => 0.2);
  expect([kinds(ammonia, 51), kinds(ammonia, 51.1)]).toEqual([['high'], ['silent']]);
  expect(kinds([], 10)).toEqual([]);
});
test('one quantity that stays away while others come is told by its name, however long ago it was', () => {
  const d = [
    ...steady('temperature', (h) => 25 + 0.2 * Math.sin(h)),
    ...steady('freeAmmonia', () => 0.2, 20),
  ];
  expect(kinds(d, 24)).toEqual(['high']);
  expect(monitorAlarms(d, {}, T0 + 24.1 * HOUR_MS, false)).toEqual([
    { kind: 'missing', what: 'freeAmmonia', sinceMs: T0 + 21 * HOUR_MS },
  ]);
  expect(kinds(d, 48)).toEqual(['missing']);
  expect(kinds(d, 52)).toEqual(['silent']);
  const high = days(Array.from({ length: 24 }, (_, h) => r(24 + h + 0.5, 'totalAmmonia', 1 + 0.1 * h)));
  expect(kinds([...d, ...high], 48)).toEqual(['missing', 'rise']);
  const later = days(Array.from({ length: 24 }, (_, h) => r(24 * 40 + h + 0.5, 'temperature', 25 + 0.1 * h)));
  expect(kinds([...d, ...later], 24 * 41)).toEqual(['missing']);
});
test('total ammonia that stands high is said where animals live, not where it may be dosed', () => {
  // It moves a little, as water does.
  const total = (mgN: number) => steady('totalAmmonia', (h) => mgN - 0.01 * (h % 2), 46);
  expect(kinds(total(0.3), 47, {}, true)).toEqual(['high']);
  expect(kinds(total(0.299), 47, {}, true)).toEqual([]);
  expect(kinds(total(2), 47, {}, true)).toEqual(['high']);
  expect(kinds(total(2), 47)).toEqual([]);
  expect(kinds(total(2), 51, {}, true)).toEqual(['silent']);
});
test('free ammonia at the limit, a fast rise and a value that never moves are each said', () => {
  expect(
    kinds(
      steady('freeAmmonia', () => 0.049),
      48,
    ),
  ).toEqual([]);
  expect(
    kinds(
      steady('freeAmmonia', () => 0.05),
      48,
    ),
  ).toEqual(['high']);
  expect(
    kinds(
      steady('temperature', (h) => (h < 44 ? 25 : 25 + (h - 43) * 0.4)),
      48,
    ),
  ).toEqual(['rise']);
  expect(
    kinds(
      steady('temperature', (h) => (h < 44 ? 25 + 0.01 * h : 25.9)),
      48,
    ),
  ).toEqual([]);
  expect(
    kinds(
      steady('temperature', () => 25.3),
      48,
    ),
  ).toEqual(['stuck']);
  // An empty reservoir and water without ammonia may stand still.
  expect(
    kinds(
      steady('level', () => 40),
      48,
    ),
  ).toEqual([]);
  expect(
    kinds(
      steady('freeAmmonia', () => 0),
      48,
    ),
  ).toEqual([]);
});
test('a hand test near in time that says otherwise is told; an old or a fitting one is not', () => {
  const d = steady('salinity', (h) => 36.5 + 0.05 * Math.sin(h));
  const at = (hour: number, value: number) => ({ salinity: { atMs: T0 + hour * HOUR_MS, value } });
  expect(kinds(d, 48, at(40, 35))).toEqual(['disagrees']);
  expect(kinds(d, 48, at(40, 35.6))).toEqual([]);
  expect(kinds(d, 48, at(-20, 35))).toEqual([]);
});
test('a hand test vouches for a week', () => {
  expect([
    isChecked(T0, T0 + 7 * DAY_MS),
    isChecked(T0, T0 + 7 * DAY_MS + 1),
    isChecked(undefined, T0),
  ]).toEqual([true, false, false]);
});
test('a request has a device and at most five hundred readings that can be', () => {
  const one = { at: '2026-05-01T10:00:00Z', what: 'ph', value: 8.1 };
  const ok = (x: object) => postSchema.safeParse(x).success;
  expect(ok({ device: 'tank bridge', readings: [one] })).toBe(true);
  for (const bad of [
    { device: '', readings: [one] },
    { device: 'x', readings: [] },
    { device: 'x', readings: Array.from({ length: 501 }, () => one) },
    { device: 'x', readings: [{ ...one, value: 14 }] },
    { device: 'x', readings: [{ ...one, what: 'ammonia' }] },
    { device: 'x', readings: [{ ...one, at: 'yesterday' }] },
    { device: 'x', readings: [{ ...one, value: Number.NaN }] },
    { device: 'x', readings: [one], more: 1 },
  ])
    expect(ok(bad)).toBe(false);
});
