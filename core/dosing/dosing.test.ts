import fc from 'fast-check';
import { volumeFromDose } from '../volume';
import { ammoniaDose, strengthMgNPerMl } from './index';

describe('ammonia dose', () => {
  test('2 mg/L as NH4 in 100 L takes 155.3 mg N: 59.3 mL of 10 g/L NH4Cl (by hand)', () => {
    const dose = ammoniaDose({
      targetMgPerL: 2,
      basis: 'ion',
      netL: 100,
      strength: { kind: 'gramsNH4ClPerL', gramsPerL: 10 },
      dropsPerMl: 20,
    });
    expect(dose.mgN).toBeCloseTo(155.3, 1);
    expect(dose.mL).toBeCloseTo(59.3, 1);
    expect(dose.drops).toBe(1186);
  });
  test('10 % NH3 holds 82.2 mg N in a millilitre (by hand: 100 / 1.2159)', () => {
    expect(strengthMgNPerMl({ kind: 'percentNH3', percent: 10 }, 20)).toBeCloseTo(82.24, 2);
  });
  test('"4 drops per 10 L raise 1 mg/L" needs 80 drops for 2 mg/L in 100 L, whatever the drop size', () => {
    for (const dropsPerMl of [15, 20, 25]) {
      const dose = ammoniaDose({
        targetMgPerL: 2,
        basis: 'ion',
        netL: 100,
        strength: { kind: 'drops', drops: 4, perLitres: 10, raisesMgPerL: 1, basis: 'ion' },
        dropsPerMl,
      });
      expect(dose.drops).toBe(80);
    }
  });
  test('the dose and the rise give the volume back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 2000, noNaN: true }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 1, max: 300, noNaN: true }),
        (netL, target, grams) => {
          const dose = ammoniaDose({
            targetMgPerL: target,
            basis: 'NH3',
            netL,
            strength: { kind: 'gramsNH4ClPerL', gramsPerL: grams },
            dropsPerMl: 20,
          });
          expect(volumeFromDose(dose.mgN, dose.mgNPerL).litres / netL).toBeCloseTo(1, 9);
          expect(dose.mL * strengthMgNPerMl({ kind: 'gramsNH4ClPerL', gramsPerL: grams }, 20)).toBeCloseTo(
            dose.mgN,
            6,
          );
        },
      ),
      { seed: 31 },
    );
  });
  test('refuses no volume and no strength', () => {
    const request = {
      targetMgPerL: 2,
      basis: 'ion' as const,
      netL: 100,
      strength: { kind: 'gramsNH4ClPerL' as const, gramsPerL: 10 },
      dropsPerMl: 20,
    };
    expect(() => ammoniaDose({ ...request, netL: 0 })).toThrow('"netL" must be above 0 L, got 0');
    expect(() => ammoniaDose({ ...request, strength: { kind: 'gramsNH4ClPerL', gramsPerL: 0 } })).toThrow(
      RangeError,
    );
  });
});
