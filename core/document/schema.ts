/** The document: the one definition of what Zoarium stores and exports. Types (types.ts) and JSON Schema come from here.
 *  Stored neutral: litres, C, practical salinity, cm, g, dKH; nitrogen readings as the kit prints them, the kit holding
 *  the basis, so that a wrong basis is mended in one place. Times are ISO 8601 UTC; days are local calendar dates. */
import { z } from 'zod';
import {
  MASS_UNITS,
  LENGTH_UNITS,
  SALINITY_UNITS,
  TEMPERATURE_UNITS,
  VOLUME_UNITS,
} from '../units/preferences';
import {
  AMMONIA_SOURCES,
  BACTERIA_SOURCES,
  BAG_WAYS,
  CLARITIES,
  COLLECTION_NAMES,
  COLUMN_ROLES,
  DATE_ORDERS,
  DOSED,
  DRIP_CHECKS,
  EQUIPMENT_KINDS,
  FILLED_WITH,
  FILMS,
  FLOWS,
  FOODS,
  FOUND_IN_DIP,
  FOUND_ON_ARRIVAL,
  FOUND_TO_BE,
  HIDDEN_BY_TREATMENT,
  GONE_REASONS,
  INCIDENTS,
  MAX_NAME,
  MAX_NOTE,
  MAX_PLAN,
  NITRITE_WEIGHTS,
  OWN_PARAMETERS,
  PARAMETERS,
  PLANS,
  QUARANTINE_KIT,
  QUARANTINE_LINES,
  REEF_SAFE,
  RISKS,
  ROCK_KINDS,
  SCHOOLS,
  SEEDS,
  SEPARATORS,
  SETUP_ITEMS,
  SIGNS,
  SMELLS,
  SOURCES,
  SOUNDS,
  STAGES,
  STRIP_LEFT,
  SWITCHED,
  TAP_HOLDS,
  TEMPERAMENTS,
  TREATMENT_HOLDS,
  type CollectionName,
} from './vocabulary';

// Compiled checks need eval, which the page's content policy forbids; the plain ones give the same answers.
z.config({ jitless: true });

/** Made of other ids. */
const longId = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,199}$/, 'expected letters, digits, "-" and "_"');
const id = z
  .string()
  .regex(
    /^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/,
    'expected an id of 1 to 64 letters, digits, - or _, a letter or digit first',
  );
const time = z.iso.datetime({ precision: 3, error: 'expected a time like 2026-01-31T20:15:00.000Z' });
const day = z.iso.date({ error: 'expected a date like 2026-01-31' });
/** A name: some visible text, one line, at most MAX_NAME characters. */
const nameSchema = z
  .string()
  .max(MAX_NAME, `expected at most ${MAX_NAME} characters`)
  .refine((s) => s.trim().length > 0, 'expected a name, got only blanks')
  .refine((s) => !/[\u0000-\u001f]/.test(s), 'expected one line without control characters');
const note = z.string().max(MAX_NOTE, `expected at most ${MAX_NOTE} characters`);
const amount = (max: number) => z.number().min(0).max(max);
const positive = (max: number) => z.number().gt(0).max(max);

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
/** A place in the glass: from the left, from the front, above the bottom. */
const spot = { xCm: amount(2000), yCm: amount(2000), zCm: amount(500) };
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

