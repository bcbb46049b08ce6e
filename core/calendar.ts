/** Calendar days as text ("2026-01-31") and whole days between them. Counted between midnights UTC of the written
 *  dates, so that a day of 23 or 25 hours still counts as one. */

/** Day number since 1970-01-01 of a written date. */
export function dayNumber(day: string): number {
  return Math.round(Date.parse(`${day}T00:00:00Z`) / 86_400_000);
}

/** The written date of a day number. */
export function dayFromNumber(n: number): string {
  return new Date(n * 86_400_000).toISOString().slice(0, 10);
}

export const addDays = (day: string, days: number): string => dayFromNumber(dayNumber(day) + days);
/** Days from a to b; negative when b is earlier. */
export const daysBetween = (a: string, b: string): number => dayNumber(b) - dayNumber(a);
