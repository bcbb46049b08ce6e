/** The document as it stood at a moment: everything logged for later is left out, so that a past judgement can be repeated. */
import type { AnyEntity, Document } from './schema';

/** Entries of `atMs` itself are kept. Calendar days count as logged at their start, UTC. */
export function documentAsOf(doc: Document, atMs: number): Document {
  const iso = new Date(atMs).toISOString();
  const day = iso.slice(0, 10);
  const keep = <T extends AnyEntity>(list: Record<string, T>, f: (e: T) => boolean): Record<string, T> => Object.fromEntries(Object.entries(list).filter(([, e]) => f(e)));
  const animals = Object.fromEntries(Object.entries(doc.animals).flatMap(([id, a]) => {
    const moves = a.moves.filter((m) => m.at <= iso);
    return moves.length > 0 ? [[id, { ...a, moves }]] : [];
  }));
  return {
    ...doc,
    samples: keep(doc.samples, (e) => e.at <= iso),
    events: keep(doc.events, (e) => e.at <= iso),
    calibrations: keep(doc.calibrations, (e) => e.at <= iso),
    looks: keep(doc.looks, (e) => e.day <= day),
    setup: keep(doc.setup, (e) => e.doneDay <= day),
    animals,
    drips: keep(doc.drips, (e) => e.startedAt === null || e.startedAt <= iso),
  };
}
