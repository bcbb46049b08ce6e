/** What each decision of a run cost or won: the same run without it, from the same start and with the same luck. */
import { waterOf, type Document, type WaterEvent } from '../document';
import { DAY_MS } from '../time';
import type { Scenario } from './scenario';
import { truthAt, type Truth } from './truth';

type Decided = Extract<
  WaterEvent['kind'],
  'ammoniaDose' | 'bacteria' | 'waterChange' | 'food' | 'dose' | 'switchedOff'
>;
const DECIDED: readonly string[] = [
  'ammoniaDose',
  'bacteria',
  'waterChange',
  'food',
  'dose',
  'switchedOff',
] satisfies Decided[];

/** Something the player did: an entry of the log, or an animal let in. What stood in the log at the start is none. */
export interface Decision {
  id: string;
  atMs: number;
  what: { kind: Decided; event: WaterEvent } | { kind: 'animal'; animalId: string };
}

/** Oldest first. */
export function decisionsOf(
  doc: Pick<Document, 'events' | 'animals'>,
  waterId: string,
  nowMs: number,
): Decision[] {
  const events = Object.values(doc.events).flatMap((event): Decision[] =>
    event.waterId === waterId && DECIDED.includes(event.kind)
      ? [{ id: event.id, atMs: Date.parse(event.at), what: { kind: event.kind as Decided, event } }]
      : [],
  );
  const animals = Object.values(doc.animals).flatMap((a): Decision[] => {
    const into = a.moves.find((m) => waterOf(m.to) === waterId);
    return into ? [{ id: a.id, atMs: Date.parse(into.at), what: { kind: 'animal', animalId: a.id } }] : [];
  });
  return [...events, ...animals]
    .filter((d) => !d.id.startsWith('start-') && d.atMs <= nowMs)
    .sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1));
}

export interface DecisionCost {
  /** Day of the tank on which a proof would first have passed, with it and without; null for not yet. */
  readyWith: number | null;
  readyWithout: number | null;
  /** Of what the slower of the two groups can do at the end, how much more with it: 0.2 is a fifth more. */
  moreCapacity: number;
  /** Nitrogen it brought into the water, mg; below zero what it took out. */
  nitrogenMg: number;
  /** Lost with it and not without, and the other way about. */
  lost: number;
  saved: number;
}

/** Without one decision, all else as it was. */
function without(doc: Pick<Document, 'events' | 'animals'>, { id, what }: Decision) {
  const { [id]: _, ...rest } = what.kind === 'animal' ? doc.animals : doc.events;
  return what.kind === 'animal'
    ? { events: doc.events, animals: rest as Document['animals'] }
    : { events: rest as Document['events'], animals: doc.animals };
}

/** The truth at the end of a run, with the first evening of a proof: what decisions are held against. */
export const truthOfRun = (
  scenario: Scenario,
  seed: number,
  doc: Pick<Document, 'events' | 'animals'>,
  waterId: string,
  startMs: number,
  nowMs: number,
): Truth => truthAt(scenario, seed, doc, waterId, startMs, nowMs, true);

/** @param was the run as it was, by `truthOfRun` */
export function costOf(
  was: Truth,
  decision: Decision,
  scenario: Scenario,
  seed: number,
  doc: Pick<Document, 'events' | 'animals'>,
  waterId: string,
  startMs: number,
  nowMs: number,
): DecisionCost {
  const other = truthOfRun(scenario, seed, without(doc, decision), waterId, startMs, nowMs);
  const slower = ({ pools }: Truth): number => Math.min(pools.first, pools.second);
  const own = decision.what.kind === 'animal' ? decision.id : null;
  const lostIn = (t: Truth): string[] => t.lost.map((l) => l.animalId).filter((id) => id !== own);
  const [withIt, withoutIt] = [lostIn(was), lostIn(other)];
  return {
    readyWith: was.readyDay,
    readyWithout: other.readyDay,
    moreCapacity: slower(other) > 0 ? slower(was) / slower(other) - 1 : 0,
    nitrogenMg: nitrogenOf(decision, was, startMs),
    // Whoever would not have been there can only be lost with it.
    lost: was.lost.filter((l) => l.animalId === own).length + minus(withIt, withoutIt),
    saved: minus(withoutIt, withIt),
  };
}

const minus = (a: readonly string[], b: readonly string[]): number =>
  a.filter((id) => !b.includes(id)).length;

function nitrogenOf({ atMs, what }: Decision, was: Truth, startMs: number): number {
  if (what.kind === 'animal') return 0;
  const { event } = what;
  if (event.kind === 'ammoniaDose') return event.mgN;
  if (event.kind !== 'waterChange') return 0;
  // By tenths of a day; what stood there just before.
  const at = was.course[Math.max(0, Math.ceil(((atMs - startMs) / DAY_MS) * 10) - 1)];
  return at ? -(at.ammonia + at.nitrite + at.nitrate) * Math.min(event.litres, was.trueL) : 0;
}
