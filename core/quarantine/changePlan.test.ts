import fc from 'fast-check';
import { freeAmmoniaFraction } from '../seawater';
import { changePlan, sawtooth, type BareTank } from './changePlan';

const TANK: BareTank = {
  loadMgNPerDay: 10,
  netL: 60,
  ph: 8.1,
  tempC: 25,
  salinity: 35,
  limit: { totalMgN: 0.3 },
};

test('the check values: 10 mg N a day into 60 L, peak 0.3', () => {
  expect(changePlan(TANK, 1, 38).fraction).toBeCloseTo(0.556, 3);
  expect(changePlan(TANK, 1, 38)).toMatchObject({ feasible: true });
  expect(changePlan(TANK, 2, 38).fraction).toBeCloseTo(1.11, 2);
  expect(changePlan(TANK, 2, 38)).toMatchObject({
    feasible: false,
    litresPerWeek: null,
    saltGramsPerWeek: null,
  });
  expect(changePlan(TANK, 1, 38).firstReachedDays).toBeCloseTo(1.8, 9);
});
test('a whole change each time is the limit of what is possible, and is not called so', () => {
  expect(changePlan({ ...TANK, limit: { totalMgN: 10 / 60 } }, 1, 38).feasible).toBe(false);
  expect(changePlan({ ...TANK, limit: { totalMgN: 10.01 / 60 } }, 1, 38).feasible).toBe(true);
});
test('litres and salt a week (by hand: 0.5556 x 60 x 7 = 233.3 L; at 38 g/L 8867 g)', () => {
  const plan = changePlan(TANK, 1, 38);
  expect(plan.litresPerWeek).toBeCloseTo(233.33, 1);
  expect(plan.saltGramsPerWeek).toBeCloseTo(8866.7, 0);
});
test('a free limit is held through the free share: 0.02 at pH 8.1 (5.20 %) is 0.385 total', () => {
  const plan = changePlan({ ...TANK, limit: { freeMgN: 0.02 } }, 1, 38);
  expect(plan.peakMgN).toBeCloseTo(0.385, 2);
  expect(plan.peakMgN * freeAmmoniaFraction(8.1, 25, 35)).toBeCloseTo(0.02, 9);
  // The same limit at a lower pH allows more.
  expect(changePlan({ ...TANK, ph: 7.8, limit: { freeMgN: 0.02 } }, 1, 38).fraction).toBeLessThan(
    plan.fraction,
  );
});
test('an empty tank needs no change', () =>
  expect(changePlan({ ...TANK, loadMgNPerDay: 0 }, 1, 38)).toMatchObject({
    fraction: 0,
    litresPerWeek: 0,
    saltGramsPerWeek: 0,
    firstReachedDays: Infinity,
  }));

test('the brute-force twin: day by day in small steps, the planned change holds the peak and a smaller one does not', () => {
  fc.assert(
    fc.property(
      fc.record({
        loadMgNPerDay: fc.double({ min: 1, max: 30, noNaN: true }),
        netL: fc.double({ min: 20, max: 200, noNaN: true }),
        peak: fc.double({ min: 0.1, max: 1, noNaN: true }),
        everyDays: fc.integer({ min: 1, max: 4 }),
      }),
      ({ loadMgNPerDay, netL, peak, everyDays }) => {
        const plan = changePlan({ ...TANK, loadMgNPerDay, netL, limit: { totalMgN: peak } }, everyDays, 38);
        fc.pre(plan.feasible && plan.fraction > 0.02);
        const highest = (fraction: number) => {
          let mgN = 0;
          let most = 0;
          for (let change = 0; change < 2000; change++) {
            for (let h = 0; h < everyDays * 4; h++) mgN += loadMgNPerDay / netL / 4;
            most = Math.max(most, mgN);
            mgN -= fraction * mgN;
          }
          return most;
        };
        expect(highest(plan.fraction)).toBeLessThanOrEqual(peak * (1 + 1e-6));
        expect(highest(plan.fraction * 0.98)).toBeGreaterThan(peak);
      },
    ),
    { seed: 4, numRuns: 40 },
  );
});
test('the sawtooth rises by load over volume and falls by the fraction, to the peak in the end', () => {
  const plan = changePlan(TANK, 1, 38);
  const points = sawtooth(TANK, plan, 0, 30);
  expect(points[1]).toEqual({ day: 1, mgN: expect.closeTo(10 / 60, 9) });
  expect(points[2]!.mgN).toBeCloseTo((10 / 60) * (1 - plan.fraction), 9);
  const last = points[points.length - 1]!;
  expect(last.day).toBe(30);
  expect(last.mgN).toBeCloseTo(0.3, 3);
  expect(Math.max(...points.map((p) => p.mgN))).toBeLessThanOrEqual(0.3 + 1e-9);
});

test.each<[string, Partial<BareTank>, number]>([
  ['netL', { netL: 0 }, 1],
  ['loadMgNPerDay', { loadMgNPerDay: -1 }, 1],
  ['totalLimitMgNPerL', { limit: { totalMgN: 0 } }, 1],
  ['freeLimitMgNPerL', { limit: { freeMgN: Number.NaN } }, 1],
  ['ph', { ph: 2, limit: { freeMgN: 0.02 } }, 1],
  ['everyDays', {}, 0],
  ['salinity', { salinity: 60 }, 1],
])('%s off its scale is refused by name', (name, wrong, everyDays) =>
  expect(() => changePlan({ ...TANK, ...wrong }, everyDays, 38)).toThrow(`"${name}" must be`),
);
