/** What a practice tank is: a JSON file, its truth given or drawn, what happens on which day, what it is to teach. A run of it is a document and a
 *  seed: the truth at any moment follows from the three. */
import { z } from 'zod';
import { AMMONIA_SOURCES, BACTERIA_SOURCES, ROCK_KINDS, SCHOOLS } from '../document';

const id = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9-]{0,63}$/);
const words = (most: number) => z.string().min(1).max(most);
/** A number, or a range it is drawn from. */
const given = (min: number, max: number) =>
  z.union([
    z.number().min(min).max(max),
    z
      .tuple([z.number().min(min).max(max), z.number().min(min).max(max)])
      .refine(([a, b]) => b >= a, 'expected the lower first'),
  ]);
const day = z.number().min(0).max(365);

export const scenarioSchema = z.strictObject({
  format: z.literal('zoarium-practice'),
  version: z.literal(1),
  id,
  title: words(80),
  lesson: words(400),
  goal: words(200),
  school: z.enum(SCHOOLS),
  start: z.strictObject({
    litres: z.number().min(10).max(5000),
    ammoniaSource: z.enum(AMMONIA_SOURCES),
    bacteriaSources: z.array(z.enum(BACTERIA_SOURCES)).max(3),
    rockKind: z.enum(ROCK_KINDS),
    /** In the log when the player comes: dose in mg/L as NH4, bacteria, an animal. */
    done: z
      .array(
        z.discriminatedUnion('what', [
          z.strictObject({ what: z.literal('dose'), day, mgPerL: z.number().gt(0).max(50) }),
          z.strictObject({ what: z.literal('bacteria'), day, seed: z.enum(['bottle', 'media', 'oldTank']) }),
          z.strictObject({ what: z.literal('animal'), day, speciesId: id, count: z.int().min(1).max(20) }),
        ]),
      )
      .max(50),
  }),
  truth: z.strictObject({
    /** The real volume as a share of the believed one. */
    volumeShare: given(0.5, 1.5),
    doublingFirstH: given(10, 200).optional(),
    doublingSecondH: given(10, 300).optional(),
    dkh: given(2, 15).optional(),
    tempC: given(15, 32).optional(),
    bottle: z.enum(['dead', 'alive', 'drawn']),
  }),
  mishaps: z
    .array(
      z.discriminatedUnion('kind', [
        /** The heater sticks and warms until somebody acts. */
        z.strictObject({ kind: z.literal('heater'), day }),
        /** So much food falls in, mg N for a litre. */
        z.strictObject({ kind: z.literal('spill'), day, mgNPerL: z.number().gt(0).max(20) }),
        /** A part of the bacteria dies. */
        z.strictObject({ kind: z.literal('powerCut'), day, keeps: z.number().min(0).max(1) }),
        /** Nobody is there for some days. */
        z.strictObject({ kind: z.literal('away'), day, days: z.number().gt(0).max(60) }),
        /** In a quarantine that was opened, signs are to be seen. */
        z.strictObject({ kind: z.literal('signs'), day, days: z.number().gt(0).max(60) }),
      ]),
    )
    .max(20),
  /** Money; a sitting of both tests costs one of it. */
  budget: z.number().min(0).max(1e6),
  days: z.int().min(7).max(365),
});
export type Scenario = z.infer<typeof scenarioSchema>;

/** @throws Error naming what is wrong, by its place */
export function scenarioFrom(raw: unknown): Scenario {
  const read = scenarioSchema.safeParse(raw);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new Error(`${issue?.path.join('.') || 'the file'}: ${issue?.message ?? 'is no scenario'}`);
}

/** Whether nobody is with the tank on this day of the scenario. */
export const isAway = (scenario: Scenario, day: number): boolean =>
  scenario.mishaps.some((m) => m.kind === 'away' && day >= m.day && day < m.day + m.days);
