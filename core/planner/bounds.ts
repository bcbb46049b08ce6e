/** What no plan that follows a partial one can better: how many it places, when it ends, its batches, its sum of days. */
import { type Month, type StayCalendar } from './calendar';
import { batchesAtLeast, batchesFor, maskOf, paidFrom } from './fewest';
import { DOUBLING_DAYS, type Problem, SLACK, type Wish, isHeavy } from './problem';
import { couldBePaid } from './packed';
import { ALWAYS, type MayEnter, mayEnterAfter, roughlyWhoMayEnter, whoMayEnter } from './doubling';
import { batchesOf, boughtBy, daysOf } from './purse';
import { enterFrom, firstOuts, latestFirst, reachOf } from './soonest';
import {
  type Batch,
  BITS,
  type Case,
  type Hope,
  type Label,
  type Lane,
  LATE,
  NONE,
  type Prospect,
  type World,
  type Worth,
  firstLoad,
} from './world';

/** Who could still be placed after a label, as far as order, company and what is set go. */
function possible(world: World, label: Label): readonly number[] {
  const { p } = world;
  const out: number[] = [];
  for (let i = 0; i < p.wishes.length; i++)
    if (!label.placed[i] && world.least[i] !== null && mayStill(world, label, i)) out.push(i);
  return world.rough
    ? roughlyWhoMayEnter(world, label, out)
    : whoMayEnter(mayEnterAfter(world, label), out, []);
}

function mayStill(world: World, label: Label, i: number): boolean {
  const { p } = world;
  const w = p.wishes[i] as Wish;
  for (const other of world.conflicts[i] as number[]) if (label.placed[other]) return false;
  if ((world.quarantinesOf[i] as number[]).length === 0) return false;
  const [a, b, c] = label.fishFirst;
  if (w.line === 'invertebrate' && w.crew && Math.min(a, b, c) < LATE) return false;
  if (w.line === 'fish') {
    const t = w.temperament ?? 0;
    const fiercer = Math.min(t < 1 ? b : LATE, t < 2 ? c : LATE);
    // On the very day of the fiercer it may still come.
    if (fiercer < label.day) return false;
  }
  return true;
}

/** Whoever is at a level is there in every plan that places so many of it, and keeps others of lower ones out: their enemies, and those with whom
 *  the load of one could never enter. */
export function prospectOf(world: World, label: Label): Prospect {
  const money = world.p.budget === null ? LATE : moneyLeft(world, label) + SLACK;
  if (world.rough || world.p.wishes.length > BITS) return reckoned(world, label, money);
  const state = stateOf(world, label);
  let known = world.prospects.get(state);
  if (!known) world.prospects.set(state, (known = new Map()));
  let prospect = known.get(money);
  if (!prospect) known.set(money, (prospect = reckoned(world, label, money)));
  return prospect;
}

/** All that a prospect hangs on but money: who is placed, whether a fiercer fish came on an earlier day, and how much of what is set is there. */
function stateOf({ setLoads }: World, { mask, day, fishFirst: [, middling, fierce] }: Label): number {
  const passed = (fierce < day ? 2 : 0) + (Math.min(middling, fierce) < day ? 1 : 0);
  let there = 0;
  for (const r of setLoads) if (r.day <= day) there++;
  return ((mask >>> 0) * 4 + passed) * (setLoads.length + 1) + there;
}

function reckoned(world: World, label: Label, budget: number): Prospect {
  const left = possible(world, label);
  const most = [...label.worth.placed];
  const mayEnter = mayEnterAfter(world, label);
  const sure: number[] = [];
  const pairs: Pair[] = [];
  let money = budget;
  let pool = left;
  for (let level = 0; level < most.length; level++) {
    const here = pool.filter((i) => world.levelOf[i] === level);
    if (here.length === 0) continue;
    const lost = pairsAmong(world, mayEnter, pool, here, sure);
    const count = here.length - lost.length;
    if (world.p.budget !== null) {
      const paid = paidFor(world, here, money, count);
      money -= paid.price;
      if (paid.count < count) {
        most[level]! += paid.count;
        continue;
      }
    }
    most[level]! += count;
    pairs.push(...lost);
    for (const i of here) if (!isPaired(lost, i)) sure.push(i);
    if (level + 1 < most.length) pool = besides(world, mayEnter, pool, sure);
  }
  return { left, most, sure, cases: casesOf(world, { left, sure }, pairs) };
}

