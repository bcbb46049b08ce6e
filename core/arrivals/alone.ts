/** Absences against a bare quarantine: its plan says how many days it may go without a change, and nobody is there to make one. */
import type { Document } from '../document';
import { DAY_MS } from '../time';

export interface Absence {
  fromMs: number;
  untilMs: number;
}

/** Absences that are not over, from whatever water they were entered at: it is the person who is away. Soonest first; up to a moment ahead. */
export const absencesAhead = (doc: Document, nowMs: number, untilMs: number): Absence[] =>
  Object.values(doc.events)
    .flatMap((e) => (e.kind === 'away' ? [{ fromMs: Date.parse(e.at), untilMs: Date.parse(e.until) }] : []))
    .filter((a) => a.untilMs > nowMs && a.fromMs < untilMs)
    .sort((a, b) => a.fromMs - b.fromMs);

/** The first absence that is longer than a bare quarantine may go without a change; null where there is none. */
export const leftAlone = (
  absences: readonly Absence[],
  everyDays: number,
): (Absence & { days: number }) | null =>
  absences.map((a) => ({ ...a, days: (a.untilMs - a.fromMs) / DAY_MS })).find((a) => a.days > everyDays) ??
  null;
