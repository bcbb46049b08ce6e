/** What a search is about, and its partial plans. */
import { Ammonia } from './ammonia';
import { type Calendar, calendarOf, CLEANERS } from './calendar';
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
} from './problem';

export const NONE = -(1 << 30);

/** Neither is so large that a browser keeps it as a fraction: those are slower to reckon with. */
export const LATE = (1 << 30) - 1;

/** How good a plan is, worst last: wishes placed by level, then last release, batches, sum of release days (each the less the better). */
export interface Worth {
  placed: number[];
  last: number;
  batches: number;
  sum: number;
}

/** One batch of an event: who, where, and the month of its purchase where that matters. */
export interface Batch {
  quarantine: number;
  /** Cleaners, or its line: as in Until of calendar.ts. */
  line: number;
  wishes: number[];
  /** A bit for each of them, and for each that may not be with one of them; of wishes from 32 on none. */
  mask: number;
  enemies: number;
  loadMgN: number;
  price: number;
  heavy: boolean;
  /** The latest of the days from which each may be released, and the earliest of those up to which. */
  least: number;
  latest: number;
  crew: boolean;
  fish: boolean;
  /** The gentlest and the fiercest fish in it. */
  gentlest: number;
  fiercest: number;
  /** Is it what the person bought, nobody beside it? */
  isOwn: boolean;
  /** Bought already on this day, and the day it is to be released where that is set. */
  boughtOn: number | null;
  releasedOn: number | null;
}

/** One way of having paid. */
export interface Paid {
  /** By month. */
  spent: readonly number[];
  /** Of the last event's batches the month each is bought in; null where it does not matter. */
  months: readonly (number | null)[];
  /** And all the months each could be bought in; empty where only one was tried. */
  open: readonly (readonly number[])[];
  before: Paid | null;
  /** By month, the most that those to come could cost for what is left. */
  useful: readonly number[];
}

/** A batch that is to be paid for in one month, the first in which it could be bought, and its line or that it is of cleaners, as in Until of calendar.ts. */
export interface ToBuy {
  mask: number;
  price: number;
  from: number;
  line: number;
  /** The quarantine it waits for, or ANY_QUARANTINE of its line, or NO_QUARANTINE where it joins what is there. */
  quarantine: number;
}
export const ANY_QUARANTINE = -1;
export const NO_QUARANTINE = -2;

/** What is to be paid for. */
export interface Bill {
  /** By month the price of all that could be bought in it or later only. */
  begun: readonly number[];
  /** By batch, in the order of masks. */
  buys: readonly ToBuy[];
}

/** A way before it is known who is to come after it. */
export type Paying = Omit<Paid, 'useful'>;

/** What a search asks of money: every way of paying that may matter, one way, or only that the months suffice for what is bought by a day: as if
 *  each wish could be paid for by itself in any of them, and as if what is bought could be paid for in parts from the month on in which it can be bought. */
export type Money = 'every' | 'one' | 'months';

export interface Label {
  placed: boolean[];
  key: number | string;
  /** A bit for each that is placed, of the first 32. */
  mask: number;
  day: number;
  firstHeavy: number;
  lastHeavy: number;
  crewLast: number;
  /** The first day on which a fish of each temperament entered. */
  fishFirst: [number, number, number];
  /** By quarantine, the first day on which may be bought again. */
  free: number[];
  /** Loads that entered, in order: days and running sums. */
  days: number[];
  sums: number[];
  /** Every way of having paid that may still matter; one without a budget. */
  ways: readonly Paid[];
  /** By month what those to come could still spend in it; empty without a budget. */
  wanted: readonly number[];
  /** By the end of each month the most that is left, cumulated; empty without a budget. */
  leftBy: readonly number[];
  /** But where every way of paying is known: what is to be paid for, and where money is only a matter of months what other partial plans that it stands
   *  for would have to pay for (bills.ts). */
  bills: readonly Bill[];
  worth: Worth;
  parent: Label | null;
  /** What enters on its day. */
  batches: readonly Batch[];
  /** What was told of it, measured by a plan (bounds.ts). */
  told: { best: Worth; hope: Told | null } | null;
  /** When those to come could enter, once it is told (soonest.ts). */
  entering: Entering | null;
}

/** Who could still be placed after a label, and who of them is. */
export interface Case {
  left: readonly number[];
  sure: readonly number[];
}

/** When those to come could enter after a label, in a case of who they are. */
export interface Entering {
  of: Case;
  /** By quarantine, the first day on which it could release. */
  outs: readonly number[];
  /** By wish, the day from which it can enter. */
  from: readonly number[];
}

/** What may become of a label: who could still be placed, and those of them whom every plan has that places the most. */
export interface Prospect extends Case {
  /** The most that could be placed, by level. */
  most: readonly number[];
  /** Of two that may not meet one is lost: in every plan that places the most, one of these is so. */
  cases: readonly Case[];
}

/** What a plan that places the most cannot better. */
export interface Hope {
  last: number;
  batches: number;
  sum: number;
}

/** The same while the sum still lacks the days of those who are sure in a case; null where it is whole. */
export interface Told extends Hope {
  of: Case | null;
}

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

/** All labels on the way to one, itself the last and the first of all left out. */
export function pastOf(label: Label): Label[] {
  const past: Label[] = [];
  for (let l = label; l.parent; l = l.parent) past.unshift(l);
  return past;
}

