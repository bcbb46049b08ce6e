/** Cells with days and times. */
import { isClockTime, momentIn, type ClockTime } from '../time';
import type { DateOrder } from './types';

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

interface DayParts {
  year: number;
  month: number;
  day: number;
}
const YEAR = 2000;
const fullYear = (text: string): number => (text.length === 2 ? YEAR + Number(text) : Number(text));

/** Three figures of a date in which day and month could change places. */
const THREE = /^(\d{1,2})([/.-])(\d{1,2})\2(\d{4}|\d{2})$/;
const ISO = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/;
const COMPACT = /^(\d{4})(\d{2})(\d{2})$/;
const NAMED = /^(\d{1,2})\.?[\s-]*([a-z]{3})[a-z]*\.?[\s,-]*(\d{4}|\d{2})$/i;
const NAMED_FIRST = /^([a-z]{3})[a-z]*\.?\s*(\d{1,2})(?:st|nd|rd|th)?,?\s*(\d{4})$/i;

/** Which of day and month comes first, by figures over twelve; a date with points has its day first. Null where no date shows it, 'both' where they
 *  contradict each other. */
export function orderShown(cells: readonly string[]): DateOrder | 'both' | null {
  let dayFirst = false;
  let monthFirst = false;
  for (const cell of cells) {
    const m = THREE.exec(dayText(cell));
    if (!m) continue;
    if (m[2] === '.' || Number(m[1]) > 12) dayFirst = true;
    if (m[2] !== '.' && Number(m[3]) > 12) monthFirst = true;
  }
  if (dayFirst && monthFirst) return 'both';
  return dayFirst ? 'dmy' : monthFirst ? 'mdy' : null;
}

/** Could day and month change places in it? */
export const isEitherOrder = (cell: string): boolean => {
  const m = THREE.exec(dayText(cell));
  return m !== null && m[2] !== '.' && Number(m[1]) <= 12 && Number(m[3]) <= 12 && m[1] !== m[3];
};

/** The part of a cell before its time of day. */
const dayText = (cell: string): string => splitMoment(cell).day;

function splitMoment(cell: string): { day: string; clock: string | null } {
  const text = cell.trim();
  const iso = /^(\d{4}-\d{1,2}-\d{1,2})[T ](.+)$/.exec(text);
  if (iso) return { day: iso[1] as string, clock: iso[2] as string };
  const m = /^(.*?)[,\s]+(\d{1,2}[:.h]\d{2}.*)$/.exec(text);
  return m ? { day: m[1] as string, clock: m[2] as string } : { day: text, clock: null };
}

/** @returns null where it is no day */
function dayIn(text: string, order: DateOrder | null): DayParts | null {
  const trimmed = text.trim();
  const iso = ISO.exec(trimmed) ?? COMPACT.exec(trimmed);
  if (iso) return { year: Number(iso[1]), month: Number(iso[2]), day: Number(iso[3]) };
  const three = THREE.exec(trimmed);
  if (three) {
    const [a, b, year] = [Number(three[1]), Number(three[3]), fullYear(three[4] as string)];
    const first = three[2] === '.' ? 'dmy' : order;
    return first === 'mdy' ? { year, month: a, day: b } : { year, month: b, day: a };
  }
  const named = NAMED.exec(trimmed);
  if (named) return withMonth(named[2] as string, Number(named[1]), fullYear(named[3] as string));
  const first = NAMED_FIRST.exec(trimmed);
  return first ? withMonth(first[1] as string, Number(first[2]), Number(first[3])) : null;
}

function withMonth(name: string, day: number, year: number): DayParts | null {
  const month = MONTHS.indexOf(name.toLowerCase()) + 1;
  return month > 0 ? { year, month, day } : null;
}

interface Clock {
  hour: number;
  minute: number;
  second: number;
  /** Minutes east of UTC, where it says so. */
  offset: number | null;
}

/** "20:15", "8:15 pm", "20.15", "20:15:30.250Z", "20:15+02:00". */
function clockIn(text: string): Clock | null {
  const m =
    /^(\d{1,2})[:.h](\d{2})(?:[:.](\d{2})(?:[.,]\d+)?)?\s*(am|pm|a\.m\.|p\.m\.)?\s*(z|utc|[+-]\d{2}:?\d{2})?$/i.exec(
      text.trim(),
    );
  if (!m) return null;
  let hour = Number(m[1]);
  const half = m[4]?.toLowerCase().charAt(0);
  if (half && (hour < 1 || hour > 12)) return null;
  if (half === 'p' && hour < 12) hour += 12;
  if (half === 'a' && hour === 12) hour = 0;
  const zone = m[5]?.toLowerCase();
  const signed = zone && /^[+-]/.test(zone) ? zone.replace(':', '') : null;
  const offset = signed
    ? (signed.startsWith('-') ? -1 : 1) * (Number(signed.slice(1, 3)) * 60 + Number(signed.slice(3, 5)))
    : zone
      ? 0
      : null;
  return { hour, minute: Number(m[2]), second: Number(m[3] ?? 0), offset };
}

const NOON: Clock = { hour: 12, minute: 0, second: 0, offset: null };

/** A moment as a row tells it: one cell with day and time, or two. A day alone is its noon.
 *  @param zone of times that name none
 *  @returns a text that says what is wrong */
export function momentOf(
  day: string,
  clock: string | null,
  order: DateOrder | null,
  zone: string,
): { ok: true; at: string } | { ok: false; why: string } {
  const split = clock === null ? splitMoment(day) : { day, clock };
  const parts = dayIn(split.day, order);
  if (!parts) return { ok: false, why: `"${day.trim().slice(0, 40)}" is no date` };
  const time = split.clock === null || split.clock.trim() === '' ? NOON : clockIn(split.clock);
  if (!time) return { ok: false, why: `"${(split.clock ?? '').trim().slice(0, 40)}" is no time of day` };
  const shown: ClockTime = { ...parts, hour: time.hour, minute: time.minute, second: time.second };
  if (!isClockTime(shown))
    return { ok: false, why: `"${day.trim().slice(0, 40)}" is no day of the calendar` };
  const ms =
    time.offset === null
      ? momentIn(zone, shown)
      : Date.UTC(parts.year, parts.month - 1, parts.day, time.hour, time.minute - time.offset, time.second) +
        millisIn(split.clock ?? '');
  return { ok: true, at: new Date(ms).toISOString() };
}

/** Thousandths of a second, where a time is given as exactly as that. */
const millisIn = (clock: string): number => {
  const m = /:\d{2}:\d{2}[.,](\d{1,3})/.exec(`:${clock}`);
  return m ? Number((m[1] as string).padEnd(3, '0')) : 0;
};

/** Does a cell hold a day, and a time with it? */
export const holdsDay = (cell: string): boolean =>
  dayIn(splitMoment(cell).day, 'dmy') !== null || dayIn(splitMoment(cell).day, 'mdy') !== null;
export const holdsClock = (cell: string): boolean => clockIn(splitMoment(cell).clock ?? cell) !== null;