const waterSchema = z.discriminatedUnion('kind', [
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
    /** Where it stood when the log began: what came before is taken as told. */
    told: z.strictObject({ stage: z.enum(STAGES), day }).optional(),
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
        rocks: z
          .array(
            z.strictObject({
              xCm: amount(2000),
              yCm: amount(2000),
              widthCm: positive(2000),
              depthCm: positive(2000),
              heightCm: positive(500),
            }),
          )
          .max(100),
      })
      .optional(),
    /** Prices in the person's currency, as far as they are said. */
    costs: z
      .strictObject({
        perKWh: amount(1000).nullable(),
        saltPerKg: amount(10000).nullable(),
        testsAMonth: amount(1e5).nullable(),
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

export const kitSchema = z.strictObject({
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
});

/** An instrument held against a standard. Salinity is practical, temperature C, as everywhere. */
const calibrationSchema = z.strictObject({
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

const sampleSchema = z.strictObject({
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
const eventSchema = z.discriminatedUnion('kind', [
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
const targetSchema = z
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

const ownParameterSchema = z
  .strictObject({
    id: z.enum(OWN_PARAMETERS),
    name: nameSchema,
    unit: z.string().max(20),
    min: z.number(),
    max: z.number(),
  })
  .refine((p) => p.max > p.min, 'expected "max" above "min"');

/** Something planned or left open: it stands on Today from its day on until it is done. */
const taskSchema = z.strictObject({
  id,
  waterId: id,
  day,
  title: nameSchema,
  note,
  doneAt: time.nullable(),
  /** Whom it is about. */
  animalIds: z.array(id).max(100).optional(),
  /** Comes again: by a rule of RFC 5545 counted from `from`, or so many days after it was last done. `day` is the next. */
  repeat: z
    .discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('rule'), rule: z.string().min(6).max(300), from: day }),
      z.strictObject({ kind: z.literal('after'), days: z.int().min(1).max(1000) }),
    ])
    .optional(),
  /** Of one that comes again, when it was done or left out, and why. The last hundred. */
  past: z
    .array(z.strictObject({ day, at: time, skipped: z.string().max(MAX_NAME).optional() }))
    .max(100)
    .optional(),
});

/** One point of the setting-up lists, dated when done. */
const setupSchema = z.strictObject({
  id,
  waterId: id,
  item: z.enum([...SETUP_ITEMS, ...QUARANTINE_KIT]),
  doneDay: day,
});

export const equipmentSchema = z.strictObject({
  id,
  waterId: id,
  name: nameSchema,
  kind: z.enum(EQUIPMENT_KINDS),
  /** Of an RO/DI unit. */
  stage: z.enum(['sediment', 'carbon', 'membrane', 'resin']).optional(),
  where: z.string().max(MAX_NAME),
  sinceDay: day,
  price: amount(1e6).nullable(),
  /** Money a month to run it, as far as known. */
  monthly: amount(1e5).nullable(),
  watts: amount(20000).nullable(),
  breakInDays: z.int().min(0).max(365),
  serviceEveryDays: z.int().min(1).max(3650).nullable(),
  services: z.array(z.strictObject({ day, note })).max(500),
  settings: z.array(z.strictObject({ day, what: nameSchema, value: z.string().max(MAX_NAME) })).max(500),
  loan: z.strictObject({ from: nameSchema, dueDay: day, returnedDay: day.nullable() }).nullable(),
  endedDay: day.nullable(),
});

const daysAhead = z.number().min(0).max(400).nullable();
/** What was said of the day a proof would pass: the last forecast of a day. Days from `at`; null beyond the horizon. */
const forecastSchema = z.strictObject({
  id,
  waterId: id,
  day,
  at: time,
  p10: daysAhead,
  p50: daysAhead,
  p90: daysAhead,
  horizonDays: z.int().min(1).max(400),
  /** What the dates held for, in words. */
  plan: z.string().max(MAX_PLAN),
});

/** Where an animal is: in one of the person's waters, on the wish list, or gone. */
const placeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('wish') }),
  z.strictObject({ kind: z.literal('water'), waterId: id }),
  z.strictObject({ kind: z.literal('gone'), reason: z.enum(GONE_REASONS) }),
]);

