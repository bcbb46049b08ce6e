/** Which of what is due is to be said now. */
import { AGENDA } from './limits';

/** As much of an item as a reminder needs, as a closed app leaves it for its worker. */
export interface Reminder {
  /** Names this time of the thing: it is said once. */
  key: string;
  /** "2026-12-04", where the person is. */
  day: string;
  title: string;
  body: string;
}

/** Nothing at night, nothing twice, nothing before its day. @param hour of the day where the person is, 0 to 24 */
export const toSay = <T extends Pick<Reminder, 'key' | 'day'>>(
  items: readonly T[],
  today: string,
  hour: number,
  said: ReadonlySet<string>,
): T[] =>
  hour < AGENDA.remindFromHour || hour >= AGENDA.remindToHour
    ? []
    : items.filter((i) => i.day <= today && !said.has(i.key));
