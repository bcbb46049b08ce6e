/** The document as it stood at a moment: everything logged for later is left out, so that a past judgement can be repeated. */
import { dayHasBegun } from '../time';
import { type AnyEntity, type Document } from './types';

/** Entries of `atMs` itself are kept. A calendar day counts as logged once it has begun anywhere, as the person's own clock is not known here. */
export function documentAsOf(doc: Document, atMs: number): Document {
  const iso = new Date(atMs).toISOString();
  const keep = <T extends AnyEntity>(list: Record<string, T>, f: (e: T) => boolean): Record<string, T> =>
    Object.fromEntries(Object.entries(list).filter(([, e]) => f(e)));
  const animals = Object.fromEntries(
    Object.entries(doc.animals).flatMap(([id, a]) => {
      const moves = a.moves.filter((m) => m.at <= iso);
      return moves.length > 0 ? [[id, { ...a, moves }]] : [];
    }),
  );
  return {
    ...doc,
    samples: keep(doc.samples, (e) => e.at <= iso),
    events: keep(doc.events, (e) => e.at <= iso),
    calibrations: keep(doc.calibrations, (e) => e.at <= iso),
    looks: keep(doc.looks, (e) => dayHasBegun(e.day, atMs)),
    setup: keep(doc.setup, (e) => dayHasBegun(e.doneDay, atMs)),
    animals,
    drips: keep(doc.drips, (e) => e.startedAt === null || e.startedAt <= iso),
  };
}
