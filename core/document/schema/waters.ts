/** Bodies of water. */
import { z } from 'zod';
import {
  AMMONIA_SOURCES,
  BACTERIA_SOURCES,
  FILLED_WITH,
  FLOWS,
  NITRITE_WEIGHTS,
  PARAMETERS,
  PLANS,
  QUARANTINE_LINES,
  ROCK_KINDS,
  SCHOOLS,
  STAGES,
  TAP_HOLDS,
} from '../vocabulary';
import { id, day, nameSchema, note, amount, positive, spot } from './parts';

/** How large it is: by its sides, or by what went in. */
const sizeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('dimensions'),
    lengthCm: positive(2000),
    widthCm: positive(2000),
    waterHeightCm: positive(500),
  }),
  z.strictObject({ kind: z.literal('volume'), volumeL: positive(100000) }),
]);

/** Rock as blocks on the bottom. */
const rocksSchema = z
  .array(
    z.strictObject({
      xCm: amount(2000),
      yCm: amount(2000),
      widthCm: positive(2000),
      depthCm: positive(2000),
      heightCm: positive(500),
    }),
  )
  .max(100);

/** What every body of water has, whatever it is for. */
const waterBase = {
  id,
  name: nameSchema,
  /** First filled on; null while it is dry, or where nobody remembers. */
  startDay: day.nullable(),
  size: sizeSchema,
  sumpL: amount(50000),
  /** Null until it is said: then a share of the glass is taken off for it. */
  rockKg: amount(50000).nullable(),
  sandKg: amount(50000).nullable(),
  rockKind: z.enum(ROCK_KINDS).optional(),
  hasLid: z.boolean(),
  /** Pump intakes and overflow are guarded, so that an anemone on its way is not drawn in. */
  intakesGuarded: z.literal(true).optional(),
  /** A better estimate of the real volume than the dimensions, with its standard deviation and where it came from. */
  volumeInUse: z.strictObject({ litres: positive(100000), sdL: amount(100000), from: nameSchema }).optional(),
};

/** Times in use, oldest first; only the last may go on. */
const runs = z
  .array(z.strictObject({ openedDay: day, closedDay: day.nullable() }))
  .min(1)
  .max(200)
  .refine((rs) => rs.slice(0, -1).every((r) => r.closedDay !== null), 'expected only the last run open')
  .refine(
    (rs) =>
      rs.every((r, i) => {
        const before = rs[i - 1]?.closedDay ?? '';
        return r.openedDay >= before && (r.closedDay === null || r.closedDay >= r.openedDay);
      }),
    'expected runs one after the other',
  );

export const waterSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...waterBase,
    kind: z.literal('display'),
    ammoniaSource: z.enum(AMMONIA_SOURCES),
    /** Where bacteria came from at the start; empty for none. */
    bacteriaSources: z
      .array(z.enum(BACTERIA_SOURCES))
      .max(BACTERIA_SOURCES.length)
      .refine((list) => new Set(list).size === list.length, 'expected each source once'),
    school: z.enum(SCHOOLS),
    /** Where it stood when the log began: what came before is taken as told. Of animals that were in: whether all of them have been named. */
    told: z.strictObject({ stage: z.enum(STAGES), day, allNamed: z.literal(true).optional() }).optional(),
    /** How long the patient school holds after both are clear: days, or until nitrate no longer rises. Two weeks when absent. */
    hold: z
      .discriminatedUnion('kind', [
        z.strictObject({ kind: z.literal('days'), days: z.int().min(1).max(90) }),
        z.strictObject({ kind: z.literal('nitrateLevel') }),
      ])
      .optional(),
    /** What it was filled with; of tap water what is in it, and whether conditioner is in for all of it. */
    filledWith: z.enum(FILLED_WITH).optional(),
    tap: z.strictObject({ holds: z.enum(TAP_HOLDS), conditioned: z.boolean() }).optional(),
    /** Strict when absent. */
    nitriteWeight: z.enum(NITRITE_WEIGHTS).optional(),
    /** The place of each thing, in cm from the left, from the front and from the bottom. */
    board: z
      .strictObject({
        par: z.array(z.strictObject({ ...spot, par: amount(3000) })).max(200),
        /** Just under the surface, where nothing was measured; null for nobody knows. */
        surfacePar: amount(3000).nullable(),
        flow: z.array(z.strictObject({ ...spot, flow: z.enum(FLOWS) })).max(100),
        rocks: rocksSchema,
        /** Other ways to set the rock, kept beside the one that stands. */
        layouts: z
          .array(z.strictObject({ name: nameSchema, rocks: rocksSchema }))
          .max(20)
          .optional(),
      })
      .optional(),
    /** Prices in the person's currency, as far as they are said. */
    costs: z
      .strictObject({
        perKWh: amount(1000).nullable(),
        saltPerKg: amount(10000).nullable(),
        testsAMonth: amount(1e5).nullable(),
        /** What is set aside: for setting up in all, and for running it a month. */
        setUpLimit: amount(1e7).optional(),
        monthLimit: amount(1e6).optional(),
      })
      .optional(),
    /** What the stocking plan reckons with. Days of the week from 0, Sunday; none is any. */
    stocking: z
      .strictObject({
        which: z.enum(PLANS),
        shopDays: z
          .array(z.int().min(0).max(6))
          .max(7)
          .refine((list) => new Set(list).size === list.length, 'expected each day once'),
        /** For a calendar month; null for no limit. */
        budget: amount(1e6).nullable(),
        /** Looks at a quarantine a week; fewer than seven lengthen its clock. */
        looksAWeek: z.int().min(1).max(7),
        /** Cleaners and corals without a quarantine of their own: why the risk is taken. */
        direct: note.nullable(),
      })
      .optional(),
    /** The salt it is kept with. */
    mixId: id.optional(),
    /** The person's own rhythm of tests: each first on a day, then every so many days. */
    testPlan: z
      .array(z.strictObject({ parameter: z.enum(PARAMETERS), from: day, everyDays: z.int().min(1).max(90) }))
      .max(PARAMETERS.length)
      .refine((list) => new Set(list.map((t) => t.parameter)).size === list.length, 'expected each once')
      .optional(),
    /** What the person means to do from now on; the forecast reckons with it. */
    planned: z
      .strictObject({
        tempC: z.number().min(15).max(32).nullable(),
        /** Kept up to, dKH. */
        alkalinityDkh: z.number().min(4).max(15).nullable(),
        /** So large a share of the water, every so many days. */
        change: z.strictObject({ share: positive(1), everyDays: z.int().min(1).max(90) }).nullable(),
      })
      .optional(),
  }),
  z.strictObject({
    ...waterBase,
    kind: z.literal('quarantine'),
    line: z.enum(QUARANTINE_LINES),
    filter: z.enum(['uncycled', 'cycled']),
    clockDays: z.int().min(7).max(120),
    /** Why this many, where it is the person's own number. */
    clockWhy: note.optional(),
    /** Days under any treatment count unless this is false; those under one that may hide signs never do. */
    treatmentDaysCount: z.boolean().optional(),
    /** What the pump moves, L an hour. */
    pumpLPerHour: positive(100000).optional(),
    /** The largest animal that is to come, grown or as bought, cm. */
    largestCm: positive(200).optional(),
    /** The displays whose animals pass through it. */
    serves: z
      .array(id)
      .max(20)
      .refine((list) => new Set(list).size === list.length, 'expected each display once'),
    runs,
  }),
  z.strictObject({ ...waterBase, kind: z.literal('holding'), runs }),
  z.strictObject({ ...waterBase, kind: z.literal('mixing') }),
]);
