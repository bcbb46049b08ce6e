/** Carbonic acid, boric acid and ammonium in sea water, total pH scale, mol/kg. Sources: Lueker, Dickson & Keeling 2000 (K1, K2; salinity
 *  19..43, 2..35 C), Dickson 1990 (boric acid), Millero 1995 (water), Uppstrom 1974 (total boron), Weiss 1974 (solubility of CO2), Yao &
 *  Millero 1995 (ammonium). */
import { assertRange } from '../check';
import { ammoniumPKYaoMillero } from './ammonia';

export interface CarbonateConstants {
  pK1: number;
  pK2: number;
  lnKB: number;
  lnKW: number;
}

/** Total boron, mol/kg at salinity 35. */
const BORON_AT_35 = 0.0004157;

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

/** Water of one salinity and temperature, ready to be asked many times. */
export interface AcidBase {
  /** Total alkalinity, mol/kg, at a pH with this much inorganic carbon and ammonia (both mol/kg). */
  alkalinityAt: (ph: number, dic: number, ammonia: number) => number;
  /** Share of the inorganic carbon that is CO2 and carbonic acid. */
  co2Share: (ph: number) => number;
  /** Free share of the ammonia, after Yao & Millero. */
  freeShare: (ph: number) => number;
  /** mol/kg of CO2 in balance with an atmosphere, per atm. */
  k0: number;
}

/** @throws RangeError off the scales of the constants */
export function acidBase(salinity: number, tempC: number): AcidBase {
  const k = carbonateConstants(salinity, tempC);
  const [k1, k2] = [10 ** -k.pK1, 10 ** -k.pK2];
  const [kb, kw] = [Math.exp(k.lnKB), Math.exp(k.lnKW)];
  const kNh4 = 10 ** -ammoniumPKYaoMillero(tempC, salinity);
  const boron = (BORON_AT_35 * salinity) / 35;
  const hundredK = (tempC + 273.15) / 100;
  return {
    alkalinityAt(ph, dic, ammonia) {
      const h = 10 ** -ph;
      const carbonate = (dic * (k1 * h + 2 * k1 * k2)) / (h * h + k1 * h + k1 * k2);
      return carbonate + boron * (kb / (kb + h)) + ammonia * (kNh4 / (kNh4 + h)) + kw / h - h;
    },
    co2Share(ph) {
      const h = 10 ** -ph;
      return (h * h) / (h * h + k1 * h + k1 * k2);
    },
    freeShare(ph) {
      return kNh4 / (kNh4 + 10 ** -ph);
    },
    k0: Math.exp(
      93.4517 / hundredK -
        60.2409 +
        23.3585 * Math.log(hundredK) +
        salinity * (0.023517 - 0.023656 * hundredK + 0.0047036 * hundredK * hundredK),
    ),
  };
}

/** Total alkalinity, mol/kg, of water with dissolved inorganic carbon `dic` (mol/kg) at a pH on the total scale. */
export const alkalinityAt = (ph: number, dic: number, salinity: number, tempC: number): number =>
  acidBase(salinity, tempC).alkalinityAt(ph, dic, 0);

/** Dissolved inorganic carbon, mol/kg, of water with total alkalinity (mol/kg) at a pH on the total scale: the inverse of alkalinityAt.
 *  @param ammonia total, mol/kg */
export function dicAt(ph: number, alkalinity: number, salinity: number, tempC: number, ammonia = 0): number {
  const water = acidBase(salinity, tempC);
  const without = water.alkalinityAt(ph, 0, ammonia);
  const perMol = water.alkalinityAt(ph, 1, ammonia) - without;
  return Math.max(0, (alkalinity - without) / perMol);
}

/** pH on the total scale from alkalinity and dissolved inorganic carbon (mol/kg). */
export const phOf = (alkalinity: number, dic: number, salinity: number, tempC: number): number =>
  phIn(acidBase(salinity, tempC), alkalinity, dic, 0);

/** The same in water that is asked many times: bisection, alkalinity rising with pH. @param near a pH it is expected close to: quicker */
export function phIn(
  water: AcidBase,
  alkalinity: number,
  dic: number,
  ammonia: number,
  near: number | null = null,
): number {
  const tooLow = (ph: number) => water.alkalinityAt(ph, dic, ammonia) < alkalinity;
  let [low, high] = [3, 11];
  if (near !== null) {
    if (tooLow(near - CLOSE)) low = near - CLOSE;
    if (!tooLow(near + CLOSE)) high = near + CLOSE;
  }
  while (high - low > 1e-9) {
    const mid = (low + high) / 2;
    if (tooLow(mid)) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}
const CLOSE = 0.02;
