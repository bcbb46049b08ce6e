/** Lengths of time in milliseconds, once for the whole house. A calendar day may be 23 or 25 hours long: whole days between
 *  written dates are counted by calendar.ts. */
export const MINUTE_MS = 60_000;
export const HOUR_MS = 60 * MINUTE_MS;
export const DAY_MS = 24 * HOUR_MS;
