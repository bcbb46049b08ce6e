/** Practical salinity from conductivity: the practical salinity scale 1978 with temperature and pressure.
 *  Source: Fofonoff & Millard 1983 (UNESCO Technical Papers in Marine Science 44). Validity: salinity 2..42, -2..35 C. */
import { assertRange } from '../check';
import { bisect } from './density';

/** Conductivity of salinity 35 at 15 C and one atmosphere, mS/cm. */
const C_35_15 = 42.914;

const A = [0.008, -0.1692, 25.3851, 14.0941, -7.0261, 2.7081] as const;
const B = [0.0005, -0.0056, -0.0066, -0.0375, 0.0636, -0.0144] as const;

const rt35 = (t: number): number =>
  0.6766097 + t * (2.00564e-2 + t * (1.104259e-4 + t * (-6.9698e-7 + t * 1.0031e-9)));

function polynomial(c: readonly number[], x: number): number {
  let sum = 0;
  for (let i = c.length - 1; i >= 0; i--) sum = sum * x + (c[i] ?? 0);
  return sum;
}

/** Practical salinity from the conductivity ratio R = C(S,T,p)/C(35,15,0).
 *  @param pressureDbar 0 at the surface. Check: (1, 15, 0) 35.0000; (1.2, 20, 2000) 37.245628; (0.65, 5, 1500) 27.995347. */
export function salinityFromRatio(ratio: number, tempC: number, pressureDbar: number): number {
  const p = pressureDbar;
  const rp =
    1 +
    (p * (2.07e-5 + p * (-6.37e-10 + p * 3.989e-15))) /
      (1 + 3.426e-2 * tempC + 4.464e-4 * tempC * tempC + (4.215e-1 - 3.107e-3 * tempC) * ratio);
  const root = Math.sqrt(ratio / (rp * rt35(tempC)));
  const dt = tempC - 15;
  return polynomial(A, root) + (dt / (1 + 0.0162 * dt)) * polynomial(B, root);
}

/** Practical salinity from conductivity in mS/cm at the sample's temperature.
 *  @throws RangeError outside salinity 2..42. Check: 53.065 at 25 C -> 35. */
export function salinityFromConductivity(mSPerCm: number, tempC: number): number {
  assertRange('tempC', tempC, -2, 35, 'C');
  const salinity = salinityFromRatio(mSPerCm / C_35_15, tempC, 0);
  assertRange('conductivity as salinity', salinity, 2, 42, 'practical salinity');
  return salinity;
}

/** Conductivity in mS/cm of the given salinity, by bisection. Check: (33, 25) -> 50.357. */
export function conductivityMSPerCm(salinity: number, tempC: number): number {
  assertRange('salinity', salinity, 2, 42, 'practical salinity');
  assertRange('tempC', tempC, -2, 35, 'C');
  return bisect((c) => salinityFromRatio(c / C_35_15, tempC, 0) - salinity, 0.5, 100);
}