const animalSchema = z.strictObject({
  id,
  /** The display it lives in or is meant for. */
  homeId: id,
  speciesId: id,
  /** Nobody is sure of the kind yet. */
  provisional: z.literal(true).optional(),
  /** What it was taken for before, oldest first. */
  takenFor: z
    .array(z.strictObject({ speciesId: id, until: time }))
    .max(20)
    .optional(),
  count: z.int().min(1).max(1000),
  /** Length when it came, cm; shop size when absent. */
  lengthCm: z.number().gt(0).max(100).optional(),
  /** Where it has been, oldest first; the last is where it is. */
  moves: z
    .array(
      z.strictObject({
        to: placeSchema,
        at: time,
        why: note,
        /** What spoke against this move; the reason stands in `why`. */
        against: z.array(z.enum(RISKS)).max(RISKS.length).optional(),
      }),
    )
    .min(1)
    .max(100)
    .refine(
      (ms) => ms.every((m, i) => i === 0 || m.at >= (ms[i - 1]?.at ?? '')),
      'expected moves in time order',
    ),
  /** The group it was split from: what is told of the time before holds for both. */
  splitFrom: id.optional(),
  /** Meant to join on this day: the dashed steps of the stair. Only for animals not yet in the display. */
  plannedDay: day.nullable(),
  /** Where it stood, oldest first; of a wish the place that is kept for it. */
  spots: z
    .array(z.strictObject({ ...spot, at: time }))
    .max(100)
    .optional(),
  /** What the plan is made from, of a wish; 1 is wanted most, the price is for all of them. */
  wish: z
    .strictObject({
      priority: z.int().min(1).max(99).optional(),
      price: amount(1e6).optional(),
      /** Days the person has set, in one of the quarantines: no plan moves them. Without a release that day is planned. */
      held: z
        .strictObject({ buyDay: day, quarantineId: id.nullable(), releaseDay: day.nullable() })
        .refine((h) => h.releaseDay === null || h.releaseDay >= h.buyDay, {
          error: 'expected a release on or after the purchase',
          path: ['releaseDay'],
        })
        .optional(),
    })
    .optional(),
  /** What the look into each on arrival found. */
  inspection: z
    .strictObject({
      day,
      sound: z.int().min(0).max(1000),
      setAside: z.int().min(0).max(1000),
      /** Dead when it came. */
      dead: z.int().min(0).max(1000).optional(),
      found: z.array(z.enum(FOUND_ON_ARRIVAL)).max(FOUND_ON_ARRIVAL.length).optional(),
      /** Each by itself, where it was looked at so. */
      each: z
        .array(
          z.strictObject({
            as: z.enum(FOUND_TO_BE),
            found: z.array(z.enum(FOUND_ON_ARRIVAL)).max(FOUND_ON_ARRIVAL.length),
          }),
        )
        .max(50)
        .optional(),
    })
    .optional(),
  /** Dips as carried out: the product in the person's words, the time its label gives, and what came off. */
  dips: z
    .array(
      z.strictObject({
        at: time,
        product: nameSchema,
        minutes: positive(120),
        outAt: time.nullable(),
        found: z.array(z.enum(FOUND_IN_DIP)).max(FOUND_IN_DIP.length),
        note,
      }),
    )
    .max(50)
    .optional(),
  /** Set aside at the look on arrival: a group of its own until it is sound. */
  asideSince: day.optional(),
  loan: z.strictObject({ from: nameSchema, dueDay: day, returnedDay: day.nullable() }).optional(),
});

const lookSchema = z
  .strictObject({
    id,
    waterId: id,
    day,
    /** `healed`: a sign stood, and all of the group are well again. */
    result: z.enum(['clear', 'sign', 'healed']),
    signs: z.array(z.enum(SIGNS)).max(SIGNS.length),
    note,
    /** Whom a sign was seen in; the group where it is absent. */
    animalIds: z.array(id).max(100).optional(),
    /** Only some of the group were seen: such a look counts for no day. */
    part: z.literal(true).optional(),
  })
  .refine((l) => l.result === 'sign' || l.signs.length === 0, 'expected no signs on a clear look');

/** Animals that came in one act. What is said of them before is kept as it was said. */
const purchaseSchema = z.strictObject({
  id,
  /** The display they are meant for. */
  waterId: id,
  at: time,
  from: z.enum(SOURCES),
  fromWhom: z.string().max(MAX_NAME),
  price: amount(1e6).nullable(),
  /** Said to have been quarantined there for so many days, and treated so. */
  quarantinedDays: z.int().min(0).max(1000).nullable(),
  treatedWith: note,
  bag: z.strictObject({
    salinity: z.number().min(2).max(42).optional(),
    tempC: z.number().min(5).max(38).optional(),
    ph: z.number().min(5).max(9.5).optional(),
    tanMgN: amount(50).optional(),
    hours: amount(240).optional(),
  }),
  animalIds: z.array(id).max(100),
  note,
});

/** A treatment as the person carries it out: the product in their words, and what its label or the vet says. */
const treatmentSchema = z
  .strictObject({
    id,
    waterId: id,
    product: nameSchema,
    says: note,
    holds: z.enum(TREATMENT_HOLDS),
    hides: z.array(z.enum(HIDDEN_BY_TREATMENT)).max(HIDDEN_BY_TREATMENT.length),
    startDay: day,
    endDay: day.nullable(),
    /** As the label has it: so much of something for so many litres. */
    per: z
      .strictObject({ amount: positive(100000), unit: z.string().min(1).max(20), litres: positive(100000) })
      .nullable(),
    given: z.array(z.strictObject({ at: time, amount: positive(1e6), note })).max(500),
    /** Carbon and ultraviolet were taken off for it, and are to go on again. */
    filtersOff: z.boolean(),
    filtersOnAt: time.nullable(),
  })
  .refine((t) => t.endDay === null || t.endDay >= t.startDay, 'expected "endDay" on or after "startDay"');

