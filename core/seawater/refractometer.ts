/** What a hand refractometer shows when it is set on the wrong liquid. Refractive index rises almost straight with salinity. A scale
 *  drawn for plain salt (sodium chloride) shows 36.5 for sea water of 35: the index of 35 ppt sea water is that of a 36.5 ppt salt
 *  solution (indices at 20 C: CRC Handbook for sodium chloride; Quan & Fry 1995 for sea water). A sea water scale has slope 1. */
import { assertRange } from '../check';

export const NACL_SLOPE = 36.5 / 35;

export interface Refractometer {
  scale: 'seaWater' | 'plainSalt';
  /** What it was set on, and how far the liquid was from what its label said is not known here. */
  setOn: 'plainWater' | 'fluid35';
}

/** Salinity shown for a true one. Check: plain salt scale set on plain water shows 36.5 at 35, set on 35 fluid 35; at 30 it then shows 29.79. */
export function refractometerShows(trueSalinity: number, r: Refractometer): number {
  assertRange('trueSalinity', trueSalinity, 0, 45, 'practical salinity');
  const slope = r.scale === 'plainSalt' ? NACL_SLOPE : 1;
  return r.setOn === 'plainWater' ? slope * trueSalinity : 35 + slope * (trueSalinity - 35);
}

/** True salinity of a shown one; the inverse. */
export function refractometerTrue(shown: number, r: Refractometer): number {
  const slope = r.scale === 'plainSalt' ? NACL_SLOPE : 1;
  return r.setOn === 'plainWater' ? shown / slope : 35 + (shown - 35) / slope;
}
