/** What is due as an iCalendar file (RFC 5545); ical-generator does the writing. */
import ical, { ICalAlarmRelatesTo, ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import { asksForAmmonia, type AgendaItem } from '../core/agenda';
import { addDays, dayNumber, DAY_MS, MINUTE_MS } from '../core/time';

/** Hours into the day at which it reminds. */
const ALARM_HOUR = 9;
/** A number that rises with every file, so that a calendar takes the later for the newer: minutes since 2020. */
const SINCE_MS = Date.UTC(2020, 0, 1);

export interface CalendarWords {
  title: (item: AgendaItem) => string;
  why: (item: AgendaItem) => string;
  /** Where it is, and null for what is about no one water. */
  water: (waterId: string) => string;
}

/** All-day events with an alarm in the morning, but of what asks for ammonia: a calendar does not know who has come to live there since. The same thing has
 *  the same UID in every file.
 *  @param today what is overdue stands on this day */
export function calendarOf(
  items: readonly AgendaItem[],
  today: string,
  atMs: number,
  words: CalendarWords,
): string {
  const calendar = ical({
    name: 'Zoarium',
    prodId: { company: 'Zoarium', product: 'Zoarium', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const sequence = Math.max(0, Math.floor((atMs - SINCE_MS) / MINUTE_MS));
  for (const item of items.filter((i) => !asksForAmmonia(i))) {
    const day = item.day < today ? today : item.day;
    const water = item.waterId === null ? null : words.water(item.waterId);
    const why = words.why(item);
    const event = calendar.createEvent({
      id: `${item.uid}@zoarium`,
      sequence,
      stamp: new Date(atMs),
      start: new Date(dayNumber(day) * DAY_MS),
      end: new Date(dayNumber(addDays(day, 1)) * DAY_MS),
      allDay: true,
      timezone: 'UTC',
      summary: water === null ? words.title(item) : `${water}: ${words.title(item)}`,
      ...(why === '' ? {} : { description: why }),
    });
    const rule = ruleOf(item);
    if (rule !== null) event.repeating(rule);
    const alarm = event.createAlarm({
      type: ICalAlarmType.display,
      // After the start: what is before it counts upwards.
      trigger: -ALARM_HOUR * 3600,
      description: words.title(item),
    });
    // Said last: setting the trigger takes it from the end.
    alarm.relatesTo(ICalAlarmRelatesTo.start);
  }
  return calendar.toString();
}

/** Looks come daily until the clock is over; a task of one's own by its rule. */
function ruleOf({ says, dailyUntil, day }: AgendaItem): string | null {
  if (says.code === 'task' && says.task.repeat?.kind === 'rule')
    return `RRULE:${says.task.repeat.rule.replace(/^RRULE:/i, '')}`;
  if (dailyUntil === null || dailyUntil <= day) return null;
  return `RRULE:FREQ=DAILY;UNTIL=${dailyUntil.replaceAll('-', '')}`;
}
