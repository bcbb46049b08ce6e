/** What is known of one tank at a moment, laid out for judging. Nothing logged for later is in it. */
import {
  currentPlace,
  type Animal,
  type Document,
  type SetupItem,
  type Tank,
  type TankEvent,
} from '../document';
import { openEssentials } from '../setup';
import { dayHasBegun } from '../time';
import { netVolume } from '../volume';
import { seriesAt, timeOf, type Series } from './points';

export interface TankEvidence {
  tank: Tank;
  netL: number;
  nowMs: number;
  series: Series;
  doses: { atMs: number; mgNPerL: number }[];
  changes: { atMs: number; fraction: number }[];
  events: TankEvent[];
  /** Animals that are or were in the display, with the time they joined; their later moves are left out. */
  joined: { atMs: number; animal: Animal }[];
  inDisplay: Animal[];
  /** Essential points of the setting-up lists still open, once the lists are in use. */
  setupOpen: SetupItem[];
}

/** Lays out what is known of a tank at nowMs, so that a past judgement can be repeated.
 *  @throws RangeError when the tank is not in the document. */
export function gatherEvidence(doc: Document, tankId: string, nowMs: number): TankEvidence {
  const tank = doc.tanks[tankId];
  if (!tank) throw new RangeError(`"tankId" must be a tank of the document, got "${tankId}"`);
  const netL = netVolume(tank).netL;
  const timed = Object.values(doc.events)
    .filter((e) => e.tankId === tankId)
    .map((event) => ({ event, atMs: timeOf(event) }))
    .filter((e) => e.atMs <= nowMs)
    .sort(byTime);
  const animals = animalsAt(doc, tankId, nowMs);
  return {
    tank,
    netL,
    nowMs,
    series: seriesAt(doc, tankId, nowMs),
    doses: timed.flatMap(({ event, atMs }) =>
      event.kind === 'ammoniaDose' ? [{ atMs, mgNPerL: event.mgN / netL }] : [],
    ),
    changes: timed.flatMap(({ event, atMs }) =>
      event.kind === 'waterChange' ? [{ atMs, fraction: Math.min(1, event.litres / netL) }] : [],
    ),
    events: timed.map((e) => e.event),
    joined: animals.flatMap(whenJoined).sort(byTime),
    inDisplay: animals.filter((a) => currentPlace(a).to === 'display'),
    setupOpen: setupOpenAt(doc, tank, nowMs),
  };
}

const byTime = <T extends { atMs: number }>(a: T, b: T): number => a.atMs - b.atMs;

/** The tank's animals with their moves up to a moment; one that had not moved yet is not known. */
function animalsAt(doc: Document, tankId: string, nowMs: number): Animal[] {
  return Object.values(doc.animals)
    .filter((a) => a.tankId === tankId)
    .flatMap((animal) => {
      const moves = animal.moves.filter((m) => Date.parse(m.at) <= nowMs);
      if (moves.length === 0) return [];
      return [moves.length === animal.moves.length ? animal : { ...animal, moves }];
    });
}

function whenJoined(animal: Animal): { atMs: number; animal: Animal }[] {
  const move = animal.moves.find((m) => m.to === 'display');
  return move ? [{ atMs: Date.parse(move.at), animal }] : [];
}

function setupOpenAt(doc: Document, tank: Tank, nowMs: number): SetupItem[] {
  const done = Object.values(doc.setup).filter((s) => s.tankId === tank.id && dayHasBegun(s.doneDay, nowMs));
  const circumstances = {
    school: tank.school,
    sand: 'before',
    hasSump: tank.sumpL > 0,
    hasSand: tank.sandKg > 0,
  } as const;
  return openEssentials(circumstances, new Set(done.map((s) => s.item)));
}
