/** Times as people see them, in the browser's own zone. date-fns does the calendar. */
// By path: the bundler would otherwise take the whole library along.
import { DAY_MS, dayOrder, type LocalTime } from '../../core/time';
import { format } from 'date-fns/format';
import { getHours } from 'date-fns/getHours';
import { getMinutes } from 'date-fns/getMinutes';
import { isValid } from 'date-fns/isValid';
import { lightFormat } from 'date-fns/lightFormat';
import { parseISO } from 'date-fns/parseISO';
import { startOfDay } from 'date-fns/startOfDay';
import { language } from './language';

/** Dates stand in the order of the person's language, with the month in words. */
const DAY = dayOrder(language()) === 'dayFirst' ? 'd MMM' : 'MMM d';
/** A moment as a date-and-time field holds it. */
const FIELD_TIME = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/;

/** Calendar day where the person is. (Where no word is written the language of words is not asked for.) */
export const localDay = (ms: number): string => lightFormat(ms, 'yyyy-MM-dd');
/** The calendar and the clock where the person is, for the core. */
export const LOCAL: LocalTime = {
  dayOf: localDay,
  hourOf: (ms) => getHours(ms) + getMinutes(ms) / 60,
};
/** "4 Dec" or "Dec 4". */
export const shortDay = (ms: number): string => format(ms, DAY);
/** "4 Dec" of a written day. */
export const shortWrittenDay = (day: string): string => format(parseISO(day), DAY);
/** The same with its year, for what may lie far off. */
export const writtenDay = (day: string): string =>
  format(parseISO(day), DAY === 'd MMM' ? 'd MMM yyyy' : 'MMM d, yyyy');
/** "Fri 4 Dec, 21:10". */
export const dayAndHour = (ms: number): string => format(ms, `EEE ${DAY}, HH:mm`);
/** "Fri 21:10". */
export const weekdayHour = (ms: number): string => format(ms, 'EEE HH:mm');
export const clockTime = (ms: number): string => lightFormat(ms, 'HH:mm');
/** "Fri 4 Dec". */
export const weekdayShort = (ms: number): string => format(ms, `EEE ${DAY}`);
/** Value of a date-and-time field. */
export const fieldTime = (ms: number): string => lightFormat(ms, "yyyy-MM-dd'T'HH:mm");

/** Time of a date-and-time field, null when it is none. */
export function readFieldTime(text: string): number | null {
  const date = parseISO(text);
  return FIELD_TIME.test(text) && isValid(date) ? date.getTime() : null;
}

/** "today", "yesterday" or "4 Dec", for last values. */
export function agoWords(ms: number, nowMs: number): string {
  const day = localDay(ms);
  if (day === localDay(nowMs)) return clockTime(ms);
  if (day === localDay(nowMs - DAY_MS)) return 'yesterday';
  return nowMs - ms < 6 * DAY_MS ? format(ms, 'EEEE') : shortDay(ms);
}

/** Noon of a written day where the person is, as stored: an act of which only the day is known. */
export const noonOf = (day: string): string => isoOf(parseISO(`${day}T12:00`).getTime());

export const isoOf = (ms: number): string => new Date(ms).toISOString();

/** The local midnight at or before a time. */
export const localMidnight = (ms: number): number => startOfDay(ms).getTime();
