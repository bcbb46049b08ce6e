/** The carbonate system against published check values and an independent solver (science notes, sections 2 and 8). */
import { alkalinityAt, carbonateConstants, phOf } from './carbonate';
import { refractometerShows, refractometerTrue } from './refractometer';

test('constants at salinity 35, 25 C', () => {
  const k = carbonateConstants(35, 25);
  expect(k.pK1).toBeCloseTo(5.8472, 4);
  expect(k.pK2).toBeCloseTo(8.966, 4);
  expect(k.lnKB).toBeCloseTo(-19.7964, 4);
  expect(k.lnKW).toBeCloseTo(-30.4338, 4);
});
test.each([
  [2300, 2000, 35, 25, 8.046],
  [2300, 2100, 35, 25, 7.858],
  [2500, 2600, 35, 25, 7.074],
  [2500, 2900, 35, 25, 6.622],
  [2300, 2000, 33, 20, 8.148],
])('TA %f, DIC %f umol/kg at salinity %f and %f C: pH %f', (ta, dic, salinity, tempC, ph) => {
  expect(phOf(ta * 1e-6, dic * 1e-6, salinity, tempC)).toBeCloseTo(ph, 2);
});
test('the alkalinity of a pH gives that pH back', () => {
  for (const ph of [4.5, 7, 8.2, 9.5]) {
    expect(phOf(alkalinityAt(ph, 0.002, 35, 25), 0.002, 35, 25)).toBeCloseTo(ph, 9);
  }
});
test.each([
  ['salinity', 18.9, 25],
  ['salinity', 43.1, 25],
  ['tempC', 35, 1.9],
  ['tempC', 35, 35.1],
])('%s off the scale is refused by name', (name, salinity, tempC) => {
  expect(() => carbonateConstants(salinity, tempC)).toThrow(`"${name}" must be between`);
});
test('the ends of the scale are on it', () => {
  expect(() => carbonateConstants(19, 2)).not.toThrow();
  expect(() => carbonateConstants(43, 35)).not.toThrow();
});
test.each([
  ['seaWater', 'plainWater', 34, 34],
  ['seaWater', 'fluid35', 34, 34],
  ['plainSalt', 'plainWater', 35, 36.5],
  ['plainSalt', 'fluid35', 35, 35],
  ['plainSalt', 'fluid35', 30, 29.79],
] as const)('a %s scale set on %s shows %f as %f', (scale, setOn, is, shows) => {
  expect(refractometerShows(is, { scale, setOn })).toBeCloseTo(shows, 2);
  expect(refractometerTrue(refractometerShows(is, { scale, setOn }), { scale, setOn })).toBeCloseTo(is, 9);
});
test('a refractometer is asked between 0 and 45', () => {
  const r = { scale: 'seaWater', setOn: 'plainWater' } as const;
  expect(() => refractometerShows(45.1, r)).toThrow('"trueSalinity"');
  expect([refractometerShows(0, r), refractometerShows(45, r)]).toEqual([0, 45]);
});