/** With more pairs than this the others are left open. */
const MOST_PAIRS = 2;

/** By who of each pair is placed. */
function casesOf(world: World, first: Case, pairs: readonly Pair[]): Case[] {
  let cases = [first];
  if (world.rough) return cases;
  for (const pair of pairs.slice(0, MOST_PAIRS))
    cases = cases.flatMap(({ left, sure }) =>
      pair.map((chosen) => ({
        left: left.filter((i) => !(world.conflicts[chosen] as number[]).includes(i)),
        sure: [...sure, chosen],
      })),
    );
  return cases;
}

/** Those who could be there together with all that are sure, and these. */
function besides(
  world: World,
  mayEnter: MayEnter,
  pool: readonly number[],
  sure: readonly number[],
): readonly number[] {
  const met =
    world.p.forbidden.length === 0
      ? pool
      : pool.filter((i) => !(world.conflicts[i] as number[]).some((other) => sure.includes(other)));
  if (mayEnter === ALWAYS) return met;
  const able = whoMayEnter(mayEnter, met, sure);
  return able.filter((i) => sure.includes(i) || sure.every((k) => mayEnter(k, able, [...sure, i])));
}

/** The cheapest of some, as many as money is there for. */
function paidFor(
  world: World,
  here: readonly number[],
  money: number,
  most: number,
): { count: number; price: number } {
  const prices = here.map((i) => world.prices[i] as number).sort((a, b) => a - b);
  let count = 0;
  let price = 0;
  while (count < most && price + (prices[count] as number) <= money) price += prices[count++] as number;
  return { count, price };
}

type Pair = readonly [number, number];

const isPaired = (pairs: readonly Pair[], i: number): boolean => pairs.some(([a, b]) => a === i || b === i);

/** Pairs of whom one is lost, nobody in two of them: they may not meet, or with the one there the other's load never may enter. */
function pairsAmong(
  world: World,
  mayEnter: MayEnter,
  pool: readonly number[],
  here: readonly number[],
  sure: readonly number[],
): Pair[] {
  const pairs: Pair[] = [];
  if (world.p.forbidden.length === 0 && mayEnter === ALWAYS) return pairs;
  const keepsOut = (a: number, b: number) => !mayEnter(b, pool, [...sure, a]);
  for (const a of here)
    for (const b of here) {
      if (b <= a || isPaired(pairs, a) || isPaired(pairs, b)) continue;
      if ((world.conflicts[a] as number[]).includes(b) || keepsOut(a, b) || keepsOut(b, a))
        pairs.push([a, b]);
    }
  return pairs;
}

/** What may still be spent in all, up to the last month whose purchase can be out in time. */
function moneyLeft({ calendar }: World, label: Label): number {
  let k = calendar.months.length - 1;
  while (k >= 0 && (calendar.months[k] as Month).out >= calendar.end) k--;
  return label.leftBy[k] ?? 0;
}

/** The earliest last release of a plan that places the most.
 *  @param over anything later is told no further apart */
export function lastAtLeast(world: World, label: Label, { cases }: Prospect, over: number = LATE): number {
  let last = LATE;
  for (const c of cases) last = Math.min(last, lastIn(world, label, c, over));
  return last;
}

/** The earliest last release of a plan that places all of those that are sure. */
function lastIn(world: World, label: Label, { left, sure }: Case, over: number): number {
  const { p, calendar } = world;
  let last = Math.max(label.worth.last, sure.length > 0 ? label.day : NONE);
  if (sure.length === 0) return last;
  const outs = firstOuts(world, label);
  const from = enterFrom(world, label, outs, left, sure);
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
      const month = label.leftBy.findIndex((left) => left + SLACK >= price);
      last = Math.max(last, calendar.months[month]?.out ?? LATE);
    }
    last = Math.max(last, paidFrom(world, label.mask | maskOf(sure)));
  }
  if (last > over) return last;
  for (const lane of world.lanes) last = Math.max(last, throughput(world, label, lane, outs, sure, from));
  if (last > over) return last;
  // Doubling: half of the whole load must have been there thirty days before the last release.
  const all = p.displayLoadMgN + (label.sums[label.sums.length - 1] ?? 0) + load;
  if (world.setLoads.length === 0 && load > 0)
    last = Math.max(last, reachOf(world, label, left, from)(all - SLACK));
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

