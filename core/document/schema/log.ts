/** What is logged: kits, calibrations, samples, events, targets. */
import { z } from 'zod';
import { SALINITY_UNITS } from '../../units/preferences';
import {
  CLARITIES,
  DOSED,
  FILMS,
  FOODS,
  INCIDENTS,
  MAX_NAME,
  MAX_NOTE,
  OWN_PARAMETERS,
  PARAMETERS,
  SCHOOLS,
  SEEDS,
  SMELLS,
  SOUNDS,
  STRIP_LEFT,
  SWITCHED,
} from '../vocabulary';
import { id, time, day, nameSchema, note, amount, positive } from './parts';

export const kitSchema = z
  .strictObject({
    id,
    name: nameSchema,
    parameter: z.enum(PARAMETERS),
    /** A colour chart or a titration has steps; a meter has a resolution. In printed units (salinity: practical). */
    scale: z.discriminatedUnion('kind', [
      z.strictObject({
        kind: z.literal('steps'),
        steps: z
          .array(amount(10000))
          .min(2)
          .max(16)
          .refine((s) => s.every((x, i) => i === 0 || x > (s[i - 1] ?? 0)), 'expected rising steps'),
        topOpen: z.boolean(),
      }),
      z.strictObject({ kind: z.literal('number'), resolution: positive(100) }),
    ]),
    basis: z.enum(['N', 'ion', 'NH3']).nullable(),
    /** What a salinity instrument shows; null for other parameters. */
    salinityUnit: z.enum(SALINITY_UNITS).nullable(),
    expires: day.nullable(),
    waitMinutes: positive(120).nullable(),
    archived: z.boolean(),
    opened: day.optional(),
    testsLeft: z.int().min(0).max(100000).optional(),
    storage: z.string().max(MAX_NAME).optional(),
    /** The reader's own error as a share of the reading, where it is known; kinds of kit have a usual one. */
    readerShare: positive(1).optional(),
    /** A shop's slip or a laboratory: a source of its own beside the person's kits. */
    shop: z.literal(true).optional(),
  })
  .refine(
    ({ basis, parameter }) => basis !== 'NH3' || parameter === 'ammonia' || parameter === 'freeAmmonia',
    { error: 'only ammonia is counted as NH3', path: ['basis'] },
  );

/** An instrument held against a standard. Salinity is practical, temperature C, as everywhere. */
export const calibrationSchema = z.strictObject({
  id,
  kitId: id,
  at: time,
  standard: z.number().min(-5).max(100000),
  reading: z.number().min(-5).max(100000),
  tempC: z.number().min(-5).max(60).nullable(),
  /** True when the instrument was then set to the standard; otherwise later readings are corrected. */
  adjusted: z.boolean(),
  note,
});

const readingValueSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('exact'), value: z.number().min(-5).max(100000) }),
  z
    .strictObject({ kind: z.literal('between'), low: amount(100000), high: amount(100000) })
    .refine((v) => v.high > v.low, 'expected "high" above "low"'),
  z.strictObject({ kind: z.literal('over'), low: amount(100000) }),
  /** The same test repeated in one sitting; the mean counts. */
  z.strictObject({
    kind: z.literal('repeats'),
    values: z.array(z.number().min(-5).max(100000)).min(2).max(5),
  }),
]);

export const readingSchema = z.strictObject({
  parameter: z.enum(PARAMETERS),
  kitId: id,
  value: readingValueSchema,
  /** The person keeps it without trusting it. */
  doubted: z.literal(true).optional(),
  /** What a photo of the vial said against the person's card, in the kit's own unit; `high` is null past the last square. */
  photo: z
    .strictObject({ low: amount(100000), best: amount(100000), high: amount(100000).nullable() })
    .optional(),
});

/** What an entry said before it was corrected, in words, oldest first. */
const corrections = z
  .array(z.strictObject({ until: time, said: z.string().max(MAX_NOTE) }))
  .max(20)
  .optional();

export const sampleSchema = z.strictObject({
  id,
  waterId: id,
  at: time,
  readings: z
    .array(readingSchema)
    .min(1)
    .max(2 * PARAMETERS.length)
    .refine(
      (rs) => new Set(rs.map((r) => `${r.parameter} ${r.kitId}`)).size === rs.length,
      'expected each parameter once by each kit',
    ),
  note,
  /** When it was last corrected; absent when it stands as first written. */
  editedAt: time.optional(),
  corrections,
});

/** The strength of an ammonia product as its bottle states it, with its drops in a millilitre: the next dose starts from it. */
export const ammoniaProductSchema = z.strictObject({
  dropsPerMl: z.number().min(5).max(60),
  strength: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('percentNH3'), percent: positive(35) }),
    z.strictObject({ kind: z.literal('gramsNH4ClPerL'), gramsPerL: positive(380) }),
    z.strictObject({
      kind: z.literal('drops'),
      drops: positive(10000),
      perLitres: positive(100000),
      raisesMgPerL: positive(100),
      basis: z.enum(['N', 'ion', 'NH3']),
    }),
  ]),
});

const eventBase = { id, waterId: id, at: time, note, editedAt: time.optional(), corrections };

