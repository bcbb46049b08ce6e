/** The walk of a new display as texts, and from texts to what is stored at its end: the water, what went into it before its log began,
 *  and who lives in it already. Plain functions. */
import {
  IN,
  type Animal,
  type Display,
  type Edit,
  type Stage,
  type WaterEvent,
} from '../../../../core/document';
import { isDay } from '../../../../core/time';
import { readEntry, toMgNPerL, type UnitPreferences } from '../../../../core/units';
import { netVolume } from '../../../../core/volume';
import { startFault } from '../sizeForm';
import { NEW_WATER, readWater, type WaterFaults, type WaterTexts } from '../waterForm';

/** A kind of animal that lives in it already. */
export interface LivingTexts {
  speciesId: string;
  count: string;
  /** The day it came. */
  day: string;
}

export interface WalkTexts extends WaterTexts {
  /** Empty until it is said. */
  stage: Stage | '';
  /** Of bottled ammonia mg/L as NH4, of seafood grams: what went in first, and when. */
  ammoniaAmount: string;
  ammoniaDay: string;
  bacteriaDay: string;
  living: LivingTexts[];
}

export const NEW_WALK: WalkTexts = {
  ...NEW_WATER,
  stage: '',
  ammoniaAmount: '',
  ammoniaDay: '',
  bacteriaDay: '',
  living: [],
};

export type WalkFaults = WaterFaults & Partial<Record<string, string>>;

/** What is stored at the end of the walk. */
export interface Begun {
  water: Display;
  events: WaterEvent[];
  animals: Animal[];
}

/** Whoever stands here has a past to tell. */
const HAS_PAST: readonly Stage[] = ['filling', 'cycling', 'bothZero', 'animalsIn', 'moving'];
const HAS_FED: readonly Stage[] = ['cycling', 'bothZero'];
export const HAS_ANIMALS: readonly Stage[] = ['animalsIn', 'moving'];

export interface Here {
  id: string;
  units: UnitPreferences;
  today: string;
  /** Noon of a written day where the person is, as stored: an act of which only the day is known. */
  noonOf: (day: string) => string;
  newId: () => string;
}

/** @returns what is to be stored, or a sentence for each field that cannot be read. Left open is no fault but for name and size. */
export function readWalk(
  t: WalkTexts,
  here: Here,
): { ok: true; begun: Begun } | { ok: false; faults: WalkFaults } {
  const read = readWater(here.id, t, here.units, here.today);
  const faults: WalkFaults = read.ok ? {} : { ...read.faults };
  const stage = t.stage === '' ? 'empty' : t.stage;
  const past = HAS_PAST.includes(stage);
  const events: WaterEvent[] = [];
  if (past) {
    const fed = HAS_FED.includes(stage) ? readFed(t, here, read.ok ? netVolume(read.water).netL : 0) : null;
    if (fed && !fed.ok) Object.assign(faults, fed.faults);
    if (fed?.ok) events.push(...fed.events);
    if (stage === 'moving' && t.startDay !== '' && !startFault(t.startDay, here.today))
      events.push({ ...eventOn(here, t.startDay), kind: 'bacteria', seed: 'oldTank', mL: null });
  }
  const living = HAS_ANIMALS.includes(stage) ? readLiving(t.living, here) : { animals: [], faults: {} };
  Object.assign(faults, living.faults);
  if (!read.ok || Object.keys(faults).length > 0) return { ok: false, faults };
  return {
    ok: true,
    begun: {
      water: {
        ...read.water,
        startDay: past ? read.water.startDay : null,
        ...(t.stage === '' ? {} : { told: { stage, day: here.today } }),
      },
      events,
      animals: living.animals,
    },
  };
}

const eventOn = (here: Here, day: string) => ({
  id: here.newId(),
  waterId: here.id,
  at: here.noonOf(day),
  note: 'Told when the tank was described.',
});

/** What was put in so far: the ammonia and the bacteria, each with its day. */
function readFed(
  t: WalkTexts,
  here: Here,
  netL: number,
): { ok: true; events: WaterEvent[] } | { ok: false; faults: WalkFaults } {
  const faults: WalkFaults = {};
  const events: WaterEvent[] = [];
  for (const field of ['ammoniaDay', 'bacteriaDay'] as const) {
    const fault = startFault(t[field], here.today);
    if (fault) faults[field] = fault.replace('The start lies', 'That day lies');
  }
  const bottled = t.ammoniaSource === 'bottled';
  if (t.ammoniaAmount.trim() !== '' && (bottled || t.ammoniaSource === 'seafood')) {
    const amount = readEntry(t.ammoniaAmount, {
      name: bottled ? 'Ammonia' : 'Seafood',
      unit: null,
      min: 0,
      max: bottled ? 20 : 100000,
      above: true,
    });
    if (!amount.ok) faults.ammoniaAmount = amount.message;
    else if (t.ammoniaDay === '') faults.ammoniaDay = 'Say the day it went in, roughly.';
    else if (!faults.ammoniaDay && netL > 0)
      events.push(
        bottled
          ? {
              ...eventOn(here, t.ammoniaDay),
              kind: 'ammoniaDose',
              mgN: toMgNPerL('ammonia', 'ion', amount.value) * netL,
              mL: null,
            }
          : { ...eventOn(here, t.ammoniaDay), kind: 'food', food: 'seafood', grams: amount.value },
      );
  }
  if (t.bacteriaDay !== '' && !faults.bacteriaDay)
    for (const seed of t.bacteriaSources)
      events.push({ ...eventOn(here, t.bacteriaDay), kind: 'bacteria', seed, mL: null });
  return Object.keys(faults).length > 0 ? { ok: false, faults } : { ok: true, events };
}

function readLiving(living: readonly LivingTexts[], here: Here): { animals: Animal[]; faults: WalkFaults } {
  const faults: WalkFaults = {};
  const animals = living.flatMap((l, i): Animal[] => {
    const count = readEntry(l.count, { name: 'How many', unit: null, min: 1, max: 1000, whole: true });
    if (!count.ok) faults[`living.${i}.count`] = count.message;
    if (!isDay(l.day)) faults[`living.${i}.day`] = 'Say the day it came, roughly.';
    else if (l.day > here.today) faults[`living.${i}.day`] = 'That day lies in the future.';
    if (!count.ok || faults[`living.${i}.day`]) return [];
    return [
      {
        id: here.newId(),
        homeId: here.id,
        speciesId: l.speciesId,
        count: count.value,
        moves: [{ to: IN(here.id), at: here.noonOf(l.day), why: '' }],
        plannedDay: null,
      },
    ];
  });
  return { animals, faults };
}

export const editsToBegin = ({ water, events, animals }: Begun): Edit[] => [
  { put: 'waters', entity: water },
  ...events.map((entity): Edit => ({ put: 'events', entity })),
  ...animals.map((entity): Edit => ({ put: 'animals', entity })),
];

export type StepId = 'name' | 'glass' | 'where' | 'before' | 'method';

/** The questions in their order: whoever begins dry has no past to tell. */
export const stepsFor = (stage: Stage | ''): readonly StepId[] =>
  stage !== '' && HAS_PAST.includes(stage)
    ? ['name', 'glass', 'where', 'before', 'method']
    : ['name', 'glass', 'where', 'method'];

/** Which step asks for a field, so that a fault is shown where it can be mended. */
export function stepOfField(field: string): StepId {
  if (field === 'name') return 'name';
  if (['startDay', 'ammoniaAmount', 'ammoniaDay', 'bacteriaDay'].includes(field)) return 'before';
  if (field.startsWith('living.')) return 'before';
  return 'glass';
}
