/** What corals and clams that build a skeleton take from the water. A colony as a disc of its width; stony corals lay down about 1 mg of
 *  carbonate a cm² a day on reefs (10 kg m⁻² a year and less; fast growers of the file at that, slow ones at a third); 100 mg of carbonate
 *  take 2 meq of alkalinity and 40 mg of calcium. */
import type { Species } from '../species';
import { STOCKING } from './limits';

export interface SkeletonUse {
  /** A day, in the water given. */
  alkalinityDkh: number;
  calciumMgL: number;
}

const MEQ_PER_MG = 2 / 100;
const CALCIUM_PER_MG = 40.08 / 100.09;
const DKH_PER_MEQ_L = 2.8;

/** @param widthCm of one colony; @returns what `count` of them use a day. Check by hand: 20 cm, fast: 314 cm², 314 mg, 6.3 meq; in 100 L
 *  0.063 meq/L = 0.18 dKH and 1.26 mg/L calcium. */
export function skeletonUse(species: Species, widthCm: number, count: number, netL: number): SkeletonUse {
  const pace = STOCKING[PACE[species.coral?.calcifies ?? 'no']];
  const mg = count * (Math.PI / 4) * widthCm ** 2 * pace;
  return {
    alkalinityDkh: ((mg * MEQ_PER_MG) / netL) * DKH_PER_MEQ_L,
    calciumMgL: (mg * CALCIUM_PER_MG) / netL,
  };
}

const PACE = { no: 'skeletonNone', slow: 'skeletonSlow', fast: 'skeletonFast' } as const;
