/** Density of sea water at one atmosphere and what hydrometers and refractometers make of it.
 *  Source: EOS-80, Millero & Poisson 1981 (UNESCO Technical Papers in Marine Science 44, 1983).
 *  Validity: salinity 0..42, -2..40 C. */
import { assertRange } from '../check';

/** Temperature pair a specific-gravity instrument is marked for, sample over pure water. */
export type SgReference = '20/20' | '25/25';

const pureWater = (t: number): number =>
  999.842594 +
  t * (6.793952e-2 + t * (-9.09529e-3 + t * (1.001685e-4 + t * (-1.120083e-6 + t * 6.536332e-9))));

/** Density in kg/m3. @param salinity practical, 0..42  @param tempC -2..40
 *  Check: (35, 25) 1023.34306, (0, 25) 997.04796. */
export function densityKgPerM3(salinity: number, tempC: number): number {
  assertRange('salinity', salinity, 0, 42, 'practical salinity');
  assertRange('tempC', tempC, -2, 40, 'C');
  const t = tempC;
  const a = 8.24493e-1 + t * (-4.0899e-3 + t * (7.6438e-5 + t * (-8.2467e-7 + t * 5.3875e-9)));
  const b = -5.72466e-3 + t * (1.0227e-4 - t * 1.6546e-6);
  return pureWater(t) + a * salinity + b * salinity ** 1.5 + 4.8314e-4 * salinity * salinity;
}

const referenceTempC = (reference: SgReference): number => (reference === '20/20' ? 20 : 25);

/** Specific gravity rho(S, Tref)/rho(0, Tref). Check: 35 at 25/25 -> 1.02637. */
export function specificGravity(salinity: number, reference: SgReference): number {
  const t = referenceTempC(reference);
  return densityKgPerM3(salinity, t) / pureWater(t);
}

/** Practical salinity that shows the given specific gravity, by bisection to 1e-9.
 *  @throws RangeError when the gravity is outside what salinity 0..42 can show. Check: 1.026 at 25/25 -> 34.51. */
export function salinityFromSpecificGravity(sg: number, reference: SgReference): number {
  assertRange('sg', sg, 1, specificGravity(42, reference), `at ${reference} (salinity 0 to 42)`);
  return bisect((s) => specificGravity(s, reference) - sg, 0, 42);
}

/** Practical salinity of water of a given density at its temperature. Check: 1023.343 kg/m3 at 25 C -> 35.
 *  @throws RangeError outside what salinity 0..42 weighs. */
export function salinityFromDensity(kgPerM3: number, tempC: number): number {
  assertRange(
    'density',
    kgPerM3,
    densityKgPerM3(0, tempC),
    densityKgPerM3(42, tempC),
    `kg/m3 at ${tempC.toFixed(1)} C (salinity 0 to 42)`,
  );
  return bisect((s) => densityKgPerM3(s, tempC) - kgPerM3, 0, 42);
}

/** What a floating hydrometer marked for a temperature shows in water of another: rho(S, T)/rho(0, Tref). The glass's own stretching,
 *  about 0.0001 for 5 K, is left out. Check: 35 at 20 C on a 25/25 scale: 1024.763/997.048 = 1.0278. */
export function hydrometerShows(salinity: number, tempC: number, reference: SgReference): number {
  return densityKgPerM3(salinity, tempC) / pureWater(referenceTempC(reference));
}

/** Root of an increasing function on [low, high], to 1e-9 in x. The caller has checked the bracket. */
export function bisect(f: (x: number) => number, low: number, high: number): number {
  let a = low;
  let b = high;
  while (b - a > 1e-9) {
    const mid = (a + b) / 2;
    if (f(mid) < 0) a = mid;
    else b = mid;
  }
  return (a + b) / 2;
}
