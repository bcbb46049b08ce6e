/** Whole answers of the forecast, kept in this browser so that nothing is fitted twice: by water, with the identity of the log they rest on.
 *  They can be worked out again, so what cannot be read or written is let go. */
import { z } from 'zod';
import type { Answer, Course } from '../../core/forecast';
import { additionPeaksSchema } from './draftsSchema';
import { answersStorage, type Storage } from './storage';

type Ok = Extract<Answer, { status: 'ok' }>;
export interface KeptAnswer {
  inputs: string;
  answer: Ok;
  /** Other courses, once compared. */
  courses: Course[];
}

const number = z.number();
const share = z.number().min(0).max(1);
const quantiles = z.strictObject({
  p10: number.nullable(),
  p50: number.nullable(),
  p90: number.nullable(),
});
const triple = z.tuple([number, number, number]);
const pair = z.tuple([number, number]);
const band = z.strictObject({
  day: number,
  ammonia: triple,
  nitrite: triple,
  nitrate: triple,
  alkalinity: triple,
});
const plan = z.strictObject({
  doseMgNPerL: number,
  when: z.strictObject({ ammoniaClear: share, bothClear: share, clock: share, never: share }),
  rhythm: z.strictObject({ testGapDays: pair, waitDays: pair, bothWaitDays: pair, clockDays: pair }),
  feedMgNPerDay: number,
  tempC: number.optional(),
  alkalinityDkh: number.optional(),
  change: z.strictObject({ share: number, everyDays: number }).optional(),
  warmerK: number.optional(),
  bottle: z.boolean().optional(),
  media: z.boolean().optional(),
  changeShare: number.optional(),
});
const species = z.enum(['ammonia', 'nitrite', 'nitrate', 'alkalinity']);
/** Of which dates a width is told; kept before there were two, of the wider band. */
const bandOf = z.enum(['eightTenths', 'half']).default('eightTenths');

const keptSchema = z.strictObject({
  form: z.literal(1),
  inputs: z.string().regex(/^[0-9a-f]{16}$/),
  answer: z.strictObject({
    status: z.literal('ok'),
    atMs: number,
    startMs: number,
    plan,
    forecast: z.strictObject({
      ready: quantiles,
      ammoniaClear: quantiles,
      nitriteClear: quantiles,
      readyForLoad: quantiles.nullable(),
      bands: z.array(band).max(400),
      doublingA: triple,
      doublingN: triple,
      readyNowShare: share,
      neverShare: share,
      alkalinity7: quantiles,
      alkalinity5: quantiles,
      horizonDays: number,
      luck: z.strictObject({ ready: number, ammoniaClear: number, bothClear: number }),
    }),
    proved: z.boolean(),
    readings: number,
    acceptance: number,
    surprises: z
      .array(
        z.strictObject({
          day: number,
          what: species,
          expected: triple,
          low: number,
          high: number.nullable(),
        }),
      )
      .max(3),
    fit: z.array(band).max(400),
    fitted: z.strictObject({
      particles: number,
      tempC: number,
      warmth: number,
      believedL: number,
      zeroAmmonia: number,
      zeroNitrite: number,
      muA: triple,
      muN: triple,
      ka: triple,
      kn: triple,
      capacityA: triple,
      capacityN: triple,
      volume: triple,
    }),
    loadMgN: number.nullable(),
    nextTest: z
      .strictObject({
        parameters: z.array(z.enum(['ammonia', 'nitrite', 'nitrate', 'alkalinity'])).max(2),
        day: number,
        of: bandOf,
        widthNow: number,
        widthThen: number,
        why: z.enum(['teaches', 'safe']),
      })
      .nullable(),
    volumeDoubt: z.strictObject({ of: bandOf, widthNow: number, widthThen: number }).nullable(),
    additions: additionPeaksSchema,
  }),
  courses: z
    .array(
      z.strictObject({
        id: z.enum(['asSoFar', 'dose', 'wait', 'feed', 'bottle', 'media', 'warmer', 'change']),
        plan,
        ready: quantiles,
        gain: quantiles,
        reachesMore: number,
      }),
    )
    .max(8),
});

/** As text. Futures one by one are left out: nothing that is shown needs them. */
export function writeAnswer({ inputs, answer, courses }: KeptAnswer): string {
  const { readyDays: _, ...forecast } = answer.forecast;
  return JSON.stringify({ form: 1, inputs, answer: { ...answer, forecast }, courses });
}

/** From text; null for what is not an answer of this form. */
export function readAnswer(text: string): KeptAnswer | null {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return null;
  }
  const parsed = keptSchema.safeParse(raw);
  if (!parsed.success) return null;
  const { inputs, answer, courses } = parsed.data;
  return {
    inputs,
    courses,
    answer: {
      ...answer,
      // A reading over the top step has no upper edge, which JSON cannot say.
      surprises: answer.surprises.map((s) => ({ ...s, high: s.high ?? Infinity })),
      forecast: { ...answer.forecast, readyDays: new Float64Array(0) },
    },
  };
}

let storage: Storage | null = null;
const opened = (): Storage => (storage ??= answersStorage());

/** What is kept for a water; null where nothing is, or the browser keeps nothing. */
export async function keptAnswer(waterId: string): Promise<KeptAnswer | null> {
  try {
    const text = (await opened().getMany([waterId]))[waterId];
    return text ? readAnswer(text) : null;
  } catch {
    return null;
  }
}

/** Keeps an answer whole. */
export async function keepAnswer(waterId: string, kept: KeptAnswer): Promise<void> {
  try {
    await opened().setMany({ [waterId]: writeAnswer(kept) });
  } catch {
    // It can be worked out again.
  }
}