export const eventSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...eventBase,
    kind: z.literal('ammoniaDose'),
    mgN: positive(1e7),
    mL: positive(1e6).nullable(),
    product: ammoniaProductSchema.optional(),
  }),
  z.strictObject({
    ...eventBase,
    kind: z.literal('bacteria'),
    seed: z.enum(SEEDS),
    mL: positive(1e6).nullable(),
    /** Where it comes from, its date, and for media how long it ran there and whether it stayed wet. */
    from: z.string().max(MAX_NAME).optional(),
    expires: day.optional(),
    ranDays: amount(10000).optional(),
    keptWet: z.boolean().optional(),
    toSumpShare: amount(1).optional(),
    /** Of a bottle: what its label promises and where it was kept. */
    label: z.string().max(MAX_NAME).optional(),
    storage: z.string().max(MAX_NAME).optional(),
  }),
  z.strictObject({ ...eventBase, kind: z.literal('food'), food: z.enum(FOODS), grams: positive(100000) }),
  z.strictObject({ ...eventBase, kind: z.literal('seafoodOut') }),
  z.strictObject({
    ...eventBase,
    kind: z.literal('waterChange'),
    litres: positive(100000),
    /** What the new water was, as far as known: mixed into what is expected until the next test. */
    salinity: z.number().min(2).max(42).optional(),
    tempC: z.number().min(0).max(45).optional(),
    alkalinity: amount(40).optional(),
    calcium: amount(1500).optional(),
    magnesium: amount(4000).optional(),
  }),
  z.strictObject({ ...eventBase, kind: z.literal('topOff'), litres: positive(100000) }),
  z.strictObject({
    ...eventBase,
    kind: z.literal('film'),
    film: z.enum(FILMS),
    extent: z.int().min(0).max(4),
  }),
  /** The strip test: dried seaweed offered to the grazers, and what was left after half a day. */
  z.strictObject({
    ...eventBase,
    kind: z.literal('seaweed'),
    areaCm2: positive(2000),
    left: z.enum(STRIP_LEFT),
  }),
  z.strictObject({
    ...eventBase,
    kind: z.literal('schoolChanged'),
    from: z.enum(SCHOOLS),
    to: z.enum(SCHOOLS),
  }),
  z.strictObject({ ...eventBase, kind: z.literal('note') }),
  /** What eyes, ears and nose say; `seen` and `missing` name animals. */
  z.strictObject({
    ...eventBase,
    kind: z.literal('observation'),
    smell: z.enum(SMELLS),
    sound: z.enum(SOUNDS),
    clarity: z.enum(CLARITIES),
    missing: z.string().max(200),
    seen: z.string().max(200).optional(),
  }),
  /** Something that may be followed by ammonia: from `at` until `until`, where it lasted. */
  z.strictObject({
    ...eventBase,
    kind: z.literal('incident'),
    what: z.enum(INCIDENTS),
    until: time.optional(),
    /** Of a medicine its name as printed, of a spill what it was. */
    name: z.string().max(MAX_NAME).optional(),
    /** Of an outbreak: fewer days without fish than usual, and why. */
    fallow: z.strictObject({ days: z.int().min(45).max(75), why: note.min(1) }).optional(),
  }),
  /** Nobody of the house looks after it. */
  z.strictObject({
    ...eventBase,
    kind: z.literal('away'),
    until: time,
    /** For whoever looks after it meanwhile: who that is, what to feed whom, whom to call. */
    carer: z
      .strictObject({ name: z.string().max(MAX_NAME), feed: note, call: z.string().max(MAX_NAME) })
      .optional(),
  }),
  /** Switched off for some work; what is not confirmed on again stays on top of everything. */
  z.strictObject({
    ...eventBase,
    kind: z.literal('switchedOff'),
    parts: z.array(z.enum(SWITCHED)).min(1).max(SWITCHED.length),
    onAt: time.nullable(),
  }),
  /** A batch of new salt water, as it turned out. */
  z.strictObject({
    ...eventBase,
    kind: z.literal('saltMixed'),
    litres: positive(100000),
    grams: positive(1e7),
    salinity: z.number().min(2).max(42),
  }),
  z.strictObject({
    ...eventBase,
    kind: z.literal('waterMade'),
    litres: positive(100000),
    minutes: positive(100000).nullable(),
  }),
  /** Alkalinity, calcium or magnesium: the rise it makes in the net volume, dKH or mg/L. */
  z.strictObject({
    ...eventBase,
    kind: z.literal('dose'),
    what: z.enum(DOSED),
    rise: positive(2000),
    grams: positive(1e6).nullable(),
  }),
]);

/** What is aimed at, and where to be alarmed, for one parameter of one tank; stored units. */
export const targetSchema = z
  .strictObject({
    id,
    waterId: id,
    parameter: z.enum(PARAMETERS),
    low: z.number().min(-5).max(100000),
    high: z.number().min(-5).max(100000),
    alarmLow: z.number().min(-5).max(100000),
    alarmHigh: z.number().min(-5).max(100000),
  })
  .refine(
    (t) => t.alarmLow <= t.low && t.low < t.high && t.high <= t.alarmHigh,
    'expected alarmLow <= low < high <= alarmHigh',
  );

export const ownParameterSchema = z
  .strictObject({
    id: z.enum(OWN_PARAMETERS),
    name: nameSchema,
    unit: z.string().max(20),
    min: z.number(),
    max: z.number(),
  })
  .refine((p) => p.max > p.min, 'expected "max" above "min"');
