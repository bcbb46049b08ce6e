/** Free (un-ionised) ammonia in sea water.
 *  Source: pKa of Bell et al. 2007, linear in temperature and salinity. Cross-check: Yao & Millero 1995, within
 *  0.15 pK units over salinity 25..40 and 15..32 C (part of the gap is the pH scale; hobby meters read NBS). */
import { assertRange } from '../check';

/** pKa of ammonium. Check: (25, 35) -> 9.3609. */
export function ammoniumPKa(tempC: number, salinity: number): number {
  assertRange('tempC', tempC, 10, 35, 'C');
  assertRange('salinity', salinity, 0, 45, 'practical salinity');
  return 10.0423 - 0.0315536 * tempC + 0.003071 * salinity;
}

/** Free share of total ammonia, 0..1. @param ph meter reading 4..11. Check: 35, 25 C, pH 8.1 -> 0.0520. */
export function freeAmmoniaFraction(ph: number, tempC: number, salinity: number): number {
  assertRange('ph', ph, 4, 11, 'pH');
  return 1 / (1 + 10 ** (ammoniumPKa(tempC, salinity) - ph));
}

/** pK of ammonium by Yao & Millero 1995, for cross-checks only. Check: (25, 35) -> 9.2562. */
export function ammoniumPKYaoMillero(tempC: number, salinity: number): number {
  const tk = tempC + 273.15;
  const lnK =
    -0.25444 -
    6285.33 / tk +
    0.0001635 * tk +
    (0.46532 - 123.7184 / tk) * Math.sqrt(salinity) +
    (-0.01992 + 3.17556 / tk) * salinity;
  return -lnK / Math.LN10;
}
