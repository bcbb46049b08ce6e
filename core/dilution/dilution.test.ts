import fc from 'fast-check';
import { afterWaterChange, changeFractionFor, salinityAfterEvaporation } from './index';

test('40 mg/L down to 10 with clean water is three quarters (by hand)', () =>
  expect(changeFractionFor(40, 10, 0)).toBeCloseTo(0.75, 9));
test('half changed twice leaves a quarter (by hand)', () =>
  expect(afterWaterChange(afterWaterChange(80, 0.5, 0), 0.5, 0)).toBeCloseTo(20, 9));
test('2 L gone from 100 L of 35 makes 35.71 (by hand: 3500 / 98)', () =>
  expect(salinityAfterEvaporation(35, 100, 2)).toBeCloseTo(35.714, 3));
test('a change conserves mass and stays between the two waters', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 100, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 100, noNaN: true }),
      (before, f, incoming) => {
        const after = afterWaterChange(before, f, incoming);
        expect(after).toBeGreaterThanOrEqual(Math.min(before, incoming) - 1e-9);
        expect(after).toBeLessThanOrEqual(Math.max(before, incoming) + 1e-9);
        expect(100 * after).toBeCloseTo(100 * before - 100 * f * before + 100 * f * incoming, 6);
      },
    ),
    { seed: 41 },
  );
});
test('the fraction found reaches the goal', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 90, noNaN: true }),
      fc.double({ min: 1, max: 19, noNaN: true }),
      (before, goal) => {
        expect(afterWaterChange(before, changeFractionFor(before, goal, 0), 0)).toBeCloseTo(goal, 9);
      },
    ),
    { seed: 42 },
  );
});
test('refuses a goal that dilution cannot reach', () =>
  expect(() => changeFractionFor(10, 40, 0)).toThrow(RangeError));
