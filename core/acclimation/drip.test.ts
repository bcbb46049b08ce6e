import fc from 'fast-check';
import { dripAt, dripLitresPerHour, dripPlan, dripWaterUsedL } from './index';
import { ACCLIMATION } from './limits';

const base = {
  bag: { salinity: 31, tempC: 25, litres: 1 },
  water: { salinity: 35, tempC: 25 },
  roomTempC: 25,
  floating: false,
  containerL: 50,
  dropsPerSecond: 2,
  dropsPerMl: 20,
};

test('2 drops a second at 20 to the mL are 0.36 L an hour (by hand)', () =>
  expect(dripLitresPerHour(2, 20)).toBeCloseTo(0.36, 9));
test('filling follows (S0 V0 + St q t) / (V0 + q t)', () => {
  const plan = dripPlan(base);
  for (const minutes of [10, 60, 180]) {
    const added = (0.36 * minutes) / 60;
    expect(dripAt(plan, minutes).salinity).toBeCloseTo((31 + 35 * added) / (1 + added), 9);
    expect(dripAt(plan, minutes).litres).toBeCloseTo(1 + added, 9);
  }
});
test('each pour-off back to V0 shrinks the gap by V0 / (V0 + dV)', () => {
  const plan = dripPlan({ ...base, containerL: 2, dropsPerSecond: 10 });
  const [first, second] = plan.pourOffMinutes;
  const gap = (m: number) => 35 - dripAt(plan, Math.ceil(m)).salinity;
  expect(plan.pourOffMinutes.length).toBeGreaterThan(1);
  expect(gap(second ?? 0) / gap(first ?? 0)).toBeCloseTo(0.5, 1);
});
test('near enough is 0.001 SG: from 31 to 35 it comes when the gap is about 1.31 ppt', () => {
  const plan = dripPlan({ ...base, dropsPerSecond: 8 });
  expect(35 - dripAt(plan, plan.salinityReadyMinutes ?? 0).salinity).toBeCloseTo(1.32, 1);
});
test('an open bucket in a cool room never gets near; floated it does', () => {
  const cool = { ...base, dropsPerSecond: 8, bag: { ...base.bag, tempC: 22 }, roomTempC: 18 };
  expect(dripPlan(cool).temperatureReadyMinutes).toBeNull();
  expect(dripPlan(cool).readyMinutes).toBeNull();
  expect(dripPlan({ ...cool, floating: true }).readyMinutes).not.toBeNull();
});
test('same water, same temperature: nothing to wait for', () => {
  expect(dripPlan({ ...base, bag: { ...base.bag, salinity: 35 } }).readyMinutes).toBe(0);
});
test('salinity and temperature stay between bag, tank and room, and salinity only comes nearer', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 25, max: 40, noNaN: true }),
      fc.double({ min: 15, max: 30, noNaN: true }),
      fc.double({ min: 10, max: 32, noNaN: true }),
      fc.double({ min: 0.3, max: 8, noNaN: true }),
      (s, t, room, rate) => {
        const plan = dripPlan(
          {
            ...base,
            bag: { salinity: s, tempC: t, litres: 1 },
            roomTempC: room,
            dropsPerSecond: rate,
            containerL: 3,
          },
          120,
        );
        let gap = Infinity;
        for (const p of plan.points) {
          expect(Math.abs(p.salinity - 35)).toBeLessThanOrEqual(gap + 1e-9);
          gap = Math.abs(p.salinity - 35);
          expect(p.tempC).toBeGreaterThanOrEqual(Math.min(t, 25, room) - 1e-9);
          expect(p.tempC).toBeLessThanOrEqual(Math.max(t, 25, room) + 1e-9);
        }
      },
    ),
    { seed: 91, numRuns: 40 },
  );
});
test('a container no larger than the bag is refused', () =>
  expect(() => dripPlan({ ...base, containerL: 1 })).toThrow('must be more than the bag'));
test('water used is rate times time', () => expect(dripWaterUsedL(dripPlan(base), 90)).toBeCloseTo(0.54, 9));

