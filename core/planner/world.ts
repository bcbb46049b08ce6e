/** What a search is about: a problem, and what of it is reckoned once. */
import { Ammonia } from './ammonia';
import { openBatches } from './batch';
import { bitOf, type Batch, type Label, LATE, type Prospect } from './label';
import { type Calendar, calendarOf } from './calendar';
import { monthsNeeded, pricesOf, spentOf } from './months';
import { betweenSet, type Own, ownOf } from './own';
import {
  DOUBLING_DAYS,
  type Line,
  LINES,
  type Problem,
  type Released,
  SLACK,
  type Step,
  type Wish,
  capacityOf,
  earliestRelease,
  isHeavy,
  stepsSet,
} from './problem';

/** What a search asks of money: every way of paying that may matter, one way, or only that the months suffice for what is bought by a day: as if
 *  each wish could be paid for by itself in any of them, and as if what is bought could be paid for in parts from the month on in which it can be bought;
 *  or less still, that all who are released by a day can have been bought by then, in any batches (sets.ts). */
export type Money = 'every' | 'one' | 'months' | 'sets';

/** By set of wishes, a bit each, what it takes to have bought it (purse.ts); LATE where it cannot have been paid for. */
export interface Bought {
  /** In as few batches as can be, and with these the least sum of release days: batchesOf and daysOf. */
  fewest: Int32Array;
  /** The least sum of release days, in any number of batches. */
  soonest: Int32Array;
}

/** A set of wishes that a month can pay, a bit each, and the fewest batches that hold it. */
export interface Payable {
  set: number;
  wishes: readonly number[];
  price: number;
  batches: number;
  /** The same in a month in which some may join what is bought or set. */
  beside: number;
}

/** The quarantines of a line. */
export interface Lane {
  line: Line;
  /** A bit for each wish of it, of the first 32. */
  mask: number;
  quarantines: readonly number[];
}

export interface World {
  p: Problem;
  calendar: Calendar;
  /** Earliest release of each wish by itself and beside what is set; null where it can never be bought or released. */
  least: (number | null)[];
  /** And the latest, by what is set. */
  latest: readonly number[];
  levels: number[];
  levelOf: number[];
  conflicts: number[][];
  /** Wishes that are alike in everything; the first of them. */
  like: number[];
  quarantinesOf: number[][];
  /** One for each line that is wished for. */
  lanes: readonly Lane[];
  /** The most load that can enter on one day, mg N a day. */
  perDay: number;
  /** What may become of a label, by what it hangs on (prospects.ts). */
  prospects: Map<number, Map<number, Prospect>>;
  /** All that could be bought for a quarantine, by it and who is left (events.ts). */
  batches: Map<number, readonly Batch[]>;
  /** Steps with both days set, and batches bought and not yet released. */
  set: Step[];
  open: Batch[];
  setLoads: Released[];
  setHeavy: number[];
  /** The first day on which a fish that is set enters; late where there is none, or nothing is asked of the first. */
  setFish: number;
  setFits: boolean[];
  own: Own;
  /** Of loads that entered before, or enter on days that are set, those that are there today, and all, mg N a day. */
  setThere: number;
  setInAll: number;
  lineOf: string[];
  ammonia: Ammonia;
  /** By who is placed, all that those to come could cost together. */
  costs: Map<number | string, Float64Array | null>;
  /** By a set of wishes of one line, the fewest batches that hold them. */
  fewest: Map<number, number>;
  /** The same where some may join what is bought or set. */
  fewestBeside: Map<number, number>;
  /** By wish, what is still to be paid for it. */
  prices: readonly number[];
  /** By month, what was bought or set costs. */
  spent: readonly number[];
  /** By set of wishes, a bit each, the month in which the last of them can be bought; null without a budget, and for many wishes. */
  needed: Int16Array | null;
  /** By month, what can have been bought by its end, and what a month can pay, once it is told (purse.ts). */
  bought: Bought[];
  payable: readonly Payable[] | null;
  /** By the end of each month all that may be spent until then, beside what is set; empty without a budget. */
  income: readonly number[];
  /** Each quarantine in words, its name aside, and whether some are alike. */
  plain: readonly string[];
  twins: boolean;
  /** Are two batches that would go into one never taken apart (events.ts)? */
  merges: boolean;
  rough: boolean;
  money: Money;
  mayGoOn: () => boolean;
}

/** What is bought and still to be released comes before all else, by its own priority; then the others by theirs. */
export function levelOf(p: Problem, wish: number): number {
  const { priority } = p.wishes[wish] as Wish;
  return p.fixed.some((f) => f.wish === wish && f.release === null) ? priority - BOUGHT_FIRST : priority;
}
const BOUGHT_FIRST = 1e6;

/** The levels there are, the first first. */
export const levelsOf = (p: Problem): number[] =>
  [...new Set(p.wishes.map((_, i) => levelOf(p, i)))].sort((a, b) => a - b);

/** @param rough for many wishes, of whom nothing is proved: bounds need not be sharp, only cheap
 *  @param mayGoOn asked now and then; once it says no, what is found is not all there is
 *  @param known of the same problem: what was reckoned there holds here, too */
