/** What was said of days to come: forecasts and plans. */
import { z } from 'zod';
import { MAX_PLAN, PLANS } from '../vocabulary';
import { id, time, day } from './parts';

const daysAhead = z.number().min(0).max(400).nullable();

/** What was said of the day a proof would pass: the last forecast of a day. Days from `at`; null beyond the horizon. */
export const forecastSchema = z.strictObject({
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

/** A plan as it was made on a day: what a later one is compared with. Days null where a start was out of sight. */
export const planSchema = z.strictObject({
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
