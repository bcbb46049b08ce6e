import fc from 'fast-check';
import { DEFAULT_PARAMS, EMPTY_STATE, nitrogenStrata, simulateNitrogen, type NitrogenState } from './index';
import { gatherEvidence } from '../evidence';
import { History, START_MS, DAY } from '../testing/history';

const total = (s: NitrogenState) => s.organic + s.ammonia + s.nitrite + s.nitrate;
const days = Array.from({ length: 61 }, (_, i) => i);

describe('the model', () => {
  test('conserves nitrogen in the closed tank to 1e-9', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0.001, max: 2, noNaN: true }),
        fc.double({ min: 0.001, max: 2, noNaN: true }),
        (organic, ammonia, x, y) => {
          const states = simulateNitrogen(
            { ...EMPTY_STATE, organic, ammonia, capacityA: x, capacityN: y },
            DEFAULT_PARAMS,
            [],
            days,
          );
          for (const s of states) expect(Math.abs(total(s) - organic - ammonia)).toBeLessThan(1e-9);
        },
      ),
      { seed: 61, numRuns: 60 },
    );
  });
  test('never goes negative and uses 0.400 dKH per mg N oxidised', () => {
    const states = simulateNitrogen(
      { ...EMPTY_STATE, ammonia: 2, capacityA: 0.05, capacityN: 0.02, alkalinityDkh: 9 },
      DEFAULT_PARAMS,
      [],
      days,
    );
    for (const s of states) for (const v of Object.values(s)) expect(v).toBeGreaterThanOrEqual(0);
    const last = states[60];
    expect(last?.ammonia).toBeLessThan(1e-3);
    expect(9 - (last?.alkalinityDkh ?? 0)).toBeCloseTo(0.4 * (2 - (last?.ammonia ?? 0)), 6);
  });
  test('rot alone follows first-order decay within half a percent of the closed form', () => {
    const [s] = simulateNitrogen(
      { ...EMPTY_STATE, organic: 1 },
      { ...DEFAULT_PARAMS, rotPerDay: 0.25 },
      [],
      [8],
      0.005,
    );
    expect(s?.organic).toBeCloseTo(Math.exp(-2), 3);
  });
  test('a smaller step changes the answer little, and less each time', () => {
    const run = (step: number) =>
      simulateNitrogen(
        { ...EMPTY_STATE, ammonia: 1.5, capacityA: 0.1, capacityN: 0.05 },
        DEFAULT_PARAMS,
        [],
        [9],
        step,
      )[0]?.ammonia ?? NaN;
    const fine = run(0.0025);
    expect(Math.abs(run(0.05) - fine)).toBeLessThan(Math.abs(run(0.1) - fine));
    expect(Math.abs(run(0.1) - fine)).toBeLessThan(0.1);
  });
  test('one run equals the same run cut in two', () => {
    const start = { ...EMPTY_STATE, ammonia: 1.5, capacityA: 0.1, capacityN: 0.05 };
    const [, whole] = simulateNitrogen(start, DEFAULT_PARAMS, [], [4, 9]);
    const [half] = simulateNitrogen(start, DEFAULT_PARAMS, [], [4]);
    const [rest] = simulateNitrogen(half ?? start, DEFAULT_PARAMS, [], [5]);
    expect(rest?.nitrite).toBeCloseTo(whole?.nitrite ?? NaN, 9);
  });
  test('unfed bacteria shrink; a water change takes its share', () => {
    const [s] = simulateNitrogen({ ...EMPTY_STATE, capacityA: 1, capacityN: 1 }, DEFAULT_PARAMS, [], [20]);
    expect(s?.capacityA).toBeLessThan(0.5);
    const [c] = simulateNitrogen(
      { ...EMPTY_STATE, nitrate: 10, alkalinityDkh: 6 },
      DEFAULT_PARAMS,
      [{ day: 1, kind: 'change', fraction: 0.5, alkalinityDkh: 9 }],
      [1],
    );
    expect(c?.nitrate).toBeCloseTo(5, 9);
    expect(c?.alkalinityDkh).toBeCloseTo(7.5, 9);
  });
});

describe('strata', () => {
  const strata = (h: History, day: number) =>
    nitrogenStrata(gatherEvidence(h.doc, 't', START_MS + day * DAY), 0.05);
  test('2 mg/L as NH4 in 100 L are 155 mg N put in and found', () => {
    const s = strata(new History().dose(1, 2).test(2, { ammonia: 2, nitrite: 0, nitrate: 0 }), 3);
    expect(s.points[0]?.ammoniaMgN).toBeCloseTo(155.3, 1);
    expect(s.points[0]?.putInMgN).toBeCloseTo(155.3, 1);
    expect(s.gapMgN).toBeCloseTo(0, 6);
  });
  test('a water change takes its share from what was put in', () => {
    const s = strata(
      new History()
        .dose(1, 2)
        .event(2, { kind: 'waterChange', litres: 50 })
        .test(3, { ammonia: 1, nitrite: 0, nitrate: 0 }),
      4,
    );
    expect(s.putIn[s.putIn.length - 1]?.mgN).toBeCloseTo(77.65, 1);
  });
  test('nitrate read while nitrite is present never makes the stack exceed what was put in', () => {
    const s = strata(
      new History()
        .dose(1, 2)
        .test(2, { ammonia: 2, nitrite: 0, nitrate: 0 })
        .test(9, { ammonia: 0.5, nitrite: 2, nitrate: 80 }),
      10,
    );
    const p = s.points[1];
    expect(p?.nitrateEstimated).toBe(true);
    expect((p?.ammoniaMgN ?? 0) + (p?.nitriteMgN ?? 0) + (p?.nitrateMgN ?? 0)).toBeLessThanOrEqual(155.4);
  });
  test('seafood taken out stops counting', () => {
    const put = (h: History) =>
      strata(h.test(20, { ammonia: 1, nitrite: 0 }), 21).putIn.slice(-1)[0]?.mgN ?? 0;
    const inside = new History().event(1, { kind: 'food', food: 'seafood', grams: 10 });
    const out = new History()
      .event(1, { kind: 'food', food: 'seafood', grams: 10 })
      .event(4, { kind: 'seafoodOut' });
    expect(put(out)).toBeLessThan(0.7 * put(inside));
    expect(put(inside)).toBeLessThanOrEqual(275);
  });
});
