/** Entries under a later time than the clock shows: logged while it went ahead, or looked at while it goes behind. */
import type { Document } from '../document';
import { samplesAfter } from './layout';
import { timeOf } from './points';

interface Ahead {
  count: number;
  latestMs: number;
}

/** Those of a water, null where there are none. An absence may lie ahead. Asked of the clock of the moment only: of a past one everything since is
 *  later. */
export function datedAhead(doc: Document, waterId: string, nowMs: number): Ahead | null {
  const events = Object.values(doc.events).flatMap((e) =>
    e.waterId === waterId && e.kind !== 'away' && timeOf(e) > nowMs ? [timeOf(e)] : [],
  );
  const times = [...samplesAfter(doc, waterId, nowMs), ...events];
  return times.length === 0 ? null : { count: times.length, latestMs: Math.max(...times) };
}
