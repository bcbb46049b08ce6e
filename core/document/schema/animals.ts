/** Animals, and what is done with them: places, looks, purchases, treatments, drips, kinds of one’s own. */
import { z } from 'zod';
import {
  BAG_WAYS,
  DRIP_CHECKS,
  FOUND_IN_DIP,
  FOUND_ON_ARRIVAL,
  FOUND_TO_BE,
  HIDDEN_BY_TREATMENT,
  GONE_REASONS,
  MAX_NAME,
  REEF_SAFE,
  RISKS,
  SIGNS,
  SOURCES,
  TEMPERAMENTS,
  TREATMENT_HOLDS,
} from '../vocabulary';
import { id, time, day, nameSchema, note, amount, positive, spot } from './parts';

/** Where an animal is: in one of the person's waters, on the wish list, or gone. */
const placeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('wish') }),
  z.strictObject({ kind: z.literal('water'), waterId: id }),
  z.strictObject({ kind: z.literal('gone'), reason: z.enum(GONE_REASONS) }),
]);

export const animalSchema = z.strictObject({
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

export const lookSchema = z
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
export const purchaseSchema = z.strictObject({
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
export const treatmentSchema = z
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

export const dripSchema = z.strictObject({
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

/** A kind the list does not hold; what is left out is its nearest relative's. */
export const ownSpeciesSchema = z.strictObject({
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
