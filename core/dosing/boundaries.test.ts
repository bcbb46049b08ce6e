/** Doses and batches: each threshold just under and just over, worked by hand. */
import {
  atSalinity,
  compoundGrams,
  correctBatch,
  dailyUse,
  doseDays,
  doseGuard,
  DOSING,
  learnedStrength,
  mineralBalance,
  movesOf,
  productMl,
  saltFor,
  salinityPlan,
  straightLine,
  withoutMoves,
} from './index';
import type { Dosed, WaterEvent } from '../document';

const DAY = 86_400_000;

describe('the guard before a dose of ammonia', () => {
  test.each([
    [DOSING.ceilingMgNPerL - 0.001, 0, null],
    [DOSING.ceilingMgNPerL, 0, null],
    [DOSING.ceilingMgNPerL + 0.001, 0, 'doseTooMuch'],
    [1, DOSING.redoseBelowMgNPerL, null],
    [1, DOSING.redoseBelowMgNPerL + 0.001, 'doseNotYet'],
    [3, 3, 'doseTooMuch'],
  ])('%f into %f mg N/L: %s', (rise, present, code) => {
    expect(doseGuard(rise, present)?.code ?? null).toBe(code);
  });
  test('names what there would be, or what there is', () => {
    expect(doseGuard(3, 1)).toEqual({ code: 'doseTooMuch', mgNPerL: 4 });
    expect(doseGuard(1, 1)).toEqual({ code: 'doseNotYet', mgNPerL: 1 });
  });
});

describe('minerals', () => {
  test.each([
    ['bicarbonate', 1, 100, 2.996],
    ['carbonate', 2, 100, 3.78],
    ['calciumDihydrate', 10, 200, 7.336],
    ['calciumAnhydrous', 10, 200, 5.538],
    ['magnesiumHexahydrate', 100, 50, 41.825],
  ] as const)('%s for %f in %f L: %f g', (compound, rise, litres, grams) => {
    expect(compoundGrams(compound, rise, litres)).toBeCloseTo(grams, 6);
  });
  test('a product that raises 100 L by 0.5 a mL: 8 mL for 2 in 200 L', () => {
    expect(productMl(0.5, 2, 200)).toBeCloseTo(8, 9);
  });
  test.each([
    [() => compoundGrams('bicarbonate', 0, 100), '"rise"'],
    [() => compoundGrams('bicarbonate', 1, 0), '"netL"'],
    [() => productMl(0, 1, 100), '"risesPerMlIn100L"'],
    [() => productMl(1, 0, 100), '"rise"'],
    [() => productMl(1, 1, 0), '"netL"'],
    [() => doseDays('calcium', 0, true), '"rise"'],
  ])('nothing is reckoned from nothing %#', (call, name) => expect(call).toThrow(name));
  test.each([
    ['alkalinity', 1, true, 1, 1],
    ['alkalinity', 1.01, true, 2, 0.505],
    ['calcium', 60, true, 3, 20],
    ['magnesium', 100, true, 1, 100],
    ['alkalinity', 5, false, 1, 5],
  ] as const)('%s up by %f, animals in %s: %i days of %f', (what, rise, animals, days, perDay) => {
    expect(doseDays(what, rise, animals)).toEqual({ days, perDay: expect.closeTo(perDay, 9) });
  });
  test.each([
    [0.019, 0, 'noUse'],
    [0.02, 0.143, 'together'],
    [1, 7.15 * 1.49, 'together'],
    [1, 7.15 * 1.51, 'calciumFast'],
    [1, 7.15 * 0.51, 'together'],
    [1, 7.15 * 0.49, 'alkalinityFast'],
  ])('alkalinity falls %f, calcium %f a day: %s', (alkalinity, calcium, balance) => {
    expect(mineralBalance(alkalinity, calcium).balance).toBe(balance);
  });
  test('what calcium should do is said with it', () => {
    expect(mineralBalance(2, 14).expectedCalcium).toBeCloseTo(14.3, 9);
  });
  test('a reading scales with salinity', () => expect(atSalinity(400, 32, 35)).toBeCloseTo(437.5, 9));
  test('a line through three points, by hand: slope 1.5, standard error 0.2887', () => {
    const line = straightLine([0, 1, 2], [1, 2, 4]);
    expect(line.slope).toBeCloseTo(1.5, 9);
    expect(line.intercept).toBeCloseTo(5 / 6, 9);
    expect(line.se).toBeCloseTo(Math.sqrt(1 / 6 / 2), 9);
    expect(straightLine([1, 1], [2, 4])).toEqual({ slope: 0, intercept: 3, se: Infinity });
    expect(straightLine([0, 1], [2, 4]).se).toBe(Infinity);
  });
  const at = (...points: [number, number][]) => points.map(([day, value]) => ({ atMs: day * DAY, value }));
  test('use a day needs three readings over three days', () => {
    expect(dailyUse(at([0, 9], [1.5, 8.5], [3, 8]), [])).toMatchObject({ perDay: expect.closeTo(1 / 3, 9) });
    expect(dailyUse(at([0, 9], [1.5, 8.5], [2.99, 8]), [])).toBeNull();
    expect(dailyUse(at([0, 9], [3, 8]), [])).toBeNull();
    expect(dailyUse([], [])).toBeNull();
  });
  test('doses and changes are taken out, those before the first reading are not', () => {
    const moves = [
      { atMs: -DAY, rise: 5 },
      { atMs: 0, rise: 7 },
      { atMs: 2 * DAY, keep: 0.5, incoming: 10 },
      { atMs: DAY, rise: 1 },
    ];
    // 8 -> dose of 1 -> 9; half changed for 10: 9.5. Without either it would have stood at 8.
    expect(withoutMoves(at([0, 8], [1, 9], [2, 9.5]), moves)).toEqual([
      { day: 0, value: 8 },
      { day: 1, value: 8 },
      { day: 2, value: 8 },
    ]);
    expect(withoutMoves([], moves)).toEqual([]);
  });
});

