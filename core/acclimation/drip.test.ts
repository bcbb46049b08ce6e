import fc from 'fast-check';
import { dripAt, dripLitresPerHour, dripPlan, dripWaterUsedL, tappedDropsPerSecond } from './index';

const base = {
  bag: { salinity: 31, tempC: 25, litres: 1 },
  tank: { salinity: 35, tempC: 25 },
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
test('taps give the rate: three needed, the last twelve count', () => {
  expect(tappedDropsPerSecond([0, 0.5])).toBeNull();
  expect(tappedDropsPerSecond([0, 0.5, 1])).toBeCloseTo(2, 9);
  expect(
    tappedDropsPerSecond([
      0, 100, 100.25, 100.5, 100.75, 101, 101.25, 101.5, 101.75, 102, 102.25, 102.5, 102.75,
    ]),
  ).toBeCloseTo(4, 9);
});
