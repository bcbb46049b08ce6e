/** Clock times of a place as moments, by the browser's own tables of zones. */
import { DAY_MS, HOUR_MS, MINUTE_MS } from './durations';

/** What a clock and a calendar show. */
export interface ClockTime {
  year: number;
  month: number;
  day: number;
  hour: number;
  minute: number;
  second: number;
}

/** Is it a zone these tables know? "Europe/Lisbon", "UTC". */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en-US', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/** By zone, what the clocks there show at a moment, as if it were UTC. */
const formats = new Map<string, Intl.DateTimeFormat>();
function shownAt(zone: string, ms: number): number {
  let format = formats.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-US', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
      era: 'short',
    });
    formats.set(zone, format);
  }
  const part: Record<string, number> = {};
  for (const { type, value } of format.formatToParts(ms)) part[type] = Number(value);
  const { year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0 } = part;
  return Date.UTC(year, month - 1, day, hour, minute, second);
}

/** By zone and day of UTC, how far its clocks are ahead as the day begins, ms. */
const aheadByDay = new Map<string, Map<number, number>>();
/** Days kept of a zone before they are looked up anew. */
const MOST_DAYS = 10_000;

function aheadAsDayBegins(zone: string, day: number): number {
  let days = aheadByDay.get(zone);
  if (!days || days.size >= MOST_DAYS) aheadByDay.set(zone, (days = new Map()));
  let ahead = days.get(day);
  if (ahead === undefined) {
    ahead = shownAt(zone, day * DAY_MS) - day * DAY_MS;
    days.set(day, ahead);
  }
  return ahead;
}

/** How far the clocks of a zone are ahead of UTC, ms. The tables are slow to ask: where a day ends as it begins, all of it is so (no clocks
 *  are put on and back within a day). */
function aheadAt(zone: string, ms: number): number {
  const day = Math.floor(ms / DAY_MS);
  const ahead = aheadAsDayBegins(zone, day);
  return ahead === aheadAsDayBegins(zone, day + 1) ? ahead : shownAt(zone, ms) - ms;
}

/** The moment a clock of a zone shows a time. Of a time that comes twice, in autumn, the first; one that never comes, in spring, is as much
 *  later as the clocks were put on. @throws RangeError where the zone is unknown */
export function momentIn(zone: string, t: ClockTime): number {
  const shown = Date.UTC(t.year, t.month - 1, t.day, t.hour, t.minute, t.second);
  // The offset of a day before is the one before any change.
  const before = shown - aheadAt(zone, shown - DAY_MS);
  if (before + aheadAt(zone, before) === shown) return before;
  const after = shown - aheadAt(zone, shown + DAY_MS);
  return after + aheadAt(zone, after) === shown ? after : before;
}

/** Is there such a day, and such a time of it? */
export function isClockTime({ year, month, day, hour, minute, second }: ClockTime): boolean {
  const date = new Date(Date.UTC(year, month - 1, day));
  return (
    date.getUTCFullYear() === year &&
    date.getUTCMonth() === month - 1 &&
    date.getUTCDate() === day &&
    hour * HOUR_MS + minute * MINUTE_MS + second * 1000 < DAY_MS &&
    hour < 24 &&
    minute < 60 &&
    second < 60
  );
}
