/** What a stored draft must look like. */
import { z } from 'zod';
// By path: the rest of what checks a document takes its time to make.
import { readingSchema } from '../../core/document/schema/log';

export const sampleDraftSchema = z.strictObject({
  readings: z.array(readingSchema),
  /** Texts of number fields as typed, by parameter. */
  texts: z.record(z.string(), z.string().max(100)),
  atText: z.string().max(40),
  note: z.string().max(4000),
  /** Reagent timers: parameter -> ms when it rings. */
  timers: z.record(z.string(), z.number()),
  /** Rows added by hand although not due. */
  shown: z.array(z.string()),
  /** Parameters whose reading is kept without trust. */
  doubted: z.array(z.string()).default([]),
  /** The kit chosen for a parameter, where it is not the usual one. */
  kits: z.record(z.string(), z.string()).default({}),
  /** Kits that read a parameter a second time in the same sitting. */
  also: z.array(z.string()).default([]),
  /** Pictures taken for it: kept in the browser, photos only with the sample. */
  photos: z
    .array(
      z.strictObject({ id: z.string().min(1), width: z.number(), height: z.number(), bytes: z.number() }),
    )
    .default([]),
});

export const dropCountSchema = z.strictObject({
  target: z.int().min(1).max(100000),
  counted: z.int().min(0).max(100000),
  mgN: z.number().gt(0),
  mL: z.number().gt(0),
});

/** Steps ticked off, for the plan they belong to: a new reading begins a new one. */
export const stepsSchema = z.strictObject({
  plan: z.string().max(100),
  done: z.int().min(0).max(30),
});

const quantilesSchema = z.strictObject({
  p10: z.number().nullable(),
  p50: z.number().nullable(),
  p90: z.number().nullable(),
});
/** Ammonia after an addition, load by load. */
export const additionPeaksSchema = z.strictObject({
  addedMgN: z.array(z.number().min(0)).max(20),
  peakMgN: z.array(z.tuple([z.number(), z.number(), z.number()])).max(20),
});
/** What the last forecast of a tank said, with the identity of the inputs it came from. Days from atMs. */
export const keptForecastSchema = z
  .strictObject({
    inputs: z.string().regex(/^[0-9a-f]{16}$/),
    atMs: z.number(),
    horizonDays: z.number(),
    proved: z.boolean(),
    ready: quantilesSchema,
    bothClear: quantilesSchema,
    /** Standard errors of both likely dates, days: what they owe to the luck of the draw. */
    luck: z.strictObject({ ready: z.number(), bothClear: z.number() }),
    nextTest: z
      .strictObject({
        parameters: z.array(z.enum(['ammonia', 'nitrite', 'nitrate', 'alkalinity'])).max(2),
        day: z.number(),
        /** Of which band of the proof's dates the width is told. */
        of: z.enum(['eightTenths', 'half']).default('eightTenths'),
        /** Its width as it is, and as this sitting would leave it, days. */
        widthNow: z.number(),
        widthThen: z.number(),
        why: z.enum(['teaches', 'safe']),
      })
      .nullable(),
    additions: additionPeaksSchema,
    /** Readings that the fit did not expect; the expected middle as the kit would print it. */
    surprises: z
      .array(
        z.strictObject({
          what: z.enum(['ammonia', 'nitrite', 'nitrate', 'alkalinity']),
          atMs: z.number(),
          expected: z.string().max(40),
        }),
      )
      .max(3),
  })
  .or(z.strictObject({ inputs: z.string().regex(/^[0-9a-f]{16}$/), cannotSay: z.literal(true) }));
