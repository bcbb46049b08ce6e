/** What no plan that follows a partial one can better: its sum of days. */
import { type Month } from './calendar';
import { passesOn, soonestAt, releaseAfter } from './ends';
import { paidFrom } from './fewest';
import { SLACK, type Wish } from './problem';
import { enteringAfter, reachOf } from './soonest';
import { type Case, type Label, LATE } from './label';
import type { Lane, World } from './world';

/** The least sum of the release days of all that are sure. Whatever bounds the first of them to be released, the second and so on, by their quarantines, by
 *  doubling or by money, does so in every plan: the sharpest of each counts. */
export function sumAtLeast(world: World, label: Label, c: Case): number {
  const { left, sure } = c;
  const { outs, from } = enteringAfter(world, label, c);
  const days: number[] = [];
  for (const lane of world.lanes)
    for (const day of byStays(world, label, lane, outs, sure, from)) sortIn(days, day);
  raise(days, byDoubling(world, label, left, sure, from));
  if (world.p.budget !== null) raise(days, byMoney(world, label, sure));
  let sum = 0;
  for (const day of days) sum += day;
  return sum;
}

/** Into rising numbers. */
function sortIn(rising: number[], value: number): void {
  let at = rising.length;
  for (; at > 0 && (rising[at - 1] as number) > value; at--) rising[at] = rising[at - 1] as number;
  rising[at] = value;
}

/** Each day no earlier than another. */
function raise(days: number[], least: readonly number[]): void {
  for (let k = 0; k < days.length; k++) days[k] = Math.max(days[k] as number, least[k] as number);
}

/** Of some wishes of a line the earliest day of the first release, the second and so on: by itself, and by what its quarantines hold. */
function byStays(
  world: World,
  label: Label,
  lane: Lane,
  outs: readonly number[],
  sure: readonly number[],
  from: readonly number[],
): number[] {
  const days: number[] = [];
  // The lightest first leave the fewest for later stays.
  const loads: number[] = [];
  for (const i of sure) {
    if ((lane.mask & (1 << i)) === 0) continue;
    sortIn(days, from[i] as number);
    sortIn(loads, (world.p.wishes[i] as Wish).loadMgN);
  }
  if (days.length === 0) return days;
  const next: number[] = [];
  for (const q of lane.quarantines) next.push(outs[q] as number);
  let passed = 0;
  let room = 0;
  let day = label.day;
  for (let k = 0; k < loads.length; k++) {
    passed += loads[k] as number;
    while (passed > room + 1e-6) {
      const at = soonestAt(next);
      const q = lane.quarantines[at] as number;
      const release = next[at] as number;
      day = Math.max(label.day, release);
      room += release < LATE ? passesOn(world, label, q) : Infinity;
      next[at] = releaseAfter(world, q, release);
    }
    days[k] = Math.max(days[k] as number, day);
  }
  return days;
}

/** The earliest day of the first release of some wishes, the second and so on, by doubling: the lightest first. */
function byDoubling(
  world: World,
  label: Label,
  left: readonly number[],
  sure: readonly number[],
  from: readonly number[],
): number[] {
  const { p } = world;
  const reach = reachOf(world, label, left, from);
  const loads: number[] = [];
  for (const i of sure) sortIn(loads, (p.wishes[i] as Wish).loadMgN);
  let entered = p.displayLoadMgN + (label.sums[label.sums.length - 1] ?? 0);
  for (let k = 0; k < loads.length; k++) {
    entered += loads[k] as number;
    loads[k] = Math.max(label.day, reach(entered - SLACK));
  }
  return loads;
}

/** The same were there only money: the cheapest are paid for first. */
function byMoney(world: World, label: Label, sure: readonly number[]): number[] {
  const { calendar, prices } = world;
  const days = cheapestFirst(sure, prices);
  let { mask } = label;
  let paid = 0;
  let month = 0;
  for (let k = 0; k < days.length; k++) {
    const i = days[k] as number;
    const price = prices[i] as number;
    paid += price;
    mask |= 1 << i;
    while (paid > (label.leftBy[month] as number) + SLACK && month + 1 < calendar.months.length) month++;
    const byMonths = paidFrom(world, mask);
    days[k] = Math.max(label.day, byMonths, price === 0 ? 0 : (calendar.months[month] as Month).out);
  }
  return days;
}

function cheapestFirst(sure: readonly number[], prices: readonly number[]): number[] {
  const wishes: number[] = [];
  for (const i of sure) {
    let at = wishes.length;
    for (; at > 0 && (prices[wishes[at - 1] as number] as number) > (prices[i] as number); at--)
      wishes[at] = wishes[at - 1] as number;
    wishes[at] = i;
  }
  return wishes;
}
