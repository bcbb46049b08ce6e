/** Properties of every calculator: inverse pairs, mass balance, monotonicity. Nothing ever comes out as NaN, infinite or negative. */
import fc from 'fast-check';
import {
  afterContinuousExchange,
  afterWaterChange,
  beforeFromAfter,
  dilutionSteps,
  fractionForSteps,
  stuckOn,
  swingPerDay,
} from '../dilution';
import {
  atSalinity,
  compoundGrams,
  COMPOUNDS,
  correctBatch,
  dailyUse,
  doseDays,
  learnedStrength,
  productMl,
  saltFor,
  salinityPlan,
  straightLine,
  type Compound,
} from '../dosing';
import {
  degreeCostPerMonth,
  drainDown,
  heaterWatts,
  heatLossWPerK,
  lightRamp,
  mediaBlocks,
  realFlow,
  sandFor,
  systemWeight,
} from '../equipment/sizing';
import { production, rejection, resinLitresLeft } from '../rodi';
import { alkalinityAt, carbonateConstants, phOf, refractometerShows, refractometerTrue } from '../seawater';
import { fromUnit, toUnit } from '../units';
import { combineVolumes, netVolume, volumeFromSalt } from '../volume';

const d = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const check = <T extends unknown[]>(
  seed: number,
  arbs: { [K in keyof T]: fc.Arbitrary<T[K]> },
  f: (...a: T) => void,
) =>
  fc.assert(
    fc.property(...(arbs as unknown as [fc.Arbitrary<unknown>]), (...a: unknown[]) => f(...(a as T))),
    { seed, numRuns: 300 },
  );

describe('carbonate constants', () => {
  test('published values at 35, 25 C', () => {
    const k = carbonateConstants(35, 25);
    expect(k.pK1).toBeCloseTo(5.8472, 4);
    expect(k.pK2).toBeCloseTo(8.966, 4);
    expect(k.lnKB).toBeCloseTo(-19.7964, 4);
    expect(k.lnKW).toBeCloseTo(-30.4338, 4);
  });
  test('pH and alkalinity are inverse; surface sea water (2.3 and 2.0 mmol/kg) is near pH 8.05', () => {
    check(1, [d(7, 8.8), d(0.001, 0.004), d(25, 40), d(15, 32)], (ph, dic, s, t) =>
      expect(phOf(alkalinityAt(ph, dic, s, t), dic, s, t)).toBeCloseTo(ph, 6),
    );
    expect(Math.abs(phOf(0.0023, 0.002, 35, 25) - 8.05)).toBeLessThan(0.06);
  });
});

describe('volume', () => {
  test('a combination lies between its estimates and is never surer than all weights together allow', () => {
    check(
      2,
      [
        fc.array(
          fc.record({ from: fc.constantFrom('a', 'b', 'c', 'd'), litres: d(10, 500), sdL: d(0.5, 50) }),
          { minLength: 1, maxLength: 5 },
        ),
      ],
      (list) => {
        const c = combineVolumes(list);
        expect(c.litres).toBeGreaterThanOrEqual(Math.min(...list.map((e) => e.litres)) - 1e-9);
        expect(c.litres).toBeLessThanOrEqual(Math.max(...list.map((e) => e.litres)) + 1e-9);
        expect(c.sdL).toBeGreaterThanOrEqual(
          1 / Math.sqrt(list.reduce((s, e) => s + 1 / e.sdL ** 2, 0)) - 1e-9,
        );
        expect(c.outliers.length).toBeLessThan(list.length);
      },
    );
  });
  test('salt in and litres out are inverse', () => {
    check(3, [d(1, 2000), d(25, 40), d(30, 45)], (l, s, g) =>
      expect(volumeFromSalt(saltFor(l, s, g), s, g, 0.05).litres).toBeCloseTo(l, 6),
    );
  });
  test('the volume in use stands before the arithmetic, which is still there', () => {
    const v = netVolume({
      size: { kind: 'volume', volumeL: 100 },
      sumpL: 0,
      rockKg: 0,
      sandKg: 0,
      volumeInUse: { litres: 91, sdL: 2, from: 'dose check' },
    });
    expect([v.netL, v.sdL, v.from, v.byParts.netL]).toEqual([91, 2, 'dose check', 100]);
  });
  test.each([[{ litres: 0, sdL: 1 }], [{ litres: 10, sdL: 0 }], [{ litres: NaN, sdL: 1 }]])(
    'refuses %p',
    (e) => expect(() => combineVolumes([{ from: 'x', ...e }])).toThrow(RangeError),
  );
});