describe('what moved one of the three', () => {
  const base = { id: 'e', waterId: 't', note: '' };
  const iso = (day: number) => new Date(day * DAY).toISOString();
  const dose = (day: number, what: Dosed, rise: number): WaterEvent => ({
    ...base,
    at: iso(day),
    kind: 'dose',
    what,
    rise,
    grams: null,
  });
  const change = (day: number, litres: number): WaterEvent => ({
    ...base,
    at: iso(day),
    kind: 'waterChange',
    litres,
  });

  test('its own doses and every change, in order; nothing else', () => {
    const events: WaterEvent[] = [
      dose(3, 'alkalinity', 0.7),
      change(2, 25),
      dose(1, 'calcium', 20),
      { ...base, at: iso(0), kind: 'topOff', litres: 3 },
      dose(0.5, 'alkalinity', 1.2),
    ];
    expect(movesOf(events, 'alkalinity', 100)).toEqual([
      { atMs: DAY / 2, rise: 1.2 },
      { atMs: 2 * DAY, keep: 0.75, incoming: DOSING.newWaterAlkalinity },
      { atMs: 3 * DAY, rise: 0.7 },
    ]);
    expect(movesOf(events, 'calcium', 100)).toEqual([
      { atMs: DAY, rise: 20 },
      { atMs: 2 * DAY, keep: 0.75, incoming: DOSING.newWaterCalcium },
    ]);
    expect(movesOf(events, 'magnesium', 100)).toMatchObject([{ incoming: DOSING.newWaterMagnesium }]);
  });
  test('a change of more than there is leaves nothing of it', () => {
    expect(movesOf([change(1, 250)], 'alkalinity', 100)).toMatchObject([{ keep: 0 }]);
    // What the mix brought, as noted with the nearest change, stands for those without a note.
    const noted = [
      change(1, 10),
      { ...change(3, 10), alkalinity: 11.2 },
      { ...change(9, 10), alkalinity: 7 },
    ];
    expect(movesOf(noted, 'alkalinity', 100).map((m) => 'incoming' in m && m.incoming)).toEqual([
      11.2, 11.2, 7,
    ]);
    expect(movesOf(noted, 'calcium', 100)[0]).toMatchObject({ incoming: DOSING.newWaterCalcium });
    expect(() => movesOf([], 'alkalinity', 0)).toThrow('"netL"');
  });
  test('days are counted from the first reading, wherever that lies', () => {
    const points = [10, 11.5, 14].map((day) => ({ atMs: day * DAY, value: 9 - (day - 10) / 2 }));
    expect(withoutMoves(points, []).map((p) => p.day)).toEqual([0, 1.5, 4]);
    expect(dailyUse(points, [])).toMatchObject({ perDay: expect.closeTo(0.5, 9), points: 3, days: 4 });
    // Under three days from the first, though over three from the beginning of time.
    expect(dailyUse(points.slice(0, 2).concat({ atMs: 12.9 * DAY, value: 7 }), [])).toBeNull();
  });
  test('four points: the standard error has two degrees of freedom', () => {
    const line = straightLine([0, 1, 2, 3], [1, 1.5, 3, 3.6]);
    expect(line.slope).toBeCloseTo(0.93, 9);
    const rss = [1, 1.5, 3, 3.6].reduce((sum, y, i) => sum + (y - line.intercept - line.slope * i) ** 2, 0);
    expect(line.se).toBeCloseTo(Math.sqrt(rss / 2 / 5), 12);
  });
});

