/** What can be said of days before any plan is made: when may be bought, when may be released, and which purchase days a stay of a quarantine allows. */
import {
  capacityOf,
  firstStepOn,
  isAbsent,
  isAbsentWithin,
  isShopDay,
  isShut,
  LINES,
  monthOf,
  TEST_DAYS,
  unbrokenOf,
  type Problem,
  type QuarantineWater,
} from './problem';

const NEVER = (1 << 30) - 1;

export interface Calendar {
  /** The first day after the horizon. */
  end: number;
  /** The latest day on which may be bought, up to a day; below today where there is none. */
  lastBuyUpTo: (day: number) => number;
  /** The first step on a day (R5), mg N a day. */
  firstStepBy: (day: number) => number;
  months: readonly Month[];
  /** The month a day lies in, of a day before today the first. */
  monthAt: (day: number) => number;
  /** The last months in which may be bought for a release by a day; the same object as long as they are the same. */
  untilBy: (release: number) => Until;
  quarantines: readonly StayCalendar[];
  /** The first day from one on that some quarantine may release on; past the horizon where there is none. */
  releaseFrom: (day: number) => number;
}

/** First and last day of a month, and the first release of whatever is bought in it or later; past the horizon where there is none. */
export interface Month {
  from: number;
  to: number;
  out: number;
}

/** The last month in which may be bought, whatever the quarantine; by line, in the order of LINES, and behind them for cleaners, which come a day sooner,
 *  before a fish. -1 where there is none. */
export interface Until {
  last: number;
  of: readonly number[];
}

export interface StayCalendar {
  capacity: number;
  releaseAllowed: (day: number) => boolean;
  /** The latest purchase whose clock is full by a release. */
  buyMost: (release: number) => number;
  /** The earliest purchase without an absent day until a release, of a bare quarantine; the day itself where there is none. */
  buyLeast: (release: number) => number;
  /** The first release of what is bought on a day or later; past the horizon where there is none. */
  firstOut: (free: number) => number;
}

export function calendarOf(p: Problem): Calendar {
  const end = p.today + p.horizonDays + 1;
  const span = end - p.today;
  const shut = new Uint8Array(span);
  const lastBuy = new Int32Array(span);
  for (let i = 0, last = p.today - 1; i < span; i++) {
    const day = p.today + i;
    if (isShut(p, day)) shut[i] = 1;
    else if (isShopDay(p, day)) last = day;
    lastBuy[i] = last;
  }
  const lastBuyUpTo = (day: number) =>
    day < p.today ? p.today - 1 : (lastBuy[Math.min(day, end - 1) - p.today] as number);
  const untested = Uint8Array.from(shut, (_, i) =>
    TEST_DAYS.some((after) => isAbsent(p, p.today + i + after)) ? 1 : 0,
  );
  const quarantines = p.quarantines.map((q) => stayCalendar(p, q, shut, untested, lastBuyUpTo));
  const release = new Int32Array(span);
  for (let i = span - 1, next = NEVER; i >= 0; i--) {
    if (quarantines.some((q) => q.releaseAllowed(p.today + i))) next = p.today + i;
    release[i] = next;
  }
  const months = monthsOf(p.today, end).map(({ from, to }) => ({
    from,
    to,
    out: Math.min(NEVER, ...quarantines.map((q) => q.firstOut(from))),
  }));
  const steps = Float64Array.from({ length: span }, (_, i) => firstStepOn(p, p.today + i));
  const month = new Int16Array(span);
  months.forEach(({ from, to }, m) => month.fill(m, from - p.today, to + 1 - p.today));
  const untils = untilsOf(p, quarantines, months, lastBuyUpTo, span);
  return {
    end,
    lastBuyUpTo,
    firstStepBy: (day) => steps[Math.max(0, Math.min(day, end - 1) - p.today)] as number,
    months,
    monthAt: (day) => month[Math.max(0, Math.min(day, end - 1) - p.today)] as number,
    untilBy: (day) => (day < p.today ? NOTHING_YET : (untils[Math.min(day, end - 1) - p.today] as Until)),
    quarantines,
    releaseFrom: (day) => (day < end ? (release[Math.max(0, day - p.today)] as number) : NEVER),
  };
}

