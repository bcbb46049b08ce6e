/** Days and moments as a person writes them, and from what they typed back to the stored form. date-fns does the calendar. */
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parse } from 'date-fns/parse';
import { isDay, type DayOrder } from '../../core/time';

/** A day ("2026-05-01"), or a moment where the person is ("2026-05-01T20:15"). */
export type WhenKind = 'date' | 'datetime-local';

const WRITTEN: Record<DayOrder, string> = {
  dayFirst: 'd MMM yyyy',
  monthFirst: 'MMM d, yyyy',
  yearFirst: 'yyyy MMM d',
};
/** What is understood, the person's own order first. */
const UNDERSTOOD: Record<DayOrder, readonly string[]> = {
  dayFirst: ['d.M.yyyy', 'd/M/yyyy', 'd-M-yyyy', 'd.M.yy', 'd/M/yy', 'd.M.', 'd/M'],
  monthFirst: ['M/d/yyyy', 'M-d-yyyy', 'M/d/yy', 'M/d'],
  yearFirst: ['yyyy/M/d', 'yyyy.M.d', 'M/d'],
};
const IN_WORDS = [
  'd MMM yyyy',
  'd MMMM yyyy',
  'd. MMM yyyy',
  'd MMM',
  'd MMMM',
  'MMM d, yyyy',
  'MMM d yyyy',
  'MMMM d, yyyy',
  'MMM d',
  'MMMM d',
  'yyyy MMM d',
];

/** A stored day or moment as it is written: "1 May 2026", "May 1, 2026, 20:15". What is neither stays as it is. */
export function writtenWhen(kind: WhenKind, value: string, order: DayOrder): string {
  const [day = '', time = ''] = value.split('T');
  if (!isDay(day)) return value;
  const date = parse(day, 'yyyy-MM-dd', 0);
  if (!isValid(date)) return value;
  const words = format(date, WRITTEN[order]);
  return kind === 'date' || time === '' ? words : `${words}, ${time}`;
}

/** What was typed in the stored form; null where it is no day (and time). @param today for "today", and for the year of a day without one */
export function readWhen(kind: WhenKind, text: string, order: DayOrder, today: string): string | null {
  const typed = text.trim();
  if (kind === 'date') return readDay(typed, order, today);
  const [, day, hours, minutes] = /^(.*?)[\sT,]+(\d{1,2})[:.](\d{2})$/.exec(typed) ?? [];
  if (day === undefined || Number(hours) > 23 || Number(minutes) > 59) return null;
  const read = readDay(day.trim(), order, today);
  return read === null ? null : `${read}T${(hours ?? '').padStart(2, '0')}:${minutes}`;
}

function readDay(text: string, order: DayOrder, today: string): string | null {
  if (/^today$/i.test(text)) return today;
  const reference = parse(today, 'yyyy-MM-dd', 0);
  for (const pattern of ['yyyy-M-d', ...IN_WORDS, ...UNDERSTOOD[order]]) {
    const date = parse(text, pattern, reference);
    // A year of two digits is a year of this century; one of three is a slip.
    if (isValid(date) && date.getFullYear() >= 1000) return format(date, 'yyyy-MM-dd');
  }
  return null;
}

const EXAMPLE: Record<DayOrder, string> = {
  dayFirst: '5 May 2026',
  monthFirst: 'May 5, 2026',
  yearFirst: '2026 May 5',
};

/** What is said of a text that could not be read: how it is typed. */
export const notReadText = (kind: WhenKind, order: DayOrder): string =>
  kind === 'date'
    ? `That is no day. Write it as in ${EXAMPLE[order]}.`
    : `That is no day with its time. Write both, as in ${EXAMPLE[order]}, 20:15.`;
