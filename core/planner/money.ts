/** What a partial plan has spent. Which month a batch is bought in matters to nothing but the budget, as long as it is bought in time: so a
 *  partial plan keeps every way of having paid that may still matter, and none is chosen before the end. What is left in a month counts only as
 *  far as some of those to come could be bought for it: a rest that buys nobody is no rest. */
import { SLACK, type Wish } from './problem';
import { type Batch, LATE, type Label, type Paid, type Paying } from './label';
import type { World } from './world';

/** Cumulated: the most that can have been left by the end of each month, whatever way was taken. */
export function leftByMonth(world: World, ways: readonly Paid[]): number[] {
  const most = world.calendar.months.map(() => 0);
  for (const way of ways) {
    let sum = 0;
    for (let k = 0; k < most.length; k++) {
      sum += way.useful[k] as number;
      if (sum > (most[k] as number)) most[k] = sum;
    }
  }
  return most;
}

/** With an event, by month the price of all that could be bought in it or later only.
 *  @param open by batch the months it could be bought in */
export function begunWith(
  before: readonly number[],
  batches: readonly Batch[],
  open: readonly (readonly number[])[],
): number[] {
  const begun = before.slice();
  for (let k = 0; k < batches.length; k++) {
    const { price } = batches[k] as Batch;
    const first = (open[k] as readonly number[])[0] ?? -1;
    for (let m = 0; m <= first; m++) begun[m] = (begun[m] as number) + price;
  }
  return begun;
}

/** All that may be spent from a month to the end of another. */
const incomeOf = ({ income }: World, from: number, to: number): number =>
  (income[to] as number) - (from > 0 ? (income[from - 1] as number) : 0);

/** From each month to a last one, is there enough for what could not be bought before it? */
export function monthsSuffice(world: World, begun: readonly number[], last: number): boolean {
  for (let m = 0; m <= last; m++) if ((begun[m] as number) > incomeOf(world, m, last) + SLACK) return false;
  return true;
}

/** The month from which on those to come can buy: once a quarantine of theirs is free. */
export function buysFromMonth({ calendar, least, quarantinesOf }: World, { placed, free }: Label): number {
  let soonest = LATE;
  for (let i = 0; i < placed.length; i++)
    if (!placed[i] && least[i] !== null)
      for (const q of quarantinesOf[i] as number[]) soonest = Math.min(soonest, free[q] as number);
  return soonest < calendar.end ? calendar.monthAt(soonest) : calendar.months.length;
}

/** By the end of each month the most that can be left for those to come: what was not spent before they can buy is lost to them.
 *  @param from the month from which on they can */
export function leftAfter(world: World, begun: readonly number[], from: number): number[] {
  const left: number[] = [];
  let before = 0;
  let gone = 0;
  for (let k = 0; k < begun.length; k++) {
    // From some month on that they may have to wait for, all that could not be bought before it.
    if (k <= from) gone = Math.max(gone, before + (begun[k] as number));
    before = world.income[k] as number;
    left.push(Math.max(0, before - gone));
  }
  return left;
}

/** What those to come could want of the months. */
export interface Wants {
  /** By month what they could spend in it. */
  wanted: readonly number[];
  /** All that some of them could cost together, rising; null where every rest counts as it is. */
  costs: Float64Array | null;
}

/** What all who are left could want, bought one by one. @param latest releases after it are of no use, and so is whatever is bought too late for it */
export const wantsOf = (
  world: World,
  { key, placed, free }: Pick<Label, 'key' | 'placed' | 'free'>,
  latest: number,
): Wants => ({
  wanted: wantedByMonth(world, placed, free, latest),
  costs: costsOf(world, key, placed),
});

/** By month what those who are left could still spend in it: all whose quarantine is free by its end.
 *  @param free by quarantine, the first day on which may be bought again */
