/** Calendar days as text ("2026-01-31") and whole days between them. Counted between midnights UTC of the written
 *  dates, so that a day of 23 or 25 hours still counts as one. */
import { DAY_MS, HOUR_MS } from './durations';

/** Day number since 1970-01-01 of a written date. */
export function dayNumber(day: string): number {
  return Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS);
}

/** The written date of a day number. */
export function dayFromNumber(n: number): string {
  return new Date(n * DAY_MS).toISOString().slice(0, 10);
}

/** Whether a text is written as a day, YYYY-MM-DD. */
export const isDay = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text);

export const addDays = (day: string, days: number): string => dayFromNumber(dayNumber(day) + days);
/** Days from a to b; negative when b is earlier. */
export const daysBetween = (a: string, b: string): number => dayNumber(b) - dayNumber(a);

/** Hours by which the easternmost clocks are ahead of UTC. */
const EASTERNMOST_HOURS = 14;
/** True when a written day has begun somewhere on earth at a moment: an entry dated by the person's own calendar is then known. */
export const dayHasBegun = (day: string, atMs: number): boolean =>
  dayNumber(day) * DAY_MS - EASTERNMOST_HOURS * HOUR_MS <= atMs;
