/** The document: the one definition of what Zoarium stores and exports. Types (types.ts) and JSON Schema come from here.
 *  Stored neutral: litres, C, practical salinity, cm, g, dKH; nitrogen readings as the kit prints them, the kit holding
 *  the basis, so that a wrong basis is mended in one place. Times are ISO 8601 UTC; days are local calendar dates. */
import { z } from 'zod';
import {
  LENGTH_UNITS,
  MASS_UNITS,
  SALINITY_UNITS,
  TEMPERATURE_UNITS,
  VOLUME_UNITS,
} from '../../units/preferences';
import type { CollectionName } from '../vocabulary';
import { waterSchema } from './waters';
import {
  kitSchema,
  calibrationSchema,
  sampleSchema,
  eventSchema,
  targetSchema,
  ownParameterSchema,
} from './log';
import {
  animalSchema,
  lookSchema,
  purchaseSchema,
  treatmentSchema,
  dripSchema,
  ownSpeciesSchema,
} from './animals';
import {
  taskSchema,
  setupSchema,
  equipmentSchema,
  mixSchema,
  monitorSchema,
  monitorDaySchema,
  agendaSchema,
} from './upkeep';
import { forecastSchema, planSchema } from './ahead';
import { mappingSchema, photoSchema, cardSchema, tombstoneSchema } from './files';

export { columnSchema } from './files';
export { equipmentSchema } from './upkeep';
export { ammoniaProductSchema, kitSchema } from './log';

const settingsSchema = z.strictObject({
  id: z.literal('person'),
  units: z.strictObject({
    volume: z.enum(VOLUME_UNITS),
    temperature: z.enum(TEMPERATURE_UNITS),
    salinity: z.enum(SALINITY_UNITS),
    length: z.enum(LENGTH_UNITS),
    mass: z.enum(MASS_UNITS),
  }),
  theme: z.enum(['system', 'light', 'dark']),
  /** A sound at the end of a reagent's wait. */
  timerSound: z.boolean().optional(),
  /** Reminders of what is due, by day. */
  remind: z.boolean().optional(),
});

/** Every collection of the document with the schema of its entities. */
export const COLLECTIONS = {
  settings: settingsSchema,
  waters: waterSchema,
  kits: kitSchema,
  samples: sampleSchema,
  events: eventSchema,
  animals: animalSchema,
  looks: lookSchema,
  drips: dripSchema,
  calibrations: calibrationSchema,
  targets: targetSchema,
  ownParameters: ownParameterSchema,
  tasks: taskSchema,
  setup: setupSchema,
  equipment: equipmentSchema,
  forecasts: forecastSchema,
  treatments: treatmentSchema,
  purchases: purchaseSchema,
  species: ownSpeciesSchema,
  plans: planSchema,
  agenda: agendaSchema,
  mappings: mappingSchema,
  photos: photoSchema,
  cards: cardSchema,
  mixes: mixSchema,
  monitors: monitorSchema,
  monitorDays: monitorDaySchema,
  tombstones: tombstoneSchema,
} as const satisfies Record<CollectionName, z.ZodType>;
