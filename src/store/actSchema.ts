/** What a stored act must look like. Apart from the drafts, whose readings bring the checks of the log along. */
import { z } from 'zod';
import { COLLECTION_NAMES, VERSION } from '../../core/document';

const entitySchema = z.looseObject({ id: z.string().min(1) }).nullable();
/** An act that can be taken back; one of another version is of another form. */
export const storedActSchema = z
  .strictObject({
    version: z.literal(VERSION),
    id: z.string().min(1),
    label: z.string(),
    changes: z.array(
      z.strictObject({
        collection: z.enum(COLLECTION_NAMES),
        id: z.string().min(1),
        before: entitySchema,
        after: entitySchema,
      }),
    ),
    was: z.record(z.string(), z.string()),
    elsewhere: z.record(z.string(), z.string()).optional(),
    undone: z.boolean(),
  })
  .transform(({ version: _, ...act }) => act);