function wantedByMonth(
  world: World,
  placed: readonly boolean[],
  free: readonly number[],
  latest: number,
): number[] {
  const { p, calendar, prices } = world;
  const lines = new Map<string, { wanted: number; from: number }>();
  p.quarantines.forEach((q, i) => {
    const line = lines.get(q.line);
    const from = Math.min(line?.from ?? Infinity, free[i] as number);
    lines.set(q.line, { wanted: 0, from });
  });
  for (let i = 0; i < placed.length; i++) {
    const w = p.wishes[i] as Wish;
    const line = lines.get(w.line);
    if (line && !placed[i] && world.least[i] !== null) line.wanted += prices[i] as number;
  }
  const all = [...lines.values()];
  return calendar.months.map(({ to, out }) => {
    if (out > latest) return 0;
    let wanted = 0;
    for (const line of all) if (line.from <= to) wanted += line.wanted;
    return wanted;
  });
}

/** With more to come than this, every rest counts as it is. */
const FEW_LEFT = 12;

/** All that some of those to come could cost together, rising. */
function costsOf(world: World, key: number | string, placed: readonly boolean[]): Float64Array | null {
  const known = world.costs.get(key);
  if (known !== undefined) return known;
  const prices = placed.flatMap((done, i) =>
    done || world.least[i] === null ? [] : [world.prices[i] as number],
  );
  // A cost of nothing is always among them.
  const costs = prices.length > FEW_LEFT ? null : Float64Array.from(sumsOf(prices)).sort();
  world.costs.set(key, costs);
  return costs;
}

/** All that some prices could come to together. */
export function sumsOf(prices: readonly number[]): number[] {
  let sums = [0];
  for (const price of prices) if (price > 0) sums = [...new Set([...sums, ...sums.map((s) => s + price)])];
  return sums;
}

/** The largest of rising sums that is no more than a rest. */
function atMost(costs: Float64Array, rest: number): number {
  const top = costs.length - 1;
  if (top === 0) return 0;
  if (rest >= (costs[top] as number)) return costs[top] as number;
  if (rest < (costs[1] as number) - SLACK) return 0;
  let low = 0;
  let high = costs.length - 1;
  while (low < high) {
    const mid = (low + high + 1) >> 1;
    if ((costs[mid] as number) <= rest + SLACK) low = mid;
    else high = mid - 1;
  }
  return costs[low] as number;
}

/** Is one way at least as good as another in every month that counts? */
function leavesMore({ p }: World, wanted: readonly number[], a: Paying, b: Paid): boolean {
  const budget = (p.budget as number) + SLACK;
  for (let m = 0; m < wanted.length; m++) {
    const counts = Math.min(wanted[m] as number, b.useful[m] as number);
    if (counts > 0 && budget - (a.spent[m] as number) < counts) return false;
  }
  return true;
}

/** The ways none of the others, nor any of those known, is as good as. */
export function worthKeeping(
  world: World,
  { wanted, costs }: Wants,
  ways: readonly Paying[],
  known: readonly Paid[],
): Paid[] {
  const budget = world.p.budget ?? 0;
  const kept: Paid[] = [];
  for (const paying of ways) {
    const useful = paying.spent.map((spent, m) => {
      if (wanted[m] === 0) return 0;
      const rest = Math.max(0, budget - spent);
      return costs === null ? rest : atMost(costs, rest);
    });
    const { spent, months, open, before } = paying;
    const way: Paid = { spent, months, open, before, useful };
    const beaten = (other: Paid) => leavesMore(world, wanted, other, way);
    if (known.some(beaten) || kept.some(beaten)) continue;
    for (let i = kept.length - 1; i >= 0; i--)
      if (leavesMore(world, wanted, way, kept[i] as Paid)) kept.splice(i, 1);
    kept.push(way);
  }
  return kept;
}

/** Does one of these leave all that could still be wanted? Then no later purchase would leave more. */
export const leavesEnough = ({ p }: World, wanted: readonly number[], ways: readonly Paid[]): boolean =>
  ways.some(({ spent }) =>
    wanted.every((w, m) => w === 0 || (p.budget as number) - (spent[m] as number) + SLACK >= w),
  );

/** Those of some ways none of others leaves as much as where it counts. */
export const waysBeyond = (
  world: World,
  wanted: readonly number[],
  ways: readonly Paid[],
  others: readonly Paid[],
): readonly Paid[] => ways.filter((way) => !others.some((other) => leavesMore(world, wanted, other, way)));