describe('salt', () => {
  test('a batch at another salinity counts for 35: 700 g in 20 L at 32 are 38.28 g/L', () => {
    const strength = learnedStrength([{ grams: 700, litres: 20, salinity: 32 }]);
    expect(strength.gramsPerLitre).toBeCloseTo((38.28125 + 1.5 * 38) / 2.5, 9);
  });
  test('a plan ends, however slow: 120 days at most', () => {
    const slow = salinityPlan({ from: 20, to: 35, netL: 1000, evaporationLPerDay: 0.1, maxPerDay: 1 });
    expect(slow).toHaveLength(120);
  });
  test('760 g make 20 L of 35; less for less', () => {
    expect(saltFor(20, 35, 38)).toBeCloseTo(760, 9);
    expect(saltFor(20, 17.5, 38)).toBeCloseTo(380, 9);
  });
  test('learned from batches, drawn to 38, the last six only', () => {
    const batch = { grams: 400, litres: 10, salinity: 35 };
    expect(learnedStrength([])).toEqual({ gramsPerLitre: 38, sdShare: 0.06, batches: 0 });
    expect(learnedStrength([batch]).gramsPerLitre).toBeCloseTo(38.8, 9);
    expect(learnedStrength([batch]).sdShare).toBeCloseTo(0.06 / Math.sqrt(1 + 1 / 1.5), 9);
    const old = { ...batch, grams: 300 };
    expect(learnedStrength([old, ...Array(6).fill(batch)])).toEqual(learnedStrength(Array(6).fill(batch)));
    expect(() => learnedStrength([{ ...batch, grams: 4000 }])).toThrow('grams a litre');
  });
  test.each([
    [34.81, { kind: 'right' }],
    [35.19, { kind: 'right' }],
    [34, { kind: 'salt', grams: expect.closeTo(21.714, 3) }],
    [37, { kind: 'water', litres: expect.closeTo(1.1429, 4) }],
    [34.8, { kind: 'salt', grams: expect.closeTo(4.343, 3) }],
  ])('20 L that came out at %f', (is, correction) => {
    expect(correctBatch(20, is, 35, 38)).toEqual(correction);
  });
  test('down a point a day by swapping water, up by topping up with salt water', () => {
    const plan = { netL: 100, evaporationLPerDay: 2, maxPerDay: 1 };
    const down = salinityPlan({ ...plan, from: 37, to: 35 });
    expect(down.map((s) => [s.day, s.from, s.to])).toEqual([
      [1, 37, 36],
      [2, 36, 35],
    ]);
    expect(down[0]?.swapL).toBeCloseTo(100 * (1 - 36 / 37), 9);
    const up = salinityPlan({ ...plan, from: 34, to: 35 });
    // 2 L of 40 at most: 0.8 a day.
    expect(up[0]).toMatchObject({ topUpL: 2, topUpSalinity: 40, to: expect.closeTo(34.8, 9), swapL: 0 });
    expect(up[1]).toMatchObject({ topUpSalinity: expect.closeTo(10, 6), to: expect.closeTo(35, 9) });
    expect(salinityPlan({ ...plan, from: 35.04, to: 35 })).toEqual([]);
    expect(() => salinityPlan({ ...plan, from: 34, to: 35, evaporationLPerDay: 0 })).toThrow('evaporation');
  });
});