describe('water changes', () => {
  test('n steps of the found fraction reach the goal; more steps need more water in all', () => {
    check(4, [d(1, 100), d(0.01, 0.95), fc.integer({ min: 1, max: 20 })], (before, share, n) => {
      const goal = before * share;
      const f = fractionForSteps(before, goal, 0, n);
      expect(dilutionSteps(before, f, 0, n).at(-1)).toBeCloseTo(goal, 8);
      expect(n * f).toBeGreaterThanOrEqual(fractionForSteps(before, goal, 0, 1) - 1e-9);
    });
  });
  test('what was there before is found again from after', () => {
    check(5, [d(0, 100), d(0, 0.9), d(0, 5)], (before, f, fresh) =>
      expect(beforeFromAfter(afterWaterChange(before, f, fresh), f, fresh)).toBeCloseTo(before, 6),
    );
  });
  test('continuous exchange is the limit of many small changes', () => {
    check(6, [d(1, 100), d(0.05, 2)], (before, share) => {
      const many = dilutionSteps(before, share / 60, 0, 60).at(-1) ?? 0;
      expect(Math.abs(many - afterContinuousExchange(before, share, 0))).toBeLessThan(before * 0.02);
    });
  });
  test('a goal beyond the new water is refused with a sentence', () => {
    expect(() => fractionForSteps(40, 1, 2, 1)).toThrow(/cannot be reached/);
    expect(() => fractionForSteps(10, 20, 0, 1)).toThrow(/cannot be reached/);
    expect(() => fractionForSteps(10, 5, 10, 1)).toThrow(/moves nothing/);
  });
});

describe('salt and salinity', () => {
  test('a corrected batch has the target: the mass of salt balances', () => {
    check(7, [d(1, 500), d(25, 45), d(28, 38), d(30, 42)], (l, is, target, g) => {
      const c = correctBatch(l, is, target, g);
      if (c.kind === 'water') expect((is * l) / (l + c.litres)).toBeCloseTo(target, 8);
      if (c.kind === 'salt') expect(is + (c.grams * 35) / (g * l)).toBeCloseTo(target, 8);
    });
  });
  test('learned strength lies between the usual and the batches, nearer with more of them', () => {
    check(8, [d(33, 45), fc.integer({ min: 1, max: 6 })], (g, n) => {
      const batches = Array.from({ length: n }, () => ({ litres: 10, grams: g * 10, salinity: 35 }));
      const learned = learnedStrength(batches);
      expect(Math.abs(learned.gramsPerLitre - g)).toBeLessThanOrEqual(Math.abs(38 - g));
      expect(learned.sdShare).toBeLessThan(learnedStrength(batches.slice(1)).sdShare);
    });
  });
  test('a plan never moves more than its day allows and keeps the salt balance', () => {
    check(9, [d(30, 40), d(30, 38), d(20, 1000), d(0.5, 20), d(0.2, 2)], (from, to, netL, e, maxPerDay) => {
      for (const s of salinityPlan({ from, to, netL, evaporationLPerDay: e, maxPerDay })) {
        expect(Math.abs(s.to - s.from)).toBeLessThanOrEqual(maxPerDay + 1e-9);
        if (s.swapL > 0) expect(s.from * (netL - s.swapL)).toBeCloseTo(s.to * netL, 6);
        else expect(s.from * netL + s.topUpL * s.topUpSalinity).toBeCloseTo(s.to * netL, 6);
      }
    });
  });
  test('a refractometer is read back', () => {
    for (const scale of ['seaWater', 'plainSalt'] as const) {
      for (const setOn of ['plainWater', 'fluid35'] as const)
        check(10, [d(5, 45)], (s) =>
          expect(refractometerTrue(refractometerShows(s, { scale, setOn }), { scale, setOn })).toBeCloseTo(
            s,
            9,
          ),
        );
    }
  });
});

