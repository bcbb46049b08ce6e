/** The calendar and the clock where the person is. The core has none of its own: it is told. */
export interface LocalTime {
  /** Calendar day of a time, YYYY-MM-DD. */
  dayOf: (ms: number) => string;
  /** Hour of the day of a time, 0..24, with its share. */
  hourOf: (ms: number) => number;
}

export const UTC: LocalTime = {
  dayOf: (ms) => new Date(ms).toISOString().slice(0, 10),
  hourOf: (ms) => new Date(ms).getUTCHours() + new Date(ms).getUTCMinutes() / 60,
};
