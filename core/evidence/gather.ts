/** What is known of one water at a moment, laid out for judging. Nothing logged for later is in it. */
import {
  isIn,
  waterOf,
  type Animal,
  type Display,
  type Document,
  type Parameter,
  type SetupItem,
  type Target,
  type Water,
  type WaterEvent,
} from '../document';
import type { OwnSpecies } from '../species';
import { openEssentials } from '../setup';
import { dayHasBegun } from '../time';
import { netVolume } from '../volume';
import { seriesAt } from './layout';
import { timeOf, type Series } from './points';

export interface WaterEvidence<W extends Water = Water> {
  water: W;
  netL: number;
  nowMs: number;
  series: Series;
  doses: { atMs: number; mgNPerL: number }[];
  /** What the new water was, as far as it was noted, stands beside. */
  changes: WaterChange[];
  events: WaterEvent[];
  /** Animals that are or were in this water, with the time they first joined it; moves later than the moment are left out. */
  joined: { atMs: number; animal: Animal }[];
  /** Animals that are in it. */
  residents: Animal[];
  /** Essential points of the setting-up lists still open, once the lists are in use. */
  setupOpen: SetupItem[];
  /** What the person aims at in this water, where it was set. */
  targets: readonly Target[];
  /** The person's own kinds. */
  species: Readonly<Record<string, OwnSpecies>>;
}

export interface WaterChange {
  atMs: number;
  fraction: number;
  brought: Partial<Record<Parameter, number>>;
}

/** What is known of a display: the one water that has gates. */
export type DisplayEvidence = WaterEvidence<Display>;
export const isOfDisplay = (e: WaterEvidence): e is DisplayEvidence => e.water.kind === 'display';

/** Lays out what is known of a water at nowMs, so that a past judgement can be repeated.
 *  @throws RangeError when the water is not in the document. */
export function gatherEvidence(doc: Document, waterId: string, nowMs: number): WaterEvidence {
  const water = doc.waters[waterId];
  if (!water) throw new RangeError(`"waterId" must be a water of the document, got "${waterId}"`);
  const netL = netVolume(water).netL;
  const timed = Object.values(doc.events)
    .filter((e) => e.waterId === waterId)
    .map((event) => ({ event, atMs: timeOf(event) }))
    .filter((e) => e.atMs <= nowMs)
    .sort(byTime);
  const animals = animalsAt(doc, waterId, nowMs);
  return {
    water,
    netL,
    nowMs,
    series: seriesAt(doc, waterId, nowMs),
    doses: timed.flatMap(({ event, atMs }) =>
      event.kind === 'ammoniaDose' ? [{ atMs, mgNPerL: event.mgN / netL }] : [],
    ),
    changes: timed.flatMap(({ event, atMs }) =>
      event.kind === 'waterChange'
        ? [{ atMs, fraction: Math.min(1, event.litres / netL), brought: broughtBy(event) }]
        : [],
    ),
    events: timed.map((e) => e.event),
    joined: animals.flatMap((a) => whenJoined(a, waterId)).sort(byTime),
    residents: animals.filter((a) => isIn(a, waterId)),
    setupOpen: setupOpenAt(doc, water, nowMs),
    targets: Object.values(doc.targets).filter((t) => t.waterId === waterId),
    species: doc.species,
  };
}

function broughtBy(change: Extract<WaterEvent, { kind: 'waterChange' }>): WaterChange['brought'] {
  const { salinity, tempC, alkalinity, calcium, magnesium } = change;
  return {
    ...(salinity === undefined ? {} : { salinity }),
    ...(tempC === undefined ? {} : { temperature: tempC }),
    ...(alkalinity === undefined ? {} : { alkalinity }),
    ...(calcium === undefined ? {} : { calcium }),
    ...(magnesium === undefined ? {} : { magnesium }),
  };
}

const byTime = <T extends { atMs: number }>(a: T, b: T): number => a.atMs - b.atMs;

/** The animals that were ever in the water, with their moves up to a moment. */
function animalsAt(doc: Document, waterId: string, nowMs: number): Animal[] {
  return Object.values(doc.animals).flatMap((animal) => {
    if (!animal.moves.some((m) => waterOf(m.to) === waterId)) return [];
    const moves = animal.moves.filter((m) => Date.parse(m.at) <= nowMs);
    if (moves.length === 0) return [];
    return [moves.length === animal.moves.length ? animal : { ...animal, moves }];
  });
}

function whenJoined(animal: Animal, waterId: string): { atMs: number; animal: Animal }[] {
  const move = animal.moves.find((m) => waterOf(m.to) === waterId);
  return move ? [{ atMs: Date.parse(move.at), animal }] : [];
}

function setupOpenAt(doc: Document, water: Water, nowMs: number): SetupItem[] {
  if (water.kind !== 'display') return [];
  const done = Object.values(doc.setup).filter(
    (s) => s.waterId === water.id && dayHasBegun(s.doneDay, nowMs),
  );
  const circumstances = {
    school: water.school,
    sand: 'before',
    hasSump: water.sumpL > 0,
    hasSand: water.sandKg !== 0,
  } as const;
  return openEssentials(circumstances, new Set(done.map((s) => s.item)));
}
