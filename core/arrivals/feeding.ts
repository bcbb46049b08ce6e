/** Food after an addition: little at first and more as the bacteria follow, so that what is not eaten yet does not rot in a tank that is not
 *  used to it. The full ration from a week on. */
import type { WaterEvidence } from '../evidence';
import { speciesOf } from '../species';
import { fishMassG, lengthAt } from '../stocking';
import { DAY_MS } from '../time';
import { ARRIVALS } from './limits';

/** Of the full ration, what one is given so many days after it joined. */
export function rationShare(days: number): number {
  let share = 0;
  ARRIVALS.rampDays.forEach((from, i) => {
    if (days >= from) share = ARRIVALS.rampShare[i] as number;
  });
  return share;
}

export interface Feeding {
  /** Dry food a day for all that eat of it, g: as much as they are given now, and when all are settled. */
  nowG: number;
  fullG: number;
  /** Days until all get the full ration; 0 where they do. */
  fullInDays: number;
}

/** Null where no fish lives in the water.
 *  @param atMs then, of those who live there now */
export function feedingOf(e: WaterEvidence, atMs: number = e.nowMs): Feeding | null {
  let nowG = 0;
  let fullG = 0;
  let fullInDays = 0;
  for (const { animal, atMs: sinceMs } of e.joined) {
    const { load } = speciesOf(e, animal.speciesId);
    if (load.kind !== 'fish' || !e.residents.some((r) => r.id === animal.id)) continue;
    const ration =
      (animal.count * fishMassG(load.massA, lengthAt(e, animal, atMs)) * load.rationPercent) / 100;
    const days = Math.floor((atMs - sinceMs) / DAY_MS);
    fullG += ration;
    nowG += ration * rationShare(days);
    fullInDays = Math.max(fullInDays, (ARRIVALS.rampDays[ARRIVALS.rampDays.length - 1] as number) - days);
  }
  return fullG > 0 ? { nowG, fullG, fullInDays: Math.max(0, fullInDays) } : null;
}
