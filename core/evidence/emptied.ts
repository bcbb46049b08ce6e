/** A display whose animals, rock and media all went over into another. */
import { waterOf, type Animal, type Display, type Document, type Water } from '../document';
import { DAY_MS } from '../time';
import { EVIDENCE } from './limits';

export interface Emptied {
  atMs: number;
  /** The tank they went into. */
  intoId: string;
  into: string;
}

/** Where the last who left a display went into another that was told, about then, to have taken in a whole old tank: what was left behind has shown nothing.
 *  Null where nobody left it so. For a water that nobody lives in.
 *  @param joined whoever is or was there, with their moves up to nowMs */
export function emptiedInto(
  doc: Document,
  water: Water,
  joined: readonly { animal: Animal }[],
  nowMs: number,
): Emptied | null {
  if (water.kind !== 'display') return null;
  let last = { atMs: -Infinity, toId: '' };
  for (const { animal } of joined)
    for (const [k, move] of animal.moves.entries()) {
      const atMs = Date.parse(move.at);
      const leaves = waterOf(animal.moves[k - 1]?.to) === water.id && waterOf(move.to) !== water.id;
      if (leaves && atMs > last.atMs) last = { atMs, toId: waterOf(move.to) ?? '' };
    }
  const to = doc.waters[last.toId];
  if (to?.kind !== 'display' || !tookInATank(doc, to, last.atMs, nowMs)) return null;
  return { atMs: last.atMs, intoId: to.id, into: to.name };
}

/** Is it told that a whole old tank went into a display, about some moment? @param nowMs what is logged for later does not count */
export const tookInATank = (doc: Document, to: Display, atMs: number, nowMs: number): boolean =>
  Object.values(doc.events).some(
    (x) =>
      x.waterId === to.id &&
      x.kind === 'bacteria' &&
      x.seed === 'oldTank' &&
      Date.parse(x.at) <= nowMs &&
      Math.abs(Date.parse(x.at) - atMs) <= EVIDENCE.movedWithinDays * DAY_MS,
  );