const dripSchema = z.strictObject({
  id,
  waterId: id,
  animalIds: z.array(id).min(1).max(100),
  bag: z.strictObject({
    salinity: z.number().min(2).max(42),
    tempC: z.number().min(5).max(38),
    litres: positive(200),
    /** As a meter shows it. */
    ph: z.number().min(5).max(9.5).optional(),
    /** Total ammonia, mg N/L. */
    tanMgN: amount(50).optional(),
    alkalinityDkh: positive(40).optional(),
    /** Hours since it was closed. */
    hours: amount(240).optional(),
  }),
  /** How it was decided to go about it; a slow drip where it is absent. */
  way: z.enum(BAG_WAYS).optional(),
  /** What was measured in the container on the way, oldest first. */
  measured: z
    .array(
      z.strictObject({ at: time, salinity: z.number().min(2).max(42), tempC: z.number().min(5).max(38) }),
    )
    .max(100)
    .optional(),
  /** The water it joins. */
  water: z.strictObject({ salinity: z.number().min(2).max(42), tempC: z.number().min(5).max(38) }),
  roomTempC: z.number().min(-10).max(45),
  /** True while the container floats in the tank or sump: no heat is lost to the room. */
  floating: z.boolean(),
  /** When it was floated or taken out on the way, oldest first; as begun until then. */
  floats: z
    .array(z.strictObject({ at: time, on: z.boolean() }))
    .max(100)
    .optional(),
  containerL: positive(500),
  dropsPerSecond: positive(200),
  dropsPerMl: z.number().min(5).max(60),
  startedAt: time.nullable(),
  /** When the bag was opened and they went into clean water; the drip counts from then. */
  intoCleanAt: time.nullable().optional(),
  finishedAt: time.nullable(),
  /** When each point of the list was confirmed; absent until then. */
  checks: z.strictObject({
    ...(Object.fromEntries(DRIP_CHECKS.map((c) => [c, time.nullable()])) as Record<
      (typeof DRIP_CHECKS)[number],
      z.ZodNullable<typeof time>
    >),
    placeReady: time.nullable().optional(),
    bagWaterAway: time.nullable().optional(),
  }),
});

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

/** A kind the list does not hold; what is left out is its nearest relative's. */
const ownSpeciesSchema = z.strictObject({
  id,
  common: nameSchema,
  /** Nearest relative, in the species list. */
  likeId: id,
  scientific: nameSchema.optional(),
  adultCm: positive(100),
  arrivalCm: positive(100).optional(),
  minTankL: positive(20000).optional(),
  minTankCm: positive(1000).optional(),
  temperament: z.enum(TEMPERAMENTS).optional(),
  reefSafe: z.enum(REEF_SAFE).optional(),
  jumps: z.boolean().optional(),
  maxPerTank: z.int().min(1).max(100).optional(),
  minTankAgeDays: z.int().min(0).max(1000).optional(),
});

/** A plan as it was made on a day: what a later one is compared with. Days null where a start was out of sight. */
const planSchema = z.strictObject({
  id,
  waterId: id,
  at: time,
  which: z.enum(PLANS),
  gate: day.nullable(),
  coralGate: day.nullable(),
  steps: z.array(z.strictObject({ animalId: id, buyDay: day, releaseDay: day })).max(200),
  leftOut: z.array(id).max(200),
  /** First and last days of the absences it knew. */
  away: z.array(z.tuple([day, day])).max(200),
});

/** What the person decided about something due: put off, or left out this time, and why. */
const agendaSchema = z.strictObject({
  /** What is due, by its kind, what it is about and the day it fell due. */
  id: longId,
  waterId: id,
  /** Not shown before. */
  until: time.optional(),
  skipped: z.strictObject({ at: time, why: z.string().max(MAX_NAME) }).optional(),
});