describe('evaporation', () => {
  test('a smaller tank swings more; stuck on, salt is only lost over the rim', () => {
    check(11, [d(50, 1000), d(0.1, 10)], (v, e) =>
      expect(swingPerDay(35, v / 2, e)).toBeGreaterThan(swingPerDay(35, v, e) * 2),
    );
    check(
      12,
      [d(50, 500), d(0.5, 20), d(0, 48), d(0, 60), d(1, 200)],
      (netL, litresPerHour, hours, roomL, reservoirL) => {
        const out = stuckOn({ salinity: 35, netL, litresPerHour, hours, roomL, reservoirL });
        const inL = Math.min(litresPerHour * hours, reservoirL);
        expect(out.salinity).toBeLessThanOrEqual(35 + 1e-9);
        expect(out.salinity).toBeGreaterThan(0);
        if (out.overflowL === 0) expect(out.salinity * (netL + inL)).toBeCloseTo(35 * netL, 6);
      },
    );
  });
});

describe('minerals', () => {
  const DAY = 86_400_000;
  test('use is found again through doses and a change', () => {
    check(13, [d(0, 1), d(0.05, 0.4)], (use, keepOut) => {
      // A twin told day by day: falls by `use`, a dose of 2 on day 4, a change on day 6 right after its reading.
      let level = 9;
      const points = [{ atMs: 0, value: level }];
      for (let day = 1; day <= 10; day++) {
        level -= use;
        if (day === 4) level += 2;
        points.push({ atMs: day * DAY, value: level });
        if (day === 6) level = level * (1 - keepOut) + 8 * keepOut;
      }
      const found = dailyUse(points, [
        { atMs: 3.5 * DAY, rise: 2 },
        { atMs: 6.001 * DAY, keep: 1 - keepOut, incoming: 8 },
      ]);
      expect(found?.perDay).toBeCloseTo(use, 6);
    });
  });
  test('too little says nothing', () => {
    expect(dailyUse([], [])).toBeNull();
    expect(
      dailyUse(
        [
          { atMs: 0, value: 8 },
          { atMs: DAY, value: 8 },
          { atMs: 2 * DAY, value: 7 },
        ],
        [],
      ),
    ).toBeNull();
  });
  test('a straight line is found with no error', () => {
    check(14, [d(-5, 5), d(-5, 5)], (a, b) => {
      const line = straightLine(
        [0, 1, 2, 3],
        [0, 1, 2, 3].map((x) => a + b * x),
      );
      expect(line.slope).toBeCloseTo(b, 9);
      expect(line.se).toBeLessThan(1e-6);
    });
  });
  test('doses scale with rise and volume; no day passes its ceiling', () => {
    check(
      15,
      [fc.constantFrom(...(Object.keys(COMPOUNDS) as Compound[])), d(0.1, 50), d(1, 2000)],
      (k, rise, l) => {
        expect(compoundGrams(k, rise * 2, l)).toBeCloseTo(compoundGrams(k, rise, l * 2), 8);
        const plan = doseDays(COMPOUNDS[k].what, rise, true);
        expect(plan.perDay * plan.days).toBeCloseTo(rise, 9);
        expect(plan.perDay).toBeLessThanOrEqual(
          { alkalinity: 1, calcium: 20, magnesium: 100 }[COMPOUNDS[k].what] + 1e-9,
        );
      },
    );
    expect(() => productMl(0, 1, 100)).toThrow(RangeError);
    expect(atSalinity(420, 33, 35)).toBeCloseTo((420 * 35) / 33, 9);
  });
});

