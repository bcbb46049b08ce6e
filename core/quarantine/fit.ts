/** Is a quarantine large enough for who comes, and does its water move enough? */
import type { Quarantine, QuarantineLine } from '../document';
import type { Species } from '../species';
import { QUARANTINE } from './limits';

export interface Fit {
  /** Litres that the largest animal to come wants; null where its length is not known. */
  leastL: number | null;
  /** Null where the pump is not known. */
  turnover: { perHour: number; least: number; most: number; fits: boolean } | null;
}

/** True when a line of quarantine is for the species. */
export const lineFits = (line: QuarantineLine, species: Pick<Species, 'is' | 'group'>): boolean =>
  species.is.includes('anemone') ? line === 'anemone' : species.group === line;

/** Check by hand: 12 cm at 6 L a centimetre want 72 L; 400 L/h through 60 L are 6.7 times an hour. */
export function fitOf(water: Pick<Quarantine, 'largestCm' | 'pumpLPerHour'>, netL: number): Fit {
  const [least, most] = QUARANTINE.turnover;
  const perHour = (water.pumpLPerHour ?? 0) / netL;
  return {
    leastL:
      water.largestCm === undefined
        ? null
        : Math.max(QUARANTINE.leastL, water.largestCm * QUARANTINE.litresPerCm),
    turnover:
      water.pumpLPerHour === undefined
        ? null
        : { perHour, least, most, fits: perHour >= least && perHour <= most },
  };
}
