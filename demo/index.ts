/** The demo: two made-up tanks and what serves one of them, dated back from the moment it is made, the same for the same moment and seed. */
import {
  DEFAULT_SETTINGS,
  emptyDocument,
  STARTER_KITS,
  type Document,
  type Sample,
  type Water,
} from '../core/document';
import type { NitrogenState } from '../core/nitrogen';
import { seededRandom, type Random } from '../core/random';
import * as north from './northWindow';
import * as upkeep from './northUpkeep';
import * as pantry from './pantryCube';
import * as spare from './spareTank';
import { readSample, runWater, storyOf, type Story } from './story';

/** @param nowMs the moment the demo is made for  @param dayOfMs calendar day of a time where the person is */
export function makeDemo(nowMs: number, dayOfMs: (ms: number) => string, seed = 7): Document {
  const random = seededRandom(seed);
  const doc = emptyDocument();
  doc.settings = { person: DEFAULT_SETTINGS };
  doc.kits = byId(STARTER_KITS);

  const northStory = storyOf(north.NORTH, north.NORTH_DAY, nowMs, dayOfMs);
  const northStates = runWater(
    north.NORTH_DOSES,
    north.NORTH_SEED,
    north.NORTH_CHANGE,
    north.NORTH_PARAMS,
    north.NORTH_SITTINGS,
  );
  const pantryStory = storyOf(pantry.PANTRY, pantry.PANTRY_DAY, nowMs, dayOfMs);
  const pantryStates = runWater(
    pantry.PANTRY_DOSES,
    pantry.PANTRY_SEED,
    null,
    pantry.PANTRY_PARAMS,
    pantry.PANTRY_SITTINGS,
  );
  doc.waters = byId<Water>([
    { ...north.NORTH, startDay: northStory.dayOf(0) },
    { ...pantry.PANTRY, startDay: pantryStory.dayOf(0) },
    ...spare.servingWaters(northStory),
  ]);
  doc.samples = byId([
    ...samples(north.NORTH, 'north', northStory, north.NORTH_SITTINGS, northStates, random),
    ...samples(pantry.PANTRY, 'pantry', pantryStory, pantry.PANTRY_SITTINGS, pantryStates, random),
    ...spare.servingSamples(northStory),
  ]);
  doc.events = byId([
    ...north.northEvents(northStory),
    ...upkeep.northWater(northStory),
    ...spare.servingEvents(northStory),
    ...pantry.pantryEvents(pantryStory),
  ]);
  doc.animals = byId(north.northAnimals(northStory));
  doc.equipment = byId(upkeep.northEquipment(northStory));
  doc.calibrations = byId(upkeep.northCalibrations(northStory));
  doc.tasks = byId(upkeep.northTasks(northStory));
  doc.setup = byId(upkeep.northSetup(northStory));
  doc.looks = byId(north.northLooks(northStory));
  doc.cards = byId([upkeep.northCard(northStory)]);
  return doc;
}

function samples(
  water: Water,
  prefix: string,
  story: Story,
  days: number[],
  states: NitrogenState[],
  random: Random,
): Sample[] {
  return days.map((day, i) => {
    const state = states[i];
    if (!state) throw new Error(`no state for day ${day}`);
    const late = i === days.length - 1 || i % 3 === 0 || day > 30;
    return readSample(`${prefix}-sample-${i}`, water, story.at(day), state, random, late, 0.03 + 0.002 * day);
  });
}

function byId<T extends { id: string }>(entities: readonly T[]): Record<string, T> {
  return Object.fromEntries(entities.map((e) => [e.id, e]));
}
