/** What a document says of its waters as a whole: which there are, which serve which, which are in use. */
import { isIn } from './animals';
import type { Animal, Document, Quarantine, RunWater, Water } from './types';
import { WATER_KINDS } from './vocabulary';
import { compared } from '../time';

/** The time in use it is in, or was in last. @throws RangeError for a water without runs, which the schema does not allow. */
export function lastRun(water: RunWater): RunWater['runs'][number] {
  const last = water.runs[water.runs.length - 1];
  if (!last) throw new RangeError(`"runs" of water ${water.id} must not be empty`);
  return last;
}

/** True while it is in use; a display and a mixing container always are. */
export const isOpen = (water: Water): boolean => !('runs' in water) || lastRun(water).closedDay === null;

/** Displays first, then what serves them; what is closed last; each by its start, then by name. */
export function inOrder(waters: readonly Water[]): Water[] {
  const rank = (w: Water): number => (isOpen(w) ? 0 : WATER_KINDS.length) + WATER_KINDS.indexOf(w.kind);
  return [...waters].sort(
    (a, b) =>
      rank(a) - rank(b) || compared(a.startDay ?? LAST, b.startDay ?? LAST) || compared(a.name, b.name),
  );
}
/** What has no start yet sorts behind every day. */
const LAST = '9999-12-31';

/** Quarantines that serve a display, those in use first. */
export const quarantinesOf = (doc: Document, displayId: string): Quarantine[] =>
  inOrder(Object.values(doc.waters)).filter(
    (w): w is Quarantine => w.kind === 'quarantine' && w.serves.includes(displayId),
  );

/** Animals that are in a water now. */
export const livingIn = (doc: Document, waterId: string): Animal[] =>
  Object.values(doc.animals).filter((a) => isIn(a, waterId));

/** The water out of use from a day on. @throws RangeError when it is not in use */
export function closedOn<W extends RunWater>(water: W, day: string): W {
  const last = lastRun(water);
  if (last.closedDay !== null) throw new RangeError(`water ${water.id} is closed already`);
  return {
    ...water,
    runs: [...water.runs.slice(0, -1), { ...last, closedDay: day > last.openedDay ? day : last.openedDay }],
  };
}

/** The water in use again from a day on; its past stays. @throws RangeError when it is in use */
export function openedOn<W extends RunWater>(water: W, day: string): W {
  const { closedDay } = lastRun(water);
  if (closedDay === null) throw new RangeError(`water ${water.id} is open already`);
  return {
    ...water,
    runs: [...water.runs, { openedDay: day > closedDay ? day : closedDay, closedDay: null }],
  };
}