describe('RO/DI', () => {
  test('more pressure and warmth make more; resin runs out, never below nothing', () => {
    check(16, [d(1, 8), d(2, 34)], (bar, tempC) => {
      const make = (b: number, t: number) =>
        production({ ratedLPerDay: 190, ratedBar: 4.1, bar: b, tempC: t }).litresPerDay;
      expect(make(bar * 1.1, tempC)).toBeGreaterThan(make(bar, tempC));
      expect(make(bar, tempC + 1)).toBeGreaterThan(make(bar, tempC));
    });
    check(17, [d(0.1, 5), d(0.5, 100), d(0, 1e5)], (resinL, tds, made) =>
      expect(resinLitresLeft({ resinL, membraneTds: tds, madeL: made })).toBeGreaterThanOrEqual(0),
    );
    expect(() => rejection(100, 120)).toThrow(/swapped/);
  });
});

describe('putting up', () => {
  test('nothing negative, all finite, in the right direction', () => {
    check(18, [d(20, 300), d(20, 100), d(20, 90), d(16, 30)], (l, w, h, room) => {
      const loss = heatLossWPerK(l, w, h, false);
      expect(heatLossWPerK(l, w, h, true)).toBeLessThan(loss);
      expect(heaterWatts(loss, 25, room).suggestedW).toBeGreaterThanOrEqual(0);
      expect(degreeCostPerMonth(loss, 0.3)).toBeGreaterThan(0);
      const weight = systemWeight({
        netL: (l * w * h) / 1000,
        rockKg: 0,
        sandKg: 0,
        lengthCm: l,
        widthCm: w,
        heightCm: h,
        glassMm: 10,
        standKg: 0,
      });
      expect(weight.kg).toBeGreaterThan((l * w * h) / 1000);
      expect(sandFor(l * w, 4, 1.3).displacesL).toBeLessThan((l * w * 4) / 1000);
    });
  });
  test('a ramp rises by equal ratios and ends where it should', () => {
    check(19, [d(1, 60), d(60, 100), fc.integer({ min: 1, max: 30 })], (a, b, n) => {
      const steps = lightRamp(a, b, n, 3);
      expect(steps.at(-1)?.percent).toBeCloseTo(b, 8);
      steps
        .slice(1)
        .forEach((s, i) => expect(s.percent / (steps[i]?.percent ?? 1)).toBeCloseTo((b / a) ** (1 / n), 8));
    });
  });
  test.each([
    () => realFlow({ ratedLPerH: 1000, headCm: 400, maxHeadCm: 300, netL: 100 }),
    () => lightRamp(50, 20, 3, 7),
    () => mediaBlocks(0, 1, 1),
    () => drainDown({ areaCm2: 0, dropCm: 1, pipesL: 0, sumpRoomL: 1 }),
  ])('refuses the impossible %#', (f) => expect(f).toThrow(RangeError));
});

test('the same physical question in any units has the same physical answer', () => {
  check(20, [d(5, 500), d(20, 38), d(20, 30)], (l, s, t) => {
    const gal = toUnit('gal', l);
    expect(saltFor(fromUnit('gal', gal), fromUnit('sg2525', toUnit('sg2525', s)), 38)).toBeCloseTo(
      saltFor(l, s, 38),
      4,
    );
    expect(fromUnit('F', toUnit('F', t))).toBeCloseTo(t, 9);
    expect(saltFor(l, fromUnit('mScm', toUnit('mScm', s)), 38)).toBeCloseTo(saltFor(l, s, 38), 2);
  });
});