/** The first of all. */
export function rootOf(label: Label): Label {
  let root = label;
  while (root.parent) root = root.parent;
  return root;
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
  const set = p.fixed.flatMap((f): Step[] =>
    f.release === null ? [] : [{ wish: f.wish, buy: f.buy, quarantine: f.quarantine, release: f.release }],
  );
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
    merges: p.budget === null || money === 'one',
  };
  world.setFits = set.map((s) => doubles(world, [], [], s.release) <= SLACK);
  return world;
}

/** Does a quarantine of its line hold a wish, and a month pay it? */
const canBeBought = (p: Problem, w: Wish): boolean =>
  p.quarantines.some((q) => q.line === w.line && w.loadMgN <= capacityOf(q) + SLACK) &&
  w.price <= (p.budget ?? Infinity) + SLACK;

const sumOf = (loads: readonly number[]): number => loads.reduce((sum, load) => sum + load, 0);

/** What a batch is made of. */
type Grouping = Pick<World, 'p' | 'least' | 'latest' | 'conflicts' | 'prices'>;

/** What was bought together is released together; whoever can never be released is left where it is and keeps no mate in. */
function openBatches(world: Grouping): Batch[] {
  const { p, least } = world;
  const open = p.fixed.filter((f) => f.release === null);
  const stays = (wish: number) => (least[wish] ?? LATE) > p.today + p.horizonDays;
  const keyOf = (f: (typeof open)[number]) => `${f.quarantine} ${f.buy} ${stays(f.wish)}`;
  const keys = [...new Set(open.map(keyOf))];
  return keys.map((key) => {
    const wishes = open.filter((f) => keyOf(f) === key);
    const [first] = wishes as [(typeof open)[number]];
    const batch = batchOf(
      world,
      first.quarantine,
      wishes.map((f) => f.wish),
      first.buy,
      null,
    );
    // Two of them that may not live together never both go.
    const staying = wishes.some((f) => meets(world, f.wish, batch));
    return { ...batch, isOwn: true, least: staying ? LATE : batch.least };
  });
}

/** Is one that a wish may not live with in a batch? */
const meets = ({ conflicts }: Pick<World, 'conflicts'>, wish: number, { wishes }: Batch): boolean =>
  (conflicts[wish] as number[]).some((other) => wishes.includes(other));

/** What a bit can stand for. */
export const BITS = 32;
export const bitOf = (wish: number): number => (wish < BITS ? 1 << wish : 0);

export function batchOf(
  world: Grouping,
  quarantine: number,
  wishes: number[],
  boughtOn: number | null,
  releasedOn: number | null,
): Batch {
  const { p, least, latest, conflicts, prices } = world;
  const batch: Batch = {
    quarantine,
    line: LINES.indexOf((p.quarantines[quarantine] as Problem['quarantines'][number]).line),
    wishes,
    mask: 0,
    enemies: 0,
    loadMgN: 0,
    price: 0,
    heavy: false,
    least: NONE,
    latest: LATE,
    crew: false,
    fish: false,
    gentlest: LATE,
    fiercest: NONE,
    isOwn: false,
    boughtOn,
    releasedOn,
  };
  for (const i of wishes) {
    const w = p.wishes[i] as Wish;
    batch.mask |= bitOf(i);
    for (const other of conflicts[i] as number[]) batch.enemies |= bitOf(other);
    batch.loadMgN += w.loadMgN;
    batch.price += prices[i] as number;
    batch.heavy ||= isHeavy(w.loadMgN);
    batch.least = Math.max(batch.least, least[i] ?? LATE);
    batch.latest = Math.min(batch.latest, latest[i] as number);
    batch.crew ||= isCrew(w);
    if (isCrew(w)) batch.line = CLEANERS;
    if (w.line !== 'fish') continue;
    batch.fish = true;
    batch.gentlest = Math.min(batch.gentlest, w.temperament ?? 0);
    batch.fiercest = Math.max(batch.fiercest, w.temperament ?? 0);
  }
  return batch;
}

/** Who is placed, as a key: by bits where there are enough. */
export const keyOf = (placed: readonly boolean[], mask: number): number | string =>
  placed.length <= BITS ? mask : placed.map((x) => (x ? '1' : '0')).join('');

/** Below zero where a is better. */
export function compareWorth(a: Worth, b: Worth): number {
  for (let i = 0; i < a.placed.length; i++) {
    const more = (b.placed[i] as number) - (a.placed[i] as number);
    if (more !== 0) return more;
  }
  return a.last - b.last || a.batches - b.batches || a.sum - b.sum;
}

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
  const most = Math.max(2 * enteredBy(world, days, sums, day - DOUBLING_DAYS), world.p.firstStepMgN);
  return enteredBy(world, days, sums, day) - most;
}

/** The first day on which a load entered, planned or set, once one was planned. */
export const firstLoad = ({ setHeavy }: World, { firstHeavy }: Label): number =>
  setHeavy.length === 0 ? firstHeavy : Math.min(firstHeavy, ...setHeavy);

export const isCrew = (w: Wish): boolean => w.line === 'invertebrate' && w.crew;

/** As in Until of calendar.ts. */
export const boughtAs = (w: Wish): number => (isCrew(w) ? CLEANERS : LINES.indexOf(w.line));
