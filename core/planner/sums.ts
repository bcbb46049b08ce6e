/** What no plan that follows a partial one can better: its sum of days. */
import { type Month } from './calendar';
import { passesOn, soonestAt, releaseAfter } from './ends';
import { paidFrom } from './fewest';
import { SLACK, type Wish } from './problem';
import { enteringAfter, reachOf } from './soonest';
import { type Case, type Label, type Lane, LATE, type World } from './world';

/** The least sum of the release days of all that are sure. Whatever bounds the first of them to be released, the second and so on, by their quarantines, by
 *  doubling or by money, does so in every plan: the sharpest of each counts. */
export function sumAtLeast(world: World, label: Label, c: Case): number {
  const { left, sure } = c;
  const { p } = world;
  const { outs, from } = enteringAfter(world, label, c);
  const days: number[] = [];
  for (const lane of world.lanes) {
    const here = sure.filter((i) => (p.wishes[i] as Wish).line === lane.line);
    days.push(...byStays(world, label, lane, outs, here, from));
  }
  days.sort(rising);
  if (world.setLoads.length === 0) raise(days, byDoubling(world, label, left, sure, from));
  if (p.budget !== null) raise(days, byMoney(world, label, sure));
  let sum = 0;
  for (const day of days) sum += day;
  return sum;
}

const rising = (a: number, b: number): number => a - b;

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
  here: readonly number[],
  from: readonly number[],
): number[] {
  const days = here.map((i) => from[i] as number).sort(rising);
  // The lightest first leave the fewest for later stays.
  const loads = here.map((i) => (world.p.wishes[i] as Wish).loadMgN).sort(rising);
  const next = lane.quarantines.map((q) => outs[q] as number);
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
  let entered = p.displayLoadMgN + (label.sums[label.sums.length - 1] ?? 0);
  return sure
    .map((i) => (p.wishes[i] as Wish).loadMgN)
    .sort(rising)
    .map((load) => {
      entered += load;
      return Math.max(label.day, reach(entered - SLACK));
    });
}

/** The same were there only money: the cheapest are paid for first. */
function byMoney(world: World, label: Label, sure: readonly number[]): number[] {
  const { calendar, prices } = world;
  const cheapest = [...sure].sort((a, b) => (prices[a] as number) - (prices[b] as number));
  let { mask } = label;
  let paid = 0;
  let month = 0;
  return cheapest.map((i) => {
    const price = prices[i] as number;
    paid += price;
    mask |= 1 << i;
    while (paid > (label.leftBy[month] as number) + SLACK && month + 1 < calendar.months.length) month++;
    const byMonths = paidFrom(world, mask);
    return Math.max(label.day, byMonths, price === 0 ? 0 : (calendar.months[month] as Month).out);
  });
}
