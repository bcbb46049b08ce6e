import fc from 'fast-check';
import { bagCourse } from './bag';
import { dripPlan } from './drip';
import {
  bagInputOf,
  dropsFromCup,
  floatMinutes,
  leastMinutes,
  nearEnough,
  pulseOf,
  rateForMinutes,
} from './index';

const DRIP = {
  bag: { salinity: 31, tempC: 23, litres: 1 },
  water: { salinity: 35, tempC: 25 },
  roomTempC: 21,
  floating: true,
  containerL: 4,
  dropsPerMl: 20,
};
const who = (group: 'fish' | 'invertebrate' | 'coral', ...sensitivities: string[]) => ({
  group,
  sensitivities,
});

test('the most delicate sets the least time, however small the gap', () => {
  expect(leastMinutes([who('fish')])).toBe(15);
  expect(leastMinutes([who('fish'), who('invertebrate')])).toBe(45);
  expect(leastMinutes([who('coral')])).toBe(45);
  expect(leastMinutes([who('invertebrate', 'salinity')])).toBe(60);
  expect(leastMinutes([])).toBe(15);
});

test('the rate for a time and the time of a rate are each other’s inverse', () => {
  fc.assert(
    fc.property(fc.double({ min: 20, max: 150, noNaN: true }), (minutes) => {
      const rate = rateForMinutes(DRIP, minutes);
      if (rate === null) return;
      const ready = dripPlan({ ...DRIP, dropsPerSecond: rate }).salinityReadyMinutes!;
      expect(ready).toBeLessThanOrEqual(minutes);
      // A little slower would be too late.
      const slower =
        dripPlan({ ...DRIP, dropsPerSecond: rate * 0.97 - 0.02 }).salinityReadyMinutes ?? Infinity;
      expect(slower).toBeGreaterThan(minutes - 0.5);
    }),
    { seed: 5, numRuns: 15 },
  );
});
test('a time no valve can keep, or no gap, has no rate', () => {
  expect(rateForMinutes({ ...DRIP, bag: { ...DRIP.bag, litres: 3 } }, 0.5)).toBeNull();
  expect(rateForMinutes({ ...DRIP, water: { salinity: 31, tempC: 25 } }, 30)).toBeNull();
});

test('a closed bag floats until it is half a degree off (by hand: 4 K at 2.5 an hour, 24 min x ln 8)', () => {
  expect(floatMinutes(21, 25)).toBeCloseTo(49.9, 1);
  expect(floatMinutes(25.4, 25)).toBe(0);
  expect(floatMinutes(29, 25)).toBeCloseTo(49.9, 1);
});

test('near enough is 0.001 of specific gravity, about 1.3 ppt, and half a degree', () => {
  const water = { salinity: 35, tempC: 25 };
  expect(nearEnough({ salinity: 33.75, tempC: 24.6 }, water)).toEqual({ salinity: true, tempC: true });
  expect(nearEnough({ salinity: 33.5, tempC: 24.4 }, water)).toEqual({ salinity: false, tempC: false });
});

describe('the pulse', () => {
  test('one missed drop, or one tap too many, moves nothing', () => {
    const even = Array.from({ length: 10 }, (_, i) => i / 2);
    expect(pulseOf(even)).toEqual({ dropsPerSecond: 2, jitter: 0 });
    expect(pulseOf(even.filter((_, i) => i !== 5))?.dropsPerSecond).toBeCloseTo(2, 9);
    expect(pulseOf([...even.slice(0, 5), 2.1, ...even.slice(5)])?.dropsPerSecond).toBeCloseTo(2, 9);
  });
  test('wandering shows as jitter; too few or backward taps say nothing', () => {
    expect(pulseOf([0, 0.4, 1, 1.4, 2, 2.4, 3])?.jitter).toBeGreaterThan(0.15);
    for (const taps of [[], [0], [0, 1], [3, 2, 1], [5, 5, 5]]) expect(pulseOf(taps)).toBeNull();
  });
  test('only the last twelve taps count', () => {
    const slow = Array.from({ length: 20 }, (_, i) => i);
    const quick = Array.from({ length: 12 }, (_, i) => 20 + i / 4);
    expect(pulseOf([...slow, ...quick])?.dropsPerSecond).toBeCloseTo(4, 9);
  });
  test('a cup: 100 mL in a minute at 20 drops a millilitre (by hand: 33.3)', () =>
    expect(dropsFromCup(100, 60, 20)).toBeCloseTo(33.33, 2));
});

describe('the bag of a session', () => {
  const known = { ...DRIP, dropsPerSecond: 2, bag: { ...DRIP.bag, ph: 7.13, tanMgN: 2 } };
  const o = { litresPerHour: 0.36, co2PerHour: 3, minutes: 60 };
  test('without pH or ammonia of the bag nothing is reckoned', () => {
    const { ph: _, ...noPh } = known.bag;
    expect(bagInputOf({ ...known, bag: noPh }, { ph: null, alkalinityDkh: null }, o)).toBeNull();
    expect(
      bagInputOf(
        { ...known, bag: { ...noPh, ph: 7, tanMgN: undefined } },
        { ph: null, alkalinityDkh: null },
        o,
      ),
    ).toBeNull();
  });
  test('a meter’s pH is brought to the total scale, and 7 dKH are the 2500 of the check values', () => {
    const input = bagInputOf(known, { ph: null, alkalinityDkh: null }, o)!;
    expect(input.bag.ph).toBeCloseTo(7, 9);
    expect(input.bag.alkalinityUmolPerKg / 2500).toBeCloseTo(0.98, 1);
    expect(() => bagCourse(input)).not.toThrow();
  });
  test('a hyposaline bag is reckoned, too', () => {
    const fresh = { ...known, bag: { ...known.bag, salinity: 14 } };
    expect(() => bagCourse(bagInputOf(fresh, { ph: 8.2, alkalinityDkh: 8 }, o)!)).not.toThrow();
  });
});
