/** The bag's chemistry against the check values of an independent solver (science notes 8). */
import fc from 'fast-check';
import { bagCourse, type BagInput } from './bag';
import { dripPlan } from './drip';

const JOURNEY: BagInput = {
  bag: { litres: 1.5, salinity: 35, tempC: 25, ph: 7, tanMgNPerL: 2, alkalinityUmolPerKg: 2500 },
  water: { salinity: 35, tempC: 25, alkalinityUmolPerKg: 2600, dicUmolPerKg: 2250 },
  roomTempC: 25,
  floating: true,
  containerL: 3,
  pourToL: 1.5,
  dripLPerHour: 0,
  co2PerHour: 3,
  minutes: 120,
};

describe('alone in the bucket', () => {
  test.each([
    [1, 7.27, 0.02, 7.44, 0.03],
    [3, 7.55, 0.038, 7.72, 0.057],
    [6, 7.72, 0.057, 7.87, 0.079],
  ])(
    'CO2 leaving at %d an hour: pH %f and free %f after 60, %f and %f after 120 min',
    (k, p1, f1, p2, f2) => {
      const { series } = bagCourse({ ...JOURNEY, co2PerHour: k });
      expect(series[0]!.freeMgNPerL).toBeCloseTo(0.011, 4);
      expect(series[60]!.ph).toBeCloseTo(p1, 2);
      expect(series[120]!.ph).toBeCloseTo(p2, 2);
      // Given to a thousandth.
      expect(Math.abs(series[60]!.freeMgNPerL - f1)).toBeLessThan(0.0006);
      expect(Math.abs(series[120]!.freeMgNPerL - f2)).toBeLessThan(0.0006);
    },
  );
});

describe('under a drip, poured off from 3 L to 1.5', () => {
  test.each([
    [1.5, 1, 0.027, 65],
    [1.5, 3, 0.034, 60],
    [1.5, 6, 0.041, 54],
    [4.5, 1, 0.025, 24],
    [4.5, 3, 0.027, 22],
    [4.5, 6, 0.031, 20],
  ])('%f L/h, CO2 %d an hour: peak %f after %d min', (dripLPerHour, co2PerHour, peak, at) => {
    const c = bagCourse({ ...JOURNEY, dripLPerHour, co2PerHour });
    expect(Math.abs(c.peakFreeMgNPerL - peak)).toBeLessThan(0.0006);
    expect(Math.abs(c.peakAtMinute - at)).toBeLessThanOrEqual(1);
  });
  test('total ammonia after an hour: a half, an eighth (each time doubled, then poured off)', () => {
    expect(bagCourse({ ...JOURNEY, dripLPerHour: 1.5 }).series[60]!.tanMgNPerL).toBeCloseTo(1, 2);
    expect(bagCourse({ ...JOURNEY, dripLPerHour: 4.5 }).series[60]!.tanMgNPerL).toBeCloseTo(0.25, 2);
  });
  test('it is poured off when full and not before', () =>
    expect(bagCourse({ ...JOURNEY, dripLPerHour: 1.5 }).pourOffMinutes).toEqual([60, 120]));
});

test('salt and heat go as the plain drip says, minute by minute', () => {
  const drip = {
    bag: { salinity: 31, tempC: 21, litres: 0.8 },
    water: { salinity: 34.5, tempC: 25.5 },
    roomTempC: 19,
    floating: false,
    containerL: 3,
    dropsPerSecond: 4,
    dropsPerMl: 20,
  };
  const plan = dripPlan(drip, 90);
  const course = bagCourse({
    bag: { ...drip.bag, ph: 7.6, tanMgNPerL: 0.5, alkalinityUmolPerKg: 2300 },
    water: { ...drip.water, alkalinityUmolPerKg: 2500, dicUmolPerKg: 2200 },
    roomTempC: drip.roomTempC,
    floating: false,
    containerL: 3,
    pourToL: drip.bag.litres,
    dripLPerHour: plan.litresPerHour,
    co2PerHour: 3,
    minutes: 90,
  });
  for (const minute of [10, 45, 90]) {
    expect(course.series[minute]!.salinity).toBeCloseTo(plan.points[minute]!.salinity, 2);
    expect(course.series[minute]!.tempC).toBeCloseTo(plan.points[minute]!.tempC, 1);
  }
  expect(Math.abs(course.doneAtMinute! - plan.readyMinutes!)).toBeLessThanOrEqual(1);
});

test('nothing is made or lost: without a drip salt and ammonia stay, CO2 goes to its balance with the air and no further', () => {
  fc.assert(
    fc.property(
      fc.record({
        ph: fc.double({ min: 6.5, max: 8.2, noNaN: true }),
        tan: fc.double({ min: 0, max: 6, noNaN: true }),
        salinity: fc.double({ min: 22, max: 38, noNaN: true }),
      }),
      ({ ph, tan, salinity }) => {
        const { series } = bagCourse({
          ...JOURNEY,
          bag: { ...JOURNEY.bag, ph, tanMgNPerL: tan, salinity },
          water: { ...JOURNEY.water, salinity },
          co2PerHour: 30,
          minutes: 300,
        });
        const last = series[series.length - 1]!;
        expect(last.tanMgNPerL).toBeCloseTo(tan, 9);
        expect(last.salinity).toBeCloseTo(salinity, 9);
        // At that speed it has come to rest: from below or from above the same pH.
        expect(Math.abs(last.ph - series[series.length - 20]!.ph)).toBeLessThan(0.01);
        expect(last.ph).toBeGreaterThan(7.9);
        expect(last.ph).toBeLessThan(8.35);
      },
    ),
    { seed: 8, numRuns: 25 },
  );
});

test('a quicker drip never ends with more ammonia, and a stiller bucket never with more of it free', () => {
  const peak = (dripLPerHour: number, co2PerHour: number) =>
    bagCourse({ ...JOURNEY, dripLPerHour, co2PerHour }).peakFreeMgNPerL;
  for (const k of [1, 3, 6]) expect(peak(4.5, k)).toBeLessThan(peak(1.5, k));
  for (const q of [0, 1.5, 4.5]) expect(peak(q, 1)).toBeLessThan(peak(q, 6));
});

test.each<[string, Partial<BagInput> | { bag: Partial<BagInput['bag']> }]>([
  ['bag.salinity', { bag: { salinity: 45 } }],
  ['bag.ph', { bag: { ph: 2 } }],
  ['bag.litres', { bag: { litres: 0 } }],
  ['bag.tanMgNPerL', { bag: { tanMgNPerL: -1 } }],
  ['bag.tempC', { bag: { tempC: 60 } }],
  ['containerL', { containerL: 1.5 }],
  ['pourToL', { pourToL: 3 }],
  ['minutes', { minutes: 0 }],
  ['co2PerHour', { co2PerHour: -1 }],
  ['dripLPerHour', { dripLPerHour: Number.NaN }],
])('%s off its scale is refused by name', (name, wrong) => {
  const input =
    'bag' in wrong ? { ...JOURNEY, bag: { ...JOURNEY.bag, ...wrong.bag } } : { ...JOURNEY, ...wrong };
  expect(() => bagCourse(input as BagInput)).toThrow(`"${name}" must be`);
});