describe('temperature', () => {
  /** So slow that only the surroundings move the temperature. */
  const still = (litres: number, floating = false) => ({
    ...base,
    bag: { salinity: 35, tempC: 28, litres },
    water: { salinity: 35, tempC: 24 },
    roomTempC: 18,
    dropsPerSecond: 1e-6,
    floating,
  });
  const { openPerHour, openLitres, floatingPerHour } = ACCLIMATION;

  test('a standing container follows the law of cooling: half the way in ln 2 / k', () => {
    const half = (Math.log(2) / openPerHour) * 60;
    const plan = dripPlan(still(openLitres));
    expect(dripAt(plan, half).tempC).toBeCloseTo(23, 2);
    expect(dripAt(plan, 60).tempC).toBeCloseTo(18 + 10 * Math.exp(-openPerHour), 3);
  });
  test('eight times the water cools half as fast', () => {
    const plan = dripPlan(still(openLitres * 8));
    expect(dripAt(plan, 60).tempC).toBeCloseTo(18 + 10 * Math.exp(-openPerHour / 2), 3);
  });
  test('a floating one follows the tank, not the room', () => {
    const plan = dripPlan(still(openLitres, true));
    expect(dripAt(plan, 30).tempC).toBeCloseTo(24 + 4 * Math.exp(-floatingPerHour / 2), 3);
  });
  test.each([
    [1, 8, 18, 22],
    [0.6, 3.4, 21, 23],
    [3, 1, 30, 26],
  ])(
    '%f L at %f drops a second in a room of %f from %f: as the equations integrated finely',
    (litres, drops, room, from) => {
      const input = {
        ...base,
        bag: { salinity: 32, tempC: from, litres },
        dropsPerSecond: drops,
        roomTempC: room,
        containerL: 40,
      };
      const q = dripLitresPerHour(drops, 20);
      let [t, s, v] = [from, 32, litres];
      const n = 36_000;
      for (let i = 0; i < n; i++) {
        const dt = 2 / n;
        const k = openPerHour * Math.cbrt(openLitres / v);
        t += dt * ((q / v) * (25 - t) - k * (t - room));
        s += dt * (q / v) * (35 - s);
        v += dt * q;
      }
      const at = dripAt(dripPlan(input), 120);
      expect(at.tempC).toBeCloseTo(t, 1);
      expect(at.salinity).toBeCloseTo(s, 3);
      expect(at.litres).toBeCloseTo(v, 6);
    },
  );
  test('ready is the later of the two, and each is told', () => {
    const warm = dripPlan({
      ...base,
      bag: { salinity: 31, tempC: 20, litres: 1 },
      dropsPerSecond: 8,
      floating: true,
    });
    const { salinityReadyMinutes: salt, temperatureReadyMinutes: heat } = warm;
    expect(heat).toBeGreaterThan(0);
    expect(salt).toBeGreaterThan(heat ?? Infinity);
    expect(warm.readyMinutes).toBe(salt);
    // Temperature at the minute told is near, and was not the minute before.
    expect(Math.abs(dripAt(warm, heat ?? 0).tempC - 25)).toBeLessThanOrEqual(ACCLIMATION.nearC);
    expect(Math.abs(dripAt(warm, (heat ?? 0) - 1).tempC - 25)).toBeGreaterThan(ACCLIMATION.nearC);
  });
  test('one of the two near at the start is not both', () => {
    const salty = dripPlan({ ...base, bag: { salinity: 31, tempC: 25, litres: 1 }, dropsPerSecond: 8 });
    expect(salty.temperatureReadyMinutes).toBe(0);
    expect(salty.readyMinutes).toBe(salty.salinityReadyMinutes);
    expect(salty.readyMinutes).toBeGreaterThan(0);
  });
});

describe('a moment of a plan', () => {
  const plan = dripPlan({ ...base, containerL: 1.5, dropsPerSecond: 10 });
  test('between two minutes lies on the line between them', () => {
    const [a, b] = [plan.points[3], plan.points[4]];
    const at = dripAt(plan, 3.25);
    expect(at.salinity).toBeCloseTo((a?.salinity ?? 0) * 0.75 + (b?.salinity ?? 0) * 0.25, 9);
    expect(at.litres).toBeCloseTo((a?.litres ?? 0) * 0.75 + (b?.litres ?? 0) * 0.25, 9);
    expect(at.minutes).toBe(3.25);
  });
  test('before the start and after the end it is clamped', () => {
    expect(dripAt(plan, -5).salinity).toBe(31);
    expect(dripAt(plan, 10_000)).toEqual(plan.points[240]);
    expect(plan.points).toHaveLength(241);
    expect(dripAt(plan, 240)).toEqual(plan.points[240]);
  });
  test('just before a pour-off the container still holds what it held', () => {
    const off = plan.pourOffMinutes[0] ?? 0;
    const before = Math.ceil(off) - 1;
    const full = plan.points[before]?.litres ?? 0;
    expect(full).toBeGreaterThan(1.3);
    expect(dripAt(plan, before + 0.5).litres).toBe(full);
  });
  test('an empty plan is refused', () =>
    expect(() => dripAt({ ...plan, points: [] }, 1)).toThrow('must not be empty'));
});

test('a container full to the rim is poured off', () => {
  // 0.6 L an hour into 1 L: 1.5 L is reached exactly at 50 minutes.
  const plan = dripPlan({ ...base, containerL: 1.5, dropsPerSecond: 10 / 3 });
  expect(plan.pourOffMinutes[0]).toBeCloseTo(50, 0);
});
test('floated on the way it warms from then on: what was before stays as it was', () => {
  const cool = { ...base, dropsPerSecond: 8, bag: { ...base.bag, tempC: 22 }, roomTempC: 18 };
  const open = dripPlan(cool);
  const floated = dripPlan({ ...cool, changes: [{ minutes: 30, on: true }] });
  for (const minutes of [5, 20, 30])
    expect(dripAt(floated, minutes).tempC).toBeCloseTo(dripAt(open, minutes).tempC, 9);
  expect(dripAt(floated, 60).tempC).toBeGreaterThan(dripAt(open, 60).tempC + 1);
  const out = dripPlan({ ...cool, floating: true, changes: [{ minutes: 30, on: false }] });
  expect(dripAt(out, 90).tempC).toBeLessThan(dripAt(out, 30).tempC);
});
