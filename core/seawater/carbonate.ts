/** Carbonic acid in sea water, total pH scale, mol/kg. Sources: Lueker, Dickson & Keeling 2000 (K1, K2; salinity 19..43, 2..35 C),
 *  Dickson 1990 (boric acid), Millero 1995 (water), Uppstrom 1974 (total boron). */
import { assertRange } from '../check';

export interface CarbonateConstants {
  pK1: number;
  pK2: number;
  lnKB: number;
  lnKW: number;
}

/** Check at salinity 35, 25 C: pK1 5.8472, pK2 8.9660, ln KB -19.7964, ln KW -30.4338. */
export function carbonateConstants(salinity: number, tempC: number): CarbonateConstants {
  assertRange('salinity', salinity, 19, 43, 'practical salinity');
  assertRange('tempC', tempC, 2, 35, 'C');
  const tk = tempC + 273.15;
  const lnT = Math.log(tk);
  const root = Math.sqrt(salinity);
  return {
    pK1: 3633.86 / tk - 61.2172 + 9.6777 * lnT - 0.011555 * salinity + 0.0001152 * salinity ** 2,
    pK2: 471.78 / tk + 25.929 - 3.16967 * lnT - 0.01781 * salinity + 0.0001122 * salinity ** 2,
    lnKB:
      (-8966.9 - 2890.53 * root - 77.942 * salinity + 1.728 * salinity ** 1.5 - 0.0996 * salinity ** 2) / tk +
      148.0248 +
      137.1942 * root +
      1.62142 * salinity -
      (24.4344 + 25.085 * root + 0.2474 * salinity) * lnT +
      0.053105 * root * tk,
    lnKW:
      148.9652 -
      13847.26 / tk -
      23.6521 * lnT +
      (118.67 / tk - 5.977 + 1.0495 * lnT) * root -
      0.01615 * salinity,
  };
}

/** Total alkalinity, mol/kg, of water with dissolved inorganic carbon `dic` (mol/kg) at a pH on the total scale. */
export function alkalinityAt(ph: number, dic: number, salinity: number, tempC: number): number {
  const k = carbonateConstants(salinity, tempC);
  const h = 10 ** -ph;
  const k1 = 10 ** -k.pK1;
  const k2 = 10 ** -k.pK2;
  const kb = Math.exp(k.lnKB);
  const borate = ((0.000416 * salinity) / 35) * (kb / (kb + h));
  const carbonate = (dic * (k1 * h + 2 * k1 * k2)) / (h * h + k1 * h + k1 * k2);
  return carbonate + borate + Math.exp(k.lnKW) / h - h;
}

/** Dissolved inorganic carbon, mol/kg, of water with total alkalinity (mol/kg) at a pH on the total scale: the inverse of alkalinityAt. */
export function dicAt(ph: number, alkalinity: number, salinity: number, tempC: number): number {
  const without = alkalinityAt(ph, 0, salinity, tempC);
  const perMol = alkalinityAt(ph, 1, salinity, tempC) - without;
  return Math.max(0, (alkalinity - without) / perMol);
}

/** pH on the total scale from alkalinity and dissolved inorganic carbon (mol/kg): bisection, alkalinity rising with pH. */
export function phOf(alkalinity: number, dic: number, salinity: number, tempC: number): number {
  let low = 4;
  let high = 11;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (alkalinityAt(mid, dic, salinity, tempC) < alkalinity) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}
