/** What no plan that follows a partial one can better: when it ends. */
import { type StayCalendar } from './calendar';
import { maskOf, paidFrom } from './fewest';
import { SLACK, type Wish, isHeavy } from './problem';
import { enteringAfter, latestFirst, reachOf } from './soonest';
import { type Case, type Label, LATE, NONE, type Prospect } from './label';
import { type Lane, type World, firstLoad } from './world';

/** The earliest last release of a plan that places the most.
 *  @param over anything later is told no further apart */
export function lastAtLeast(world: World, label: Label, { cases }: Prospect, over: number = LATE): number {
  let last = LATE;
  for (const c of cases) last = Math.min(last, lastIn(world, label, c, over));
  return last;
}

/** The earliest last release of a plan that places all of those that are sure. */
export function lastIn(world: World, label: Label, c: Case, over: number): number {
  const { left, sure } = c;
  const { p, calendar } = world;
  let last = Math.max(label.worth.last, sure.length > 0 ? label.day : NONE);
  if (sure.length === 0) return last;
  const { outs, from } = enteringAfter(world, label, c);
  let load = 0;
  let price = 0;
  for (const i of sure) {
    const w = p.wishes[i] as Wish;
    last = Math.max(last, from[i] as number);
    load += w.loadMgN;
    price += world.prices[i] as number;
  }
  // Money: the last is bought in the month by which all can be paid for.
  if (p.budget !== null) {
    if (price > SLACK) {
      let month = 0;
      while (month < label.leftBy.length && (label.leftBy[month] as number) + SLACK < price) month++;
      last = Math.max(last, calendar.months[month]?.out ?? LATE);
    }
    last = Math.max(last, paidFrom(world, label.mask | maskOf(sure)));
  }
  if (last > over) return last;
  for (const lane of world.lanes) last = Math.max(last, throughput(world, label, lane, outs, sure, from));
  if (last > over) return last;
  // Doubling: half of the whole load must have been there thirty days before the last release.
  const all = p.displayLoadMgN + (label.sums[label.sums.length - 1] ?? 0) + load;
  if (load > 0) last = Math.max(last, reachOf(world, label, left, from)(all - SLACK));
  return last > over ? last : Math.max(last, settled(world, label, sure, from));
}

/** The earliest last release by settling (R4): so many days on which a load enters, of all of them and of those that cannot come before a day. */
function settled(world: World, label: Label, sure: readonly number[], from: readonly number[]): number {
  const { p, perDay } = world;
  let last = NONE;
  let load = 0;
  let days = 0;
  // The latest first: whoever cannot come before a day needs so many days from it on.
  for (const i of heavyLatestFirst(world, sure, from)) {
    load += (p.wishes[i] as Wish).loadMgN;
    days = Math.ceil(load / perDay - 1e-9);
    last = Math.max(last, (from[i] as number) + p.settleDays * (days - 1));
  }
  if (days === 0) return NONE;
  if (label.lastHeavy !== NONE)
    return Math.max(last, label.lastHeavy + p.settleDays * days, firstLoad(world, label) + p.firstSettleDays);
  if (days === 1) return last;
  const firstGap = world.setHeavy.length > 0 ? p.settleDays : Math.max(p.settleDays, p.firstSettleDays);
  return Math.max(last, label.day + firstGap + p.settleDays * (days - 2));
}

function heavyLatestFirst({ p }: World, sure: readonly number[], from: readonly number[]): number[] {
  const heavy: number[] = [];
  for (const i of sure) if (isHeavy((p.wishes[i] as Wish).loadMgN)) heavy.push(i);
  return latestFirst(heavy, from);
}

/** What a quarantine passes on at one release at most. */
export function passesOn(world: World, label: Label, q: number): number {
  const { capacity } = world.calendar.quarantines[q] as StayCalendar;
  // What was bought while another batch was in it may leave with that.
  let begun = 0;
  for (const b of world.open)
    if (b.quarantine === q && !label.placed[b.wishes[0] as number]) begun += b.loadMgN;
  return Math.max(capacity, begun);
}

/** Of the next releases of a line's quarantines the soonest: which of them it is. */
export function soonestAt(next: readonly number[]): number {
  let at = 0;
  for (let k = 1; k < next.length; k++) if ((next[k] as number) < (next[at] as number)) at = k;
  return at;
}

/** The release of a quarantine after one. */
export const releaseAfter = ({ calendar }: World, q: number, release: number): number =>
  (calendar.quarantines[q] as StayCalendar).firstOut(release + 1);

/** The earliest day by which a line's quarantines can have passed on all who are sure, and those that cannot come before a day. */
function throughput(
  world: World,
  label: Label,
  lane: Lane,
  outs: readonly number[],
  sure: readonly number[],
  from: readonly number[],
): number {
  const { wishes } = world.p;
  const here: number[] = [];
  for (const i of sure) if ((wishes[i] as Wish).line === lane.line) here.push(i);
  let last = NONE;
  let load = 0;
  if (here.length === 0) return last;
  if (world.rough) {
    for (const i of here) load += (wishes[i] as Wish).loadMgN;
    return passedBy(world, label, lane, outs, NONE, load);
  }
  latestFirst(here, from);
  for (let k = 0; k < here.length; k++) {
    const i = here[k] as number;
    load += (wishes[i] as Wish).loadMgN;
    const day = from[i] as number;
    // Of those alike in their day all at once.
    if (k + 1 < here.length && from[here[k + 1] as number] === day) continue;
    last = Math.max(last, passedBy(world, label, lane, outs, day, load));
  }
  return last;
}

/** The day by which quarantines have passed a load on: each as much as it holds, the soonest first. */
export function passedBy(
  world: World,
  label: Label,
  lane: Lane,
  outs: readonly number[],
  from: number,
  needed: number,
): number {
  const next: number[] = [];
  for (const q of lane.quarantines) next.push(Math.max(outs[q] as number, from));
  let passed = 0;
  let last = NONE;
  while (passed < needed - 1e-6 && last < LATE) {
    const at = soonestAt(next);
    const q = lane.quarantines[at];
    if (q === undefined) return LATE;
    last = next[at] as number;
    passed += passesOn(world, label, q);
    next[at] = releaseAfter(world, q, last);
  }
  return last;
}
