/** A device's day by hours, as one text: ten years of a device are then some ten thousand short texts, and not a million objects for the
 *  browser to keep track of. "60 8.1 8 9;;59 8.1 8 9;...": 24 hours of UTC from midnight, each the count of readings, their mean, the lowest
 *  and the highest; nothing between two semicolons where there was no reading. */

export interface MonitorHour {
  n: number;
  mean: number;
  low: number;
  high: number;
}

const NUMBER = '-?\\d{1,20}(?:\\.\\d{1,20})?(?:e[+-]?\\d{1,2})?';
const HOUR = `(?:[1-9]\\d{0,6} ${NUMBER} ${NUMBER} ${NUMBER})?`;
/** What such a text looks like. */
export const HOURS = new RegExp(`^${HOUR}(?:;${HOUR}){23}$`);

/** @param hours 24 of them */
export const hoursText = (hours: readonly (MonitorHour | null)[]): string =>
  hours.map((h) => (h ? `${h.n} ${h.mean} ${h.low} ${h.high}` : '')).join(';');

/** The 24 hours of a text of that form. */
export const hoursFrom = (text: string): (MonitorHour | null)[] =>
  text.split(';').map((hour) => {
    if (hour === '') return null;
    const [n = NaN, mean = NaN, low = NaN, high = NaN] = hour.split(' ').map(Number);
    return { n, mean, low, high };
  });
