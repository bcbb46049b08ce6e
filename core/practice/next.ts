/** Where the clock of a practice tank stops next: the first evening on which there is something to see or to do. */
import { agendaOf, type AgendaItem } from '../agenda';
import type { Document } from '../document';
import { gatherEvidence } from '../evidence';
import { assessmentOf } from '../readiness';
import { DAY_MS, type LocalTime } from '../time';
import { isAway, type Scenario } from './scenario';
import type { Lost } from './truth';

export interface NextEvent {
  atMs: number;
  /** Somebody died; something happened that is seen; it is the evening before leaving; something is due; or none of these on any evening. */
  why: 'lost' | 'seen' | 'leaving' | 'due' | 'nothing';
  /** What is due then: tests, and all that cannot wait. */
  due: AgendaItem[];
}

/** @param evenings the moments to look at, oldest first, later than now; at least one
 *  @param lost whoever dies by the last of them if nothing is done, in the tank or beside it
 *  @returns the first of them with an event; while nobody is there nothing is seen or due */
export function nextEvent(
  { scenario, doc, startMs, nowMs }: { scenario: Scenario; doc: Document; startMs: number; nowMs: number },
  evenings: readonly number[],
  lost: readonly Lost[],
  local: LocalTime,
): NextEvent {
  const dayOf = (ms: number): number => (ms - startMs) / DAY_MS;
  for (const atMs of evenings) {
    if (isAway(scenario, dayOf(atMs))) continue;
    const within = (day: number): boolean => day > dayOf(nowMs) && day <= dayOf(atMs);
    if (lost.some((l) => within(l.day))) return { atMs, why: 'lost', due: [] };
    // Who comes back sees what happened meanwhile.
    if (scenario.mishaps.some((m) => within(m.day))) return { atMs, why: 'seen', due: [] };
    if (isAway(scenario, dayOf(atMs) + 1)) return { atMs, why: 'leaving', due: [] };
    const due = dueBy(doc, atMs, local);
    if (due.length > 0) return { atMs, why: 'due', due };
  }
  return { atMs: evenings[evenings.length - 1] ?? nowMs, why: 'nothing', due: [] };
}

/** What the agenda of that moment asks for that day: tests, and all that cannot wait. */
function dueBy(doc: Document, atMs: number, local: LocalTime): AgendaItem[] {
  const evidenceOf = (id: string) => gatherEvidence(doc, id, atMs);
  const facts = {
    nowMs: atMs,
    local,
    evidenceOf,
    assessmentOf: (id: string) => assessmentOf(doc, evidenceOf(id), atMs, local),
  };
  return agendaOf(doc, facts, local.dayOf(atMs)).filter(
    (item) => !item.canWait || item.says.code === 'tests',
  );
}