const heavyLatestFirst = (world: World, sure: readonly number[], from: readonly number[]): number[] =>
  latestFirst(
    sure.filter((i) => isHeavy((world.p.wishes[i] as Wish).loadMgN)),
    from,
  );

/** What a quarantine passes on at one release at most. */
function passesOn(world: World, label: Label, q: number): number {
  const { capacity } = world.calendar.quarantines[q] as StayCalendar;
  // What was bought while another batch was in it may leave with that.
  let begun = 0;
  for (const b of world.open)
    if (b.quarantine === q && !label.placed[b.wishes[0] as number]) begun += b.loadMgN;
  return Math.max(capacity, begun);
}

/** Of the next releases of a line's quarantines the soonest: which of them it is. */
function soonestAt(next: readonly number[]): number {
  let at = 0;
  for (let k = 1; k < next.length; k++) if ((next[k] as number) < (next[at] as number)) at = k;
  return at;
}

/** The release of a quarantine after one. */
const releaseAfter = ({ calendar }: World, q: number, release: number): number =>
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
  const here = sure.filter((i) => (wishes[i] as Wish).line === lane.line);
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

/** Asked of batches that could be an event: who is in them, whether it brings a load, and a day before which it cannot be. */
export type IsUseless = (batches: readonly Batch[], mask: number, isLoad: boolean, day: number) => boolean;

/** Asked of batches that could be part of an event: how many are yet to be bought, who is in them, and a day before which the event cannot be. */
export type NoBetter = (toBuy: number, mask: number, day: number) => boolean;

/** What is asked of every event that could follow a label, before it is known where it leads to. */
export interface Asked {
  /** Would no plan with it be better than the best so far? Less sharp than what is asked of the label it leads to, and cheap. */
  isUseless: IsUseless;
  /** The same of a part of it, with more beside it or not; null where a plan that has all who are sure could still end sooner than the best. */
  noBetter: NoBetter | null;
}

/** For a label after which no more can be placed than in the best plan so far. */
export function askedOf(world: World, label: Label, prospect: Prospect, best: Worth): Asked {
  const cases = prospect.cases.map((c) => askedIn(world, label, c, prospect.most, best));
  const all = cases.flatMap(({ noBetter }) => noBetter ?? []);
  return {
    isUseless: (batches, mask, isLoad, day) => {
      for (const { isUseless } of cases) if (!isUseless(batches, mask, isLoad, day)) return false;
      return true;
    },
    noBetter:
      all.length < cases.length
        ? null
        : (toBuy, mask, day) => {
            for (const noBetter of all) if (!noBetter(toBuy, mask, day)) return false;
            return true;
          },
  };
}

function askedIn(world: World, label: Label, c: Case, most: readonly number[], best: Worth): Asked {
  const atLeast = lastIn(world, label, c, best.last);
  const endBy = endsAfter(world, label, c, best.last);
  const noBetter = noBetterThan(world, label, c, most, best);
  return {
    isUseless: (batches, mask, isLoad, day) => {
      const end = Math.max(atLeast, endBy(batches, mask, isLoad, day));
      if (end !== best.last) return end > best.last;
      let toBuy = 0;
      for (const b of batches) if (b.boughtOn === null) toBuy++;
      return noBetter(toBuy, mask, day);
    },
    noBetter: atLeast < best.last ? null : noBetter,
  };
}

/** When a plan that has all who are sure ends at the earliest, were an event released on a day.
 *  @param over anything later is told no further apart */
