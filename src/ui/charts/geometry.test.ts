import { DAY_MS } from '../../../core/time';
import fc from 'fast-check';
import { dayTicks, linear, niceTop, spreadLabels } from './geometry';

test('labels keep their order and their distance, inside the space there is', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { minLength: 1, maxLength: 6 }),
      (wanted) => {
        const out = spreadLabels(wanted, 20, 0, 300);
        const sorted = [...out].sort((a, b) => a - b);
        sorted.forEach((y, i) => i > 0 && expect(y - (sorted[i - 1] ?? 0)).toBeGreaterThanOrEqual(20 - 1e-9));
        wanted.forEach((w, i) =>
          wanted.forEach((v, j) => w < v && expect(out[i] ?? 0).toBeLessThanOrEqual(out[j] ?? 0)),
        );
        for (const y of out) expect(y).toBeLessThanOrEqual(300);
      },
    ),
    { seed: 121 },
  );
});
test('the top of an axis is round and above every value', () => {
  expect(niceTop(116)).toBe(150);
  expect(niceTop(0)).toBe(1);
  fc.assert(
    fc.property(fc.double({ min: 0.001, max: 1e5, noNaN: true }), (x) => {
      expect(niceTop(x)).toBeGreaterThanOrEqual(x * (1 - 1e-9));
    }),
    { seed: 122 },
  );
});
test('a domain of no width lands in the middle', () => expect(linear([3, 3], [0, 10])(3)).toBe(5));
test('days are marked at midnight and not more than asked', () => {
  const day = DAY_MS;
  const midnight = (ms: number) => Math.floor(ms / day) * day;
  const ticks = dayTicks(0.3 * day, 41 * day, 5, midnight);
  expect(ticks.length).toBeGreaterThan(1);
  expect(ticks.length).toBeLessThanOrEqual(6);
  for (const t of ticks) expect(t % day).toBe(0);
});
