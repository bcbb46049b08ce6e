/** What the log of the new tank says of it, where it is entered. */
import { livingIn, type Document } from '../document';
import { dosesUntested, lastOf, printed, trusted, type DisplayEvidence } from '../evidence';
import { loadAt, provedCapacity } from '../stocking';
import type { Move } from './upgrade';

export interface Target {
  /** What it is already; null for an empty glass. */
  standing: NonNullable<Move['standing']> | null;
  /** Ammonia and nitrite that its newest trusted readings found, as printed, or that was dosed since: nobody is moved into them. */
  found: string[];
}

/** @param today the person's calendar day */
export function targetOf(doc: Document, e: DisplayEvidence, today: string): Target {
  const { startDay, id } = e.water;
  const isFilled = (startDay !== null && startDay <= today) || livingIn(doc, id).length > 0;
  const found = (['ammonia', 'nitrite'] as const).flatMap((p) => {
    const last = lastOf(trusted(e.series[p]));
    return last && !last.zero ? [`${p} ${printed(last, p)}`] : [];
  });
  if (dosesUntested(e).length > 0) found.push('ammonia dosed and not tested since');
  const standing = {
    loadMgN: loadAt(e, e.nowMs),
    carriesMgN: provedCapacity(e)?.nearZeroNowMgN ?? null,
    nitrate: lastOf(trusted(e.series.nitrate))?.interval.mid ?? null,
  };
  return { standing: isFilled ? standing : null, found };
}