export function worldOf(
  p: Problem,
  rough: boolean,
  mayGoOn: () => boolean,
  money: Money = 'every',
  known: World | null = null,
): World {
  const set = stepsSet(p);
  const isFixed = new Set(p.fixed.map((f) => f.wish));
  const levels = levelsOf(p);
  const conflicts = p.wishes.map((_, i) =>
    p.forbidden.flatMap(([a, b]) => (a === i ? [b] : b === i ? [a] : [])),
  );
  const alike = (a: number, b: number) => {
    const { id: _a, ...x } = p.wishes[a] as Wish;
    const { id: _b, ...y } = p.wishes[b] as Wish;
    return (
      JSON.stringify(x) === JSON.stringify(y) &&
      conflicts[a]?.length === 0 &&
      conflicts[b]?.length === 0 &&
      !isFixed.has(a) &&
      !isFixed.has(b)
    );
  };
  const setLoads = [
    ...p.released,
    ...set.map((s) => ({ day: s.release, loadMgN: (p.wishes[s.wish] as Wish).loadMgN })),
  ];
  const order = betweenSet(p, set);
  const latest = order.map(({ to }) => Math.min(to, LATE));
  const least = p.wishes.map((w, i) => {
    const day = isFixed.has(i) || canBeBought(p, w) ? earliestRelease(p, w) : null;
    // What is set stands, whatever it breaks.
    if (day === null || set.some((s) => s.wish === i)) return day;
    const { from, to } = order[i] as { from: number; to: number };
    return Math.max(day, from) > to ? null : Math.max(day, from);
  });
  const calendar = known?.calendar ?? calendarOf(p);
  const spent = spentOf(p, calendar);
  const prices = pricesOf(p);
  let income = 0;
  const plain = p.quarantines.map(({ id: _, ...q }) => JSON.stringify(q));
  const open = openBatches({ p, least, latest, conflicts, prices });
  const world: World = {
    p,
    rough,
    money,
    mayGoOn,
    calendar,
    least,
    latest,
    levels,
    levelOf: p.wishes.map((_, i) => levels.indexOf(levelOf(p, i))),
    conflicts,
    like: p.wishes.map((_, i) => p.wishes.findIndex((__, k) => k === i || (k < i && alike(k, i)))),
    quarantinesOf: p.wishes.map((w) => p.quarantines.flatMap((q, i) => (q.line === w.line ? [i] : []))),
    set,
    lanes: LINES.filter((line) => p.wishes.some((w) => w.line === line)).map((line) => ({
      line,
      mask: p.wishes.reduce((mask, w, i) => (w.line === line ? mask | bitOf(i) : mask), 0),
      quarantines: p.quarantines.flatMap((q, i) => (q.line === line ? [i] : [])),
    })),
    perDay: sumOf(open.map((b) => b.loadMgN)) + sumOf(calendar.quarantines.map((q) => q.capacity)),
    prospects: known?.prospects ?? new Map(),
    batches: known?.batches ?? new Map(),
    open,
    setLoads,
    setHeavy: [...new Set(setLoads.filter((r) => isHeavy(r.loadMgN)).map((r) => r.day))],
    setFits: [],
    setFish: p.fewFirst ? Math.min(LATE, ...set.filter((s) => isFish(p, s)).map((s) => s.release)) : LATE,
    own: ownOf(p, calendar, set, open, least),
    setThere: sumOf(setLoads.filter((r) => r.day <= p.today).map((r) => r.loadMgN)),
    setInAll: sumOf(setLoads.map((r) => r.loadMgN)),
    lineOf: p.quarantines.map((q) => q.line),
    ammonia: new Ammonia(p),
    costs: known?.costs ?? new Map(),
    fewest: known?.fewest ?? new Map(),
    fewestBeside: known?.fewestBeside ?? new Map(),
    prices,
    spent,
    needed: known?.needed ?? (p.budget === null || rough ? null : monthsNeeded(p, calendar, spent, prices)),
    bought: known?.bought ?? [],
    payable: known?.payable ?? null,
    income: p.budget === null ? [] : spent.map((sum) => (income += Math.max(0, (p.budget as number) - sum))),
    plain,
    twins: new Set(plain).size < p.quarantines.length,
    // But where the months may pay one batch only in parts (one way of paying proves nothing in any case).
    merges: p.budget === null || money === 'one' || money === 'sets',
  };
  world.setFits = set.map((s) => doubles(world, [], [], s.release) <= SLACK);
  return world;
}

const isFish = (p: Problem, { wish }: Step): boolean => (p.wishes[wish] as Wish).line === 'fish';

/** Does a quarantine of its line hold a wish, and a month pay it? */
const canBeBought = (p: Problem, w: Wish): boolean =>
  p.quarantines.some((q) => q.line === w.line && w.loadMgN <= capacityOf(q) + SLACK) &&
  w.price <= (p.budget ?? Infinity) + SLACK;

const sumOf = (loads: readonly number[]): number => loads.reduce((sum, load) => sum + load, 0);

/** Load that entered by a day, of what was planned and what is set. */
export function enteredBy(
  world: World,
  days: readonly number[],
  sums: readonly number[],
  day: number,
): number {
  let sum = world.p.displayLoadMgN;
  for (let i = days.length - 1; i >= 0; i--)
    if ((days[i] as number) <= day) {
      sum += sums[i] as number;
      break;
    }
  for (const r of world.setLoads) if (r.day <= day) sum += r.loadMgN;
  return sum;
}

/** By how much a day's load is over what doubling allows (R5). */
export function doubles(world: World, days: readonly number[], sums: readonly number[], day: number): number {
  const before = enteredBy(world, days, sums, day - DOUBLING_DAYS);
  const most = Math.max(2 * before, world.calendar.firstStepBy(day));
  return enteredBy(world, days, sums, day) - most;
}

/** The first day on which a load entered, planned or set, once one was planned. */
export const firstLoad = ({ setHeavy }: World, { firstHeavy }: Label): number =>
  setHeavy.length === 0 ? firstHeavy : Math.min(firstHeavy, ...setHeavy);
