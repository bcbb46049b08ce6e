import fc from 'fast-check';
import {
  ammoniumPKa,
  ammoniumPKYaoMillero,
  conductivityMSPerCm,
  densityKgPerM3,
  freeAmmoniaFraction,
  salinityFromConductivity,
  hydrometerShows,
  salinityFromDensity,
  salinityFromRatio,
  salinityFromSpecificGravity,
  specificGravity,
} from './index';

describe('density, EOS-80', () => {
  test.each([
    [0, 5, 999.96675],
    [35, 5, 1027.67547],
    [35, 25, 1023.34306],
    [0, 25, 997.04796],
  ])('salinity %d at %d C is %d kg/m3 (UNESCO 1983)', (s, t, rho) => {
    expect(densityKgPerM3(s, t)).toBeCloseTo(rho, 4);
  });
  test('specific gravity of 35 and 33 at 25/25', () => {
    expect(specificGravity(35, '25/25')).toBeCloseTo(1.02637, 5);
    expect(specificGravity(33, '25/25')).toBeCloseTo(1.02486, 5);
  });
  test('1.025 at 25/25 is 33.19 and 1.026 is 34.51, not 35', () => {
    expect(salinityFromSpecificGravity(1.025, '25/25')).toBeCloseTo(33.19, 1);
    expect(salinityFromSpecificGravity(1.026, '25/25')).toBeCloseTo(34.51, 1);
  });
  test('specific gravity and salinity undo each other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 42, noNaN: true }),
        fc.constantFrom('20/20' as const, '25/25' as const),
        (s, ref) => {
          expect(salinityFromSpecificGravity(specificGravity(s, ref), ref)).toBeCloseTo(s, 6);
        },
      ),
      { seed: 11 },
    );
  });
  test('density gives salinity back, and a hydrometer is right at the temperature it is marked for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 42, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (s, t) => {
          expect(salinityFromDensity(densityKgPerM3(s, t), t)).toBeCloseTo(s, 6);
          expect(hydrometerShows(s, 25, '25/25')).toBeCloseTo(specificGravity(s, '25/25'), 12);
        },
      ),
      { seed: 13 },
    );
  });
  test('35 at 20 C lifts a 25/25 hydrometer to 1.0278: 1024.763 over 997.048 (UNESCO 1983)', () => {
    expect(hydrometerShows(35, 20, '25/25')).toBeCloseTo(1024.763 / 997.048, 5);
    expect(() => salinityFromDensity(1100, 25)).toThrow('"density" must be between');
  });
  test('refuses what is off the scale, naming argument, range and value', () => {
    expect(() => densityKgPerM3(350, 25)).toThrow(
      '"salinity" must be between 0 and 42 practical salinity, got 350',
    );
    expect(() => densityKgPerM3(35, NaN)).toThrow(RangeError);
  });
});

describe('conductivity, practical salinity scale 1978', () => {
  test.each([
    [1, 15, 0, 35],
    [1.2, 20, 2000, 37.245628],
    [0.65, 5, 1500, 27.995347],
  ])('ratio %d at %d C, %d dbar is %d (UNESCO 1983)', (r, t, p, s) => {
    expect(salinityFromRatio(r, t, p)).toBeCloseTo(s, 5);
  });
  test.each([
    [35, 15, 42.914],
    [35, 25, 53.065],
    [33, 25, 50.357],
  ])('salinity %d at %d C conducts %d mS/cm', (s, t, c) => {
    expect(conductivityMSPerCm(s, t)).toBeCloseTo(c, 2);
  });
  test('conductivity and salinity undo each other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2.01, max: 41.9, noNaN: true }),
        fc.double({ min: 0, max: 34, noNaN: true }),
        (s, t) => {
          expect(salinityFromConductivity(conductivityMSPerCm(s, t), t)).toBeCloseTo(s, 5);
        },
      ),
      { seed: 12 },
    );
  });
  test('refuses salinity outside 2 to 42', () => {
    expect(() => salinityFromConductivity(1, 25)).toThrow(RangeError);
    expect(() => salinityFromConductivity(90, 25)).toThrow(RangeError);
  });
});

describe('free ammonia', () => {
  test('pKa 9.3609 at 35 and 25 C (Bell et al. 2007)', () =>
    expect(ammoniumPKa(25, 35)).toBeCloseTo(9.3609, 4));
  test.each([
    [8.1, 0.052],
    [8.2, 0.0646],
    [7.8, 0.0267],
  ])('share at pH %d is %d', (ph, share) => {
    expect(freeAmmoniaFraction(ph, 25, 35)).toBeCloseTo(share, 4);
  });
  test('Yao and Millero 1995: 9.2562 at 35 and 25 C, and within 0.15 of the other everywhere', () => {
    expect(ammoniumPKYaoMillero(25, 35)).toBeCloseTo(9.2562, 3);
    fc.assert(
      fc.property(
        fc.double({ min: 15, max: 32, noNaN: true }),
        fc.double({ min: 25, max: 40, noNaN: true }),
        (t, s) => {
          expect(Math.abs(ammoniumPKa(t, s) - ammoniumPKYaoMillero(t, s))).toBeLessThan(0.15);
        },
      ),
      { seed: 13 },
    );
  });
  test('rises with pH and with temperature', () => {
    expect(freeAmmoniaFraction(8.4, 25, 35)).toBeGreaterThan(freeAmmoniaFraction(8.2, 25, 35));
    expect(freeAmmoniaFraction(8.2, 28, 35)).toBeGreaterThan(freeAmmoniaFraction(8.2, 25, 35));
  });
});