/** One column: its role, and of values the unit and basis they are in where the table says neither. */
export const columnSchema = z.strictObject({
  as: z.enum(COLUMN_ROLES),
  parameter: z.enum(PARAMETERS).optional(),
  unit: z.string().max(40).optional(),
  basis: z.enum(['N', 'ion', 'NH3']).optional(),
});

/** How the columns of a table are read, kept by the names of its columns. */
const mappingSchema = z.strictObject({
  id,
  /** The names of the columns, in the order of the table. */
  header: z.array(z.string().max(200)).min(1).max(200),
  separator: z.enum(SEPARATORS),
  decimal: z.enum(['.', ',']),
  dateOrder: z.enum(DATE_ORDERS).nullable(),
  columns: z.array(columnSchema).min(1).max(200),
  /** The water of readings that name none. */
  waterId: id.nullable(),
});

/** A picture; the picture itself lies beside the document, by this id. */
const photoSchema = z.strictObject({
  id,
  waterId: id,
  at: time,
  note,
  /** Whom or what it shows: an animal, a sitting, a look, an entry; nothing more where it is absent. */
  of: z
    .discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('animal'), id }),
      z.strictObject({ kind: z.literal('sample'), id }),
      z.strictObject({ kind: z.literal('look'), id }),
      z.strictObject({ kind: z.literal('event'), id }),
    ])
    .optional(),
  /** Pictures from one place bear one name: they are laid over each other. */
  view: z.string().max(MAX_NAME),
  /** How the light was set: colours tell nothing without it. */
  light: z.string().max(MAX_NAME),
  width: z.int().min(1).max(20000),
  height: z.int().min(1).max(20000),
  bytes: z.int().min(0).max(1e9),
});

/** What a salt mix, or natural water, holds at a salinity of 35: off the bag, or measured. */
const mixSchema = z.strictObject({
  id,
  name: nameSchema,
  alkalinity: amount(40),
  calcium: amount(1000),
  magnesium: amount(4000),
  potassium: amount(1000).optional(),
  from: z.enum(['label', 'measured', 'natural']),
  /** Grams of it a litre takes for 35. */
  gramsPerLitre: z.number().min(20).max(60).optional(),
  /** Grams in a bag, and its price. */
  bagGrams: positive(1e6).optional(),
  bagPrice: amount(1e6).optional(),
  openedDay: day.optional(),
});

/** What a device shows. Total and free ammonia, both as N, are different things. */
const MONITORED = ['freeAmmonia', 'totalAmmonia', 'ph', 'temperature', 'level', 'salinity'] as const;
const finite = z.number().min(-100).max(100000);
/** A paired device. Its token is not in the file. */
const monitorSchema = z.strictObject({
  id,
  waterId: id,
  name: nameSchema,
  pairedAt: time,
  /** How far its readings were taken: the run of the door, and the number. */
  taken: z.strictObject({ epoch: z.string().max(40), seq: z.int().min(0) }).optional(),
  revokedAt: time.nullable(),
});
/** One quantity of a device on a day of UTC, by hours; null where none came. */
const monitorDaySchema = z.strictObject({
  id: longId,
  monitorId: id,
  waterId: id,
  what: z.enum(MONITORED),
  day,
  hours: z
    .array(z.strictObject({ n: z.int().min(1).max(1e6), mean: finite, low: finite, high: finite }).nullable())
    .length(24),
});

const level = z.number().min(0).max(255);
const share = z.number().min(0).max(1);
/** A kit's own card as the person photographed it: each square's value as printed, its colour (8-bit sRGB) and where it lies, as shares of the
 *  card's width and height from its upper left corner. */
const cardSchema = z.strictObject({
  id,
  kitId: id,
  at: time,
  squares: z
    .array(
      z.strictObject({
        value: amount(100000),
        rgb: z.tuple([level, level, level]),
        place: z.tuple([share, share]),
      }),
    )
    .min(3)
    .max(16)
    .refine((s) => s.every((x, i) => i === 0 || x.value > (s[i - 1]?.value ?? 0)), 'expected rising values'),
});

/** That something was deleted: another device's copy of it must not bring it back. */
const tombstoneSchema = z.strictObject({
  id: longId,
  collection: z.enum(COLLECTION_NAMES).exclude(['tombstones']),
  of: longId,
  /** The revision that was deleted; empty where none was known. */
  revision: z.string().max(400),
  at: time,
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
