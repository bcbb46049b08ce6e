/** What a water change does to free ammonia: salt, heat, alkalinity, inorganic carbon and ammonia mix by volume; pH follows from what was
 *  mixed, and with it the free share. It can rise: fresh water of high pH turns harmless ammonium into ammonia.
 *  Sources: conservation of mass; carbonate constants of carbonate.ts; free share after Bell et al. 2007 (ammonia.ts). The pH is used as the
 *  meter shows it on both sides, so that the scales' difference cancels. */
import { assertRange } from '../check';
import { freeAmmoniaFraction } from './ammonia';
import { dicAt, phOf } from './carbonate';
import { densityKgPerM3 } from './density';

/** 1 meq/L is 2.804 dKH. */
const DKH_PER_MEQ = 2.804;

export interface MixedWater {
  /** Total ammonia, mg N/L. */
  totalMgN: number;
  ph: number;
  alkalinityDkh: number;
  salinity: number;
  tempC: number;
}

export interface AfterMixing extends MixedWater {
  freeMgN: number;
}

/** Total alkalinity in mol/kg of so many dKH. */
export const alkalinityMolPerKg = (dkh: number, salinity: number, tempC: number): number =>
  dkh / DKH_PER_MEQ / densityKgPerM3(salinity, tempC);

/** The water after a fraction of it was changed. @throws RangeError outside the constants' range (salinity 19..43, 10..35 C)
 *  Check (science notes 10): 3 mg N/L at pH 7.2 and alkalinity 1800 umol/kg, half changed with 2600 and pH 8.2: pH 7.87, free 0.021 -> 0.048. */
export function afterMixing(water: MixedWater, incoming: MixedWater, fraction: number): AfterMixing {
  assertRange('fraction', fraction, 0, 1, 'of the volume');
  const mix = (a: number, b: number) => a * (1 - fraction) + b * fraction;
  const salinity = mix(water.salinity, incoming.salinity);
  const tempC = mix(water.tempC, incoming.tempC);
  const carbonOf = (w: MixedWater) => {
    const alkalinity = alkalinityMolPerKg(w.alkalinityDkh, w.salinity, w.tempC);
    return { alkalinity, dic: dicAt(w.ph, alkalinity, w.salinity, w.tempC) };
  };
  const [a, b] = [carbonOf(water), carbonOf(incoming)];
  const ph = phOf(mix(a.alkalinity, b.alkalinity), mix(a.dic, b.dic), salinity, tempC);
  const totalMgN = mix(water.totalMgN, incoming.totalMgN);
  return {
    totalMgN,
    ph,
    alkalinityDkh: mix(water.alkalinityDkh, incoming.alkalinityDkh),
    salinity,
    tempC,
    freeMgN: totalMgN * freeAmmoniaFraction(ph, tempC, salinity),
  };
}
