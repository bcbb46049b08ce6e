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
import { dayHasBegun, HOUR_MS } from '../time';
import { netVolume } from '../volume';
import { emptiedInto, type Emptied } from './emptied';
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
  /** Animals that are in it, by name. */
  residents: Animal[];
  /** The day on which it was told that animals are in a display, while none of them has been named; else null. */
  unnamedSince: string | null;
  /** Somebody lives in it, named or only told of: no ammonia goes in, and the water is judged as theirs. */
  isInhabited: boolean;
  /** Of a display whose rock, media and animals all went into another: when, and into which. */
  emptied: Emptied | null;
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
  const joined = animals.flatMap((a) => whenJoined(a, waterId)).sort(byTime);
  const living = inhabitants(water, joined, nowMs);
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
    ...living,
    emptied: living.isInhabited ? null : emptiedInto(doc, water, joined, nowMs),
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

/** Who lives in a water at a moment, of those that joined it until then with their moves until then. */
export function inhabitants(
  water: Water,
  joined: WaterEvidence['joined'],
  nowMs: number,
): Pick<WaterEvidence, 'joined' | 'residents' | 'unnamedSince' | 'isInhabited'> {
  const residents = joined.map(({ animal }) => animal).filter((animal) => isIn(animal, water.id));
  const unnamedSince = unnamedIn(water, joined, nowMs);
  return { joined, residents, unnamedSince, isInhabited: residents.length > 0 || unnamedSince !== null };
}

/** Whoever is named as there by the day on which animals were told of is taken for them; who came later is not. */
function unnamedIn(water: Water, joined: WaterEvidence['joined'], nowMs: number): string | null {
  const told = water.kind === 'display' ? water.told : undefined;
  if (told?.stage !== 'animalsIn' || told.allNamed || !dayHasBegun(told.day, nowMs)) return null;
  const dayOverMs = Date.parse(`${told.day}T00:00:00.000Z`) + DAY_OVER_HOURS * HOUR_MS;
  return joined.some(({ atMs }) => atMs < dayOverMs) ? null : told.day;
}

/** After so many hours a written day is over everywhere on earth. */
const DAY_OVER_HOURS = 36;

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
