/** The parts of the document's schema, each made when it is first asked for: a page that makes them in turn can be touched in between. */
import type { z } from 'zod';
import { forecastSchema } from './ahead';
import { animalSchema } from './animals';
import { photoSchema } from './files';
import { sampleSchema } from './log';
import { taskSchema } from './upkeep';
import { waterSchema } from './waters';

export const PARTS_IN_TURN: readonly (() => z.ZodType)[] = [
  () => sampleSchema,
  () => animalSchema,
  () => waterSchema,
  () => taskSchema,
  () => forecastSchema,
  () => photoSchema,
];
