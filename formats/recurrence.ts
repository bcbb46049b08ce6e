/** Tasks that come again, by rules of RFC 5545; rrule does the counting. Days are calendar days: everything is reckoned in UTC. */
import { RRule, rrulestr } from 'rrule';
import { addDays, dayNumber, dayFromNumber, DAY_MS } from '../core/time';

const utc = (day: string): Date => new Date(dayNumber(day) * DAY_MS);
const dayOf = (date: Date): string => dayFromNumber(Math.floor(date.getTime() / DAY_MS));

/** Is it a rule that can be followed? "FREQ=WEEKLY;BYDAY=SA". */
export function isRule(rule: string): boolean {
  try {
    const options = RRule.parseString(rule);
    return options.freq !== undefined && options.freq <= RRule.DAILY;
  } catch {
    return false;
  }
}

/** The first day of a rule after a day; null where it has ended.
 *  @param from the day the rule counts from */
export function nextByRule(rule: string, from: string, after: string): string | null {
  const next = rrulestr(rule, { dtstart: utc(from) }).after(utc(addDays(after, 1)), true);
  return next ? dayOf(next) : null;
}

/** The next day of a task that was done or left out: by its rule, or so many days from today. Null where it does not come again. */
export function nextDay(
  repeat: { kind: 'rule'; rule: string; from: string } | { kind: 'after'; days: number },
  day: string,
  today: string,
): string | null {
  if (repeat.kind === 'after') return addDays(today, repeat.days);
  // One that is late is done for all the days it was late.
  return nextByRule(repeat.rule, repeat.from, day > today ? day : today);
}