/** Where lines stand in it, and cleaners behind them. */
export const FISH = LINES.indexOf('fish');
export const INVERTEBRATES = LINES.indexOf('invertebrate');
export const CLEANERS = LINES.length;
const NOTHING_YET: Until = { last: -1, of: [...LINES, CLEANERS].map(() => -1) };

/** By day from today on. */
function untilsOf(
  p: Problem,
  quarantines: readonly StayCalendar[],
  months: readonly { from: number }[],
  lastBuyUpTo: (day: number) => number,
  span: number,
): Until[] {
  const stays = LINES.map((line) => quarantines.filter((_, q) => p.quarantines[q]?.line === line));
  let until: Until = { last: 0, of: [...LINES, CLEANERS].map(() => 0) };
  let dayBefore = 0;
  return Array.from({ length: span }, (_, i) => {
    const of = stays.map((mine, line) => {
      const buy = lastBuyUpTo(Math.max(...mine.map((q) => q.buyMost(p.today + i))));
      let month = until.of[line] as number;
      while (month + 1 < months.length && (months[month + 1] as { from: number }).from <= buy) month++;
      return month;
    });
    of.push(dayBefore);
    dayBefore = of[INVERTEBRATES] as number;
    if (of.some((month, line) => month !== until.of[line])) until = { last: Math.max(...of), of };
    return until;
  });
}

/** @param shut by day from today on: nothing is released on it
 *  @param untested nobody would be there for the tests after a release on it */
function stayCalendar(
  p: Problem,
  q: QuarantineWater,
  shut: Uint8Array,
  untested: Uint8Array,
  lastBuyUpTo: (day: number) => number,
): StayCalendar {
  const span = shut.length;
  const end = p.today + span;
  const allowed = new Uint8Array(span);
  const most = new Int32Array(span);
  const least = new Int32Array(span);
  const out = new Int32Array(span).fill(NEVER);
  const unbroken = unbrokenOf(q);
  for (let i = 0, free = 0; i < span; i++) {
    const day = p.today + i;
    const isBroken = isAbsentWithin(p, day - unbroken, day - 1);
    allowed[i] = shut[i] === 1 || (q.testsPresent && untested[i] === 1) || isBroken ? 0 : 1;
    most[i] = q.bare === false ? countedBack(p, day, q.clockDays) : day - q.clockDays;
    least[i] = q.sameDay ? day : q.bare === true ? afterAbsence(p, day) : -NEVER;
    if (allowed[i] === 0) continue;
    const buy = lastBuyUpTo(Math.min(most[i] as number, day));
    if (buy >= (least[i] as number)) for (; free <= buy - p.today; free++) out[free] = day;
  }
  return {
    capacity: capacityOf(q),
    releaseAllowed: (day) => allowed[day - p.today] === 1,
    buyMost: (day) => most[day - p.today] as number,
    buyLeast: (day) => least[day - p.today] as number,
    firstOut: (free) => (free < end ? (out[Math.max(0, free - p.today)] as number) : NEVER),
  };
}

/** So many days before a day, days away not counted; before today it does not matter how far. */
function countedBack(p: Problem, day: number, days: number): number {
  let b = day;
  for (let counted = 0; counted < days && b > p.today - 400;) {
    b--;
    if (!isAbsent(p, b)) counted++;
  }
  return b;
}

/** The day after the last absent one up to a day. */
function afterAbsence(p: Problem, day: number): number {
  const last = Math.max(-NEVER, ...p.away.filter(([a]) => a <= day).map(([, b]) => Math.min(b, day)));
  return last + 1;
}

function monthsOf(from: number, end: number): { from: number; to: number }[] {
  const months: { from: number; to: number }[] = [];
  for (let day = from; day < end; day++) {
    const last = months[months.length - 1];
    if (last && monthOf(last.from) === monthOf(day)) last.to = day;
    else months.push({ from: day, to: day });
  }
  return months;
}