function endsAfter(
  world: World,
  label: Label,
  { left, sure }: Case,
  over: number,
): (batches: readonly Batch[], mask: number, isLoad: boolean, day: number) => number {
  const { p, lanes } = world;
  const outs = firstOuts(world, label);
  const from = enterFrom(world, label, outs, left, sure);
  const laneOf = p.wishes.map((w) => lanes.findIndex((lane) => lane.line === w.line));
  const first = label.firstHeavy === NONE && world.setHeavy.length === 0 ? p.firstSettleDays : 0;
  const there = p.displayLoadMgN + (label.sums[label.sums.length - 1] ?? 0);
  let whole = there;
  for (const i of sure) whole += (p.wishes[i] as Wish).loadMgN;
  const loads = new Float64Array(lanes.length);
  const then = [...outs];
  const halfIsThere = there >= whole / 2 - SLACK || whole <= p.firstStepMgN + SLACK;
  return (batches, mask, isLoad, day) => {
    let end = day;
    let heavy = 0;
    let load = 0;
    loads.fill(0);
    for (const i of sure) {
      if ((mask & (1 << i)) !== 0) continue;
      end = Math.max(end, from[i] as number);
      const { loadMgN } = p.wishes[i] as Wish;
      if (isHeavy(loadMgN)) heavy += loadMgN;
      load += loadMgN;
      loads[laneOf[i] as number]! += loadMgN;
    }
    const lastHeavy = isLoad ? day : label.lastHeavy;
    if (heavy > 0 && lastHeavy !== NONE) {
      const days = Math.ceil(heavy / world.perDay - 1e-9);
      end = Math.max(end, lastHeavy + Math.max(p.settleDays, first) + p.settleDays * (days - 1));
    }
    // Doubling: half of the whole load is there thirty days before the last.
    if (!halfIsThere && load > SLACK && world.setLoads.length === 0) end = Math.max(end, day + DOUBLING_DAYS);
    if (end > over) return end;
    for (let q = 0; q < outs.length; q++) then[q] = outs[q] as number;
    if (world.open.length === 0)
      for (const { quarantine } of batches) then[quarantine] = releaseAfter(world, quarantine, day);
    for (let k = 0; k < lanes.length && end <= over; k++)
      if ((loads[k] as number) > 0)
        end = Math.max(end, passedBy(world, label, lanes[k] as Lane, then, day, loads[k] as number));
    return end;
  };
}

/** Would a plan with an event, or with more beside it, that ends no sooner than the best take too many batches, or as many and too long in all? */
function noBetterThan(
  world: World,
  label: Label,
  { left, sure }: Case,
  most: readonly number[],
  best: Worth,
): NoBetter {
  const from = enterFrom(world, label, firstOuts(world, label), left, sure);
  const whole = maskOf(sure);
  const isJoined = world.open.length + world.set.length > 0;
  const bought =
    world.needed && !isJoined && best.last >= world.p.today
      ? boughtBy(world, world.calendar.lastMonth(best.last)).fewest
      : null;
  const batchesOfRest = (rest: number): number => {
    const byRoom = batchesFor(world, rest);
    return bought === null ? byRoom : Math.max(byRoom, batchesOf(bought[rest] as number));
  };
  let count = 0;
  for (let i = 0; i < most.length; i++) count += (most[i] as number) - (label.worth.placed[i] as number);
  return (toBuy, mask, day) => {
    const rest = whole & ~mask;
    const batches = label.worth.batches + toBuy + (isJoined ? 0 : batchesOfRest(rest));
    if (batches !== best.batches) return batches > best.batches;
    // Whoever is not in it comes with it or later.
    let sum = label.worth.sum + count * day;
    for (const i of sure) if ((rest & (1 << i)) !== 0) sum += Math.max(0, (from[i] as number) - day);
    return sum >= best.sum;
  };
}

