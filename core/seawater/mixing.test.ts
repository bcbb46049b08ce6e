import { afterMixing, alkalinityAt, alkalinityMolPerKg, dicAt, freeAmmoniaFraction, phOf } from './index';
import { densityKgPerM3 } from './density';

/** dKH of water with so many umol/kg. */
const dkh = (umolPerKg: number): number => (umolPerKg * 1e-6 * densityKgPerM3(35, 25) * 2.804) / 1;
const tank = { totalMgN: 3, ph: 7.2, alkalinityDkh: dkh(1800), salinity: 35, tempC: 25 };
const fresh = { totalMgN: 0, ph: 8.2, alkalinityDkh: dkh(2600), salinity: 35, tempC: 25 };

// Science notes 10: free ammonia rises when half is changed, and falls when nine tenths are.
test.each([
  [0, 7.2, 0.021],
  [0.5, 7.87, 0.048],
  [0.9, 8.15, 0.017],
])('a change of %f: pH %f, free %f', (fraction, ph, free) => {
  const after = afterMixing(tank, fresh, fraction);
  expect(after.ph).toBeCloseTo(ph, 1);
  expect(Math.abs(after.ph - ph)).toBeLessThan(0.012);
  expect(Math.abs(after.freeMgN - free)).toBeLessThan(0.0012);
});

test('what is dissolved is conserved, and nothing changed changes nothing', () => {
  const after = afterMixing(tank, fresh, 0.37);
  expect(after.totalMgN).toBeCloseTo(3 * 0.63, 12);
  expect(after.alkalinityDkh).toBeCloseTo(0.63 * tank.alkalinityDkh + 0.37 * fresh.alkalinityDkh, 12);
  const none = afterMixing(tank, fresh, 0);
  expect(none.ph).toBeCloseTo(7.2, 6);
  expect(none.freeMgN).toBeCloseTo(3 * freeAmmoniaFraction(7.2, 25, 35), 8);
});

test.each([7, 7.8, 8.046, 8.4])('carbon and alkalinity at pH %f are two ways of one equation', (ph) => {
  const alkalinity = alkalinityMolPerKg(8, 35, 25);
  const dic = dicAt(ph, alkalinity, 35, 25);
  expect(alkalinityAt(ph, dic, 35, 25)).toBeCloseTo(alkalinity, 12);
  expect(phOf(alkalinity, dic, 35, 25)).toBeCloseTo(ph, 6);
});

test('2300 umol/kg at pH 8.046 hold 2000 of carbon (science notes 8)', () => {
  expect(dicAt(8.046, 2300e-6, 35, 25) * 1e6).toBeCloseTo(2000, -1);
});
