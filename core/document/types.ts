/** The types of what is stored, taken from the schema; only types are imported, so no check comes along. */
import type { z } from 'zod';
import type { ammoniaProductSchema, COLLECTIONS } from './schema';
import {
  COLLECTION_NAMES,
  type CollectionName,
  type DOSED,
  type QUARANTINE_KIT,
  type SETUP_ITEMS,
} from './vocabulary';

export type Entity<C extends CollectionName> = z.infer<(typeof COLLECTIONS)[C]>;
export type AnyEntity = { [C in CollectionName]: Entity<C> }[CollectionName];

export type Water = Entity<'waters'>;
export type Display = Extract<Water, { kind: 'display' }>;
export type Quarantine = Extract<Water, { kind: 'quarantine' }>;
/** A water that is in use from time to time. */
export type RunWater = Extract<Water, { runs: unknown }>;
export type Kit = Entity<'kits'>;
export type Sample = Entity<'samples'>;
export type Reading = Sample['readings'][number];
export type ReadingValue = Reading['value'];
export type WaterEvent = Entity<'events'>;
export type EventKind = WaterEvent['kind'];
export type Animal = Entity<'animals'>;
export type Move = Animal['moves'][number];
export type Place = Move['to'];
export type Look = Entity<'looks'>;
export type Sign = Look['signs'][number];
export type Drip = Entity<'drips'>;
export type Calibration = Entity<'calibrations'>;
export type Target = Entity<'targets'>;
export type OwnParameterSpec = Entity<'ownParameters'>;
export type AmmoniaProduct = z.infer<typeof ammoniaProductSchema>;
export type Task = Entity<'tasks'>;
export type SetupItem = (typeof SETUP_ITEMS)[number];
export type Equipment = Entity<'equipment'>;
export type QuarantineKit = (typeof QUARANTINE_KIT)[number];
/** One forecast of a day. */
export type Said = Entity<'forecasts'>;
export type Purchase = Entity<'purchases'>;
export type SaidPlan = Entity<'plans'>;
export type Photo = Entity<'photos'>;
export type Card = Entity<'cards'>;
export type Mix = Entity<'mixes'>;
export type Monitor = Entity<'monitors'>;
export type MonitorDay = Entity<'monitorDays'>;
export type Mapping = Entity<'mappings'>;
/** One column of a table that is read. */
export type Column = Mapping['columns'][number];
export type Treatment = Entity<'treatments'>;
export type Dosed = (typeof DOSED)[number];
export type DripCheck = keyof Drip['checks'];
export type Settings = Entity<'settings'>;

/** Entities by id, collection by collection. */
export type Document = { [C in CollectionName]: Record<string, Entity<C>> };

export const DEFAULT_SETTINGS: Settings = {
  id: 'person',
  units: { volume: 'L', temperature: 'C', salinity: 'ppt', length: 'cm', mass: 'g' },
  theme: 'system',
};

/** A document with nothing in it; settings are absent until the person changes one. */
export function emptyDocument(): Document {
  return Object.fromEntries(COLLECTION_NAMES.map((name) => [name, {}])) as Document;
}