/** The day by which quarantines have passed a load on: each as much as it holds, the soonest first. */
function passedBy(
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

/** What is better than what was found and follows a label is no better than this: its last release, batches and sum of days at the least. Null where nothing
 *  that follows is better. */
export function hopeOf(world: World, label: Label, prospect: Prospect, best: Worth): Hope | null {
  if (label.told?.best !== best) label.told = { best, hope: hopeBy(world, label, prospect, best) };
  return label.told.hope;
}

function hopeBy(world: World, label: Label, prospect: Prospect, best: Worth): Hope | null {
  const { most, cases } = prospect;
  let count = 0;
  let more = 0;
  for (let i = 0; i < most.length && more === 0; i++) {
    more = (most[i] as number) - (best.placed[i] as number);
    count += (most[i] as number) - (label.worth.placed[i] as number);
  }
  if (more < 0) return null;
  if (more > 0) return { last: lastAtLeast(world, label, prospect), batches: 0, sum: 0 };
  let hope: Hope | null = null;
  for (const c of cases) {
    const next = hopeIn(world, label, c, count, best);
    if (next && (!hope || compareHope(next, hope) < 0)) hope = next;
  }
  return hope;
}

/** Below zero where a is better. */
export const compareHope = (a: Hope, b: Hope): number =>
  a.last - b.last || a.batches - b.batches || a.sum - b.sum;

/** The same in one case. @param count how many are still to be placed */
function hopeIn(world: World, label: Label, c: Case, count: number, best: Worth): Hope | null {
  const { sure } = c;
  const last = lastIn(world, label, c, best.last);
  if (last > best.last) return null;
  const bought = boughtAtLeast(world, label, sure, best);
  const batches = Math.max(bought.batches, label.worth.batches + batchesAtLeast(world, sure));
  const isSooner = last < best.last;
  if (!isSooner && batches > best.batches) return null;
  // Those of whom one goes come on some day, too.
  const others = (count - sure.length) * label.day;
  const isAsGood = !isSooner && batches === best.batches;
  if (isAsGood && bought.sum + others >= best.sum) return null;
  const sum = label.worth.sum + sumAtLeast(world, label, c) + others;
  if (isAsGood && sum >= best.sum) return null;
  const mayEndWith = batches < best.batches || (batches === best.batches && sum < best.sum);
  return canPayFor(world, label, sure, best.last - (mayEndWith ? 0 : 1)) ? { last, batches, sum } : null;
}

/** Could all that are sure be paid for, were each bought by itself, beside the batches that were bought?
 *  @param last the last release that is of use */
function canPayFor(world: World, label: Label, sure: readonly number[], last: number): boolean {
  const { p, calendar, prices } = world;
  if (p.budget === null || world.money === 'every' || last < p.today) return true;
  const each = sure.map((i) => {
    let free = LATE;
    for (const q of world.quarantinesOf[i] as number[]) free = Math.min(free, label.free[q] as number);
    return { price: prices[i] as number, from: calendar.monthAt(free) };
  });
  return couldBePaid(world, [...label.buys, ...each], world.spent, calendar.lastMonth(last));
}

/** The fewest batches and the least sum of release days of a plan that has all who are placed and all who are sure, by what the months pay. */
function boughtAtLeast(
  world: World,
  label: Label,
  sure: readonly number[],
  best: Worth,
): { batches: number; sum: number } {
  const { p, calendar } = world;
  // What is bought may be joined.
  const isJoined = world.open.length + world.set.length > 0;
  if (!world.needed || isJoined || best.last < p.today) return { batches: 0, sum: 0 };
  const by = boughtBy(world, calendar.lastMonth(best.last));
  const rest = maskOf(sure);
  const whole = rest | label.mask;
  const fewest = by.fewest[whole] as number;
  const batches = Math.max(batchesOf(fewest), label.worth.batches + batchesOf(by.fewest[rest] as number));
  const soonest = batchesOf(fewest) === best.batches ? daysOf(fewest) : (by.soonest[whole] as number);
  const count = sure.length + label.worth.placed.reduce((sum, n) => sum + n, 0);
  return { batches, sum: soonest + count * p.today };
}

/** Can nothing that follows a label be better than what was found? */
export const isHopeless = (world: World, label: Label, prospect: Prospect, best: Worth): boolean =>
  hopeOf(world, label, prospect, best) === null;

/** The least sum of the release days of all that are sure. Whatever bounds the first of them to be released, the second and so on, by their quarantines, by
 *  doubling or by money, does so in every plan: the sharpest of each counts. */
function sumAtLeast(world: World, label: Label, { left, sure }: Case): number {
  const { p } = world;
  const outs = firstOuts(world, label);
  const from = enterFrom(world, label, outs, left, sure);
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

/** The first day a batch could be released on, as far as it hangs on nothing else of its event. */
export function soonestOf(world: World, label: Label, b: Batch): number {
  const { p } = world;
  const clock = (p.quarantines[b.quarantine] as Problem['quarantines'][number]).clockDays;
  const settled =
    b.heavy && label.lastHeavy !== NONE && b.releasedOn === null
      ? Math.max(label.lastHeavy + p.settleDays, firstLoad(world, label) + p.firstSettleDays)
      : NONE;
  const free = b.boughtOn === null ? (label.free[b.quarantine] as number) + clock : NONE;
  return Math.max(label.day, b.least, free, settled);
}
