/** What could come next in a plan: one batch, or one in each of several quarantines with a load in each; of one quarantine several only where the person
 *  bought one while another was in it. */
import { type Aim } from './asked';
import { type Calendar, type StayCalendar } from './calendar';
import { afterFirstFish, batchBounds } from './days';
import { maskOf, paidFrom } from './fewest';
import { hasMate, mayJoin } from './own';
import { isHeavy, SLACK, type Wish, isCrew } from './problem';
import { type Batch, LATE, type Label, NONE, type Prospect, BITS, bitOf } from './label';
import { batchOf } from './batch';
import { type World, enteredBy } from './world';

/** With many wishes, batches of a quarantine that are tried together with others. */
const FEW_TOGETHER = 3;

/** Every event that could come next: one batch, or one in each of several quarantines with a load in each. */
export function eventsOf(
  world: World,
  label: Label,
  { left, sure }: Prospect,
  few: boolean,
  { isWhole: all, latest, asked }: Aim,
): Batch[][] {
  const { p } = world;
  const whole = enteredBy(world, label.days, label.sums, LATE);
  const most = Math.max(2 * whole, p.firstStepMgN) - whole + SLACK;
  // With cleaners still to come no fish can come first.
  const crewFirst = all && sure.some((i) => isCrew(p.wishes[i] as Wish));
  const now = crewFirst ? left.filter((i) => (p.wishes[i] as Wish).line !== 'fish') : left;
  const batches = p.quarantines.map((_, q) => {
    const able: Dated[] = [];
    for (const batch of batchesIn(world, label, now, q, most, few)) {
      const [from, to] = batchBounds(world, label, batch);
      // Of many wishes some batches are tried, whether they can be or not: what takes their place was tried, and is no better.
      if (few || (from <= to && from <= latest)) able.push({ batch, from, to });
    }
    return able;
  });
  const twins = world.twins ? twinsOf(world, label) : null;
  const heavy = batches.map((list) => {
    const loads = list.filter(({ batch }) => batch.heavy);
    // What can be bought is in order already; what is bought comes after it.
    if (few || world.open.length + world.set.length > 0)
      loads.sort((a, b) => a.batch.loadMgN - b.batch.loadMgN);
    return few ? loads.slice(0, FEW_TOGETHER) : loads;
  });
  const overlaps = p.quarantines.map((_, q) => world.open.filter((b) => b.quarantine === q).length > 1);
  const reach = reachFrom(heavy);
  const leavesNobody = all ? gentlerFirst(world, sure) : () => true;
  const isMerged = world.merges && !few;
  const firstCome = few ? () => true : firstOfAlike(world, left);
  const fishTogether = afterFirstFish(world, label);
  const events: Batch[][] = [];
  const chosen: Batch[] = [];
  for (let q = 0; q < batches.length; q++)
    if (!twins || twins[q] === -1)
      for (const { batch } of batches[q] as Dated[])
        if (leavesNobody(batch.mask, batch.fiercest) && firstCome(batch, 0)) events.push([batch]);
  together(0, {
    load: 0,
    mask: 0,
    fiercest: NONE,
    from: NONE,
    to: LATE,
    bought: 0,
    crew: false,
    fish: false,
  });
  return events;

  function together(first: number, those: Together) {
    for (let q = first; q < heavy.length; q++) {
      const twin = twins === null ? -1 : (twins[q] as number);
      const like = twin >= 0 ? inQuarantine(chosen, twin) : null;
      if (twin >= 0 && !like) continue;
      const then = overlaps[q] ? q : q + 1;
      const goesOn = then < heavy.length && !(few && chosen.length > 0);
      if (chosen.length === 0 && !goesOn) continue;
      const beside = inQuarantine(chosen, q);
      const beyond = goesOn ? (reach[then] as number) : 0;
      for (const { batch: b, from: soonest, to } of heavy[q] as Dated[]) {
        // The lightest come first.
        const load = those.load + b.loadMgN;
        if (load > most) break;
        if ((those.mask & b.mask) !== 0 || !firstCome(b, those.mask)) continue;
        if (like && (like.wishes[0] as number) > (b.wishes[0] as number)) continue;
        // Of one quarantine only what the person bought one after the other.
        if (beside && !(b.boughtOn !== null && b.boughtOn > (beside.boughtOn ?? LATE))) continue;
        if ((those.crew && b.fish) || (those.fish && b.crew) || mayNotMeetAny(world, chosen, b)) continue;
        if (isMerged && chosen.some((c) => fitInOne(world, c, b))) continue;
        const mask = those.mask | b.mask;
        const order = those.fish && b.fish ? fishTogether : NONE;
        const from = Math.max(those.from, soonest, order, paidFrom(world, label.mask | mask));
        if (from > Math.min(those.to, to, latest)) continue;
        const fiercest = Math.max(those.fiercest, b.fiercest);
        // Whoever must come, too, is in it or in a batch of the quarantines that follow.
        if (!leavesNobody(mask | beyond, fiercest)) continue;
        const bought = those.bought + (b.boughtOn === null ? 1 : 0);
        if (asked?.noBetter?.(bought, mask, from)) continue;
        chosen.push(b);
        if (chosen.length > 1 && leavesNobody(mask, fiercest) && !asked?.isUseless(chosen, mask, true, from))
          events.push([...chosen]);
        if (!world.mayGoOn()) return;
        if (goesOn) {
          const crew = those.crew || b.crew;
          const fish = those.fish || b.fish;
          together(then, { load, mask, fiercest, from, to: Math.min(those.to, to), bought, crew, fish });
        }
        chosen.pop();
      }
    }
  }
}

/** By quarantine the wishes of its batches and of those of the quarantines after it. */
function reachFrom(heavy: readonly (readonly Dated[])[]): number[] {
  const reach: number[] = heavy.map(() => 0);
  for (let q = heavy.length - 1; q >= 0; q--)
    reach[q] = (heavy[q] as Dated[]).reduce((mask, { batch }) => mask | batch.mask, reach[q + 1] ?? 0);
  return reach;
}

/** A batch with the first and last day it could be released on, whatever else is in its event. */
interface Dated {
  batch: Batch;
  from: number;
  to: number;
}

/** Part of an event. */
interface Together {
  load: number;
  mask: number;
  fiercest: number;
  /** First and last day. */
  from: number;
  to: number;
  /** Batches in it that are yet to be bought. */
  bought: number;
  crew: boolean;
  fish: boolean;
}

/** Asked of a batch beside others of its event: of wishes that are alike, does the first come first, in the order of the quarantines? */
function firstOfAlike(world: World, left: readonly number[]): (batch: Batch, others: number) => boolean {
  const before = world.like.map((like, i) => world.like.lastIndexOf(like, i - 1));
  const waits = left.filter((i) => i > 0 && (before[i] as number) >= 0 && left.includes(before[i] as number));
  if (waits.length === 0) return () => true;
  return ({ mask }, others) =>
    waits.every((i) => (mask & bitOf(i)) === 0 || ((mask | others) & bitOf(before[i] as number)) !== 0);
}

/** Would what is in two quarantines go into one of them, which releases on the same day? */
function fitInOne({ calendar, lineOf, p }: World, a: Batch, b: Batch): boolean {
  if (lineOf[a.quarantine] !== lineOf[b.quarantine]) return false;
  // What the person bought, and whoever joins it, stays as it is.
  if (a.boughtOn !== null || b.boughtOn !== null) return false;
  if (p.budget !== null && a.price + b.price > p.budget + SLACK) return false;
  const roomOf = (c: Batch) => (calendar.quarantines[c.quarantine] as StayCalendar).capacity;
  return a.loadMgN + b.loadMgN <= Math.max(roomOf(a), roomOf(b)) + SLACK;
}

function inQuarantine(batches: readonly Batch[], q: number): Batch | null {
  for (const b of batches) if (b.quarantine === q) return b;
  return null;
}

function mayNotMeetAny(world: World, batches: readonly Batch[], b: Batch): boolean {
  for (const c of batches) if (mayNotMeet(world, c, b)) return true;
  return false;
}

/** Does an event leave no gentler fish behind that must come, too (R7)? One with a load would have to be in the event itself.
 *  @param sure those who must come */
function gentlerFirst(world: World, sure: readonly number[]): (mask: number, fiercest: number) => boolean {
  const { wishes } = world.p;
  if (wishes.length > BITS) return () => true;
  const before: [number, number, number] = [0, 0, 0];
  for (const i of sure) {
    const w = wishes[i] as Wish;
    if (w.line !== 'fish' || !isHeavy(w.loadMgN)) continue;
    for (let t = (w.temperament ?? 0) + 1; t <= 2; t++) before[t as 1 | 2] |= 1 << i;
  }
  return (mask, fiercest) => fiercest <= 0 || (before[fiercest as 1 | 2] & ~mask) === 0;
}

/** Two batches that share a wish, or hold two that may not live together. */
function mayNotMeet(world: World, a: Batch, b: Batch): boolean {
  if ((a.mask & b.mask) !== 0 || (a.enemies & b.mask) !== 0) return true;
  if (world.p.wishes.length <= BITS) return false;
  const sameLine = world.lineOf[a.quarantine] === world.lineOf[b.quarantine];
  if (!sameLine && world.p.forbidden.length === 0) return false;
  for (const i of a.wishes)
    for (const k of b.wishes) if (i === k || (world.conflicts[i] as number[]).includes(k)) return true;
  return false;
}

/** The batches that could be formed in a quarantine, from wishes that are left. */
function batchesIn(
  world: World,
  label: Label,
  left: readonly number[],
  q: number,
  most: number,
  few: boolean,
): Batch[] {
  const { p, calendar } = world;
  const capacity = (calendar.quarantines[q] as Calendar['quarantines'][number]).capacity + SLACK;
  const bought = new Set(world.open.flatMap((b) => b.wishes));
  const mine = left.filter((i) => !bought.has(i) && (world.quarantinesOf[i] as number[]).includes(q));
  const out: Batch[] = [];
  const grow = (base: Batch, capacityLeft: number, loadLeft: number) => {
    for (const wishes of few
      ? fewSets(world, mine, capacityLeft, loadLeft, base.wishes)
      : allSets(world, mine, Math.min(capacityLeft, loadLeft), base.wishes))
      out.push(batchOf(world, q, [...base.wishes, ...wishes], base.boughtOn, base.releasedOn));
  };
  if (few || p.wishes.length > BITS) grow(batchOf(world, q, [], null, null), capacity, most);
  else for (const b of newBatches(world, mine, q, capacity)) if (b.loadMgN <= most) out.push(b);
  for (const b of world.open) {
    if (b.quarantine !== q || label.placed[b.wishes[0] as number]) continue;
    if (b.least === LATE || b.wishes.some((i) => !left.includes(i))) continue;
    out.push(b);
    // Nobody follows one that stays where it is.
    if (mayJoin(p, calendar, q, b.boughtOn as number) && !hasMate(world.open, b))
      grow(b, capacity - b.loadMgN, most - b.loadMgN);
  }
  for (const day of new Set(world.set.filter((s) => s.quarantine === q).map((s) => s.release)))
    for (const buy of new Set(
      world.set.filter((s) => s.quarantine === q && s.release === day).map((s) => s.buy),
    )) {
      if (!mayJoin(p, calendar, q, buy)) continue;
      const load = world.set.reduce(
        (sum, s) => sum + (s.quarantine === q && s.buy === buy ? (p.wishes[s.wish] as Wish).loadMgN : 0),
        0,
      );
      grow({ ...batchOf(world, q, [], buy, day) }, capacity - load - joinedLoad(label, q, buy), most);
    }
  return out;
}

/** All that could be bought for a quarantine from some wishes, the lightest first: the same for every label that leaves them. */
function newBatches(world: World, mine: readonly number[], q: number, capacity: number): readonly Batch[] {
  const state = (maskOf(mine) >>> 0) * world.p.quarantines.length + q;
  let batches = world.batches.get(state);
  if (!batches) {
    const money = (world.p.budget ?? Infinity) + SLACK;
    batches = allSets(world, mine, capacity, [])
      .map((set) => batchOf(world, q, set, null, null))
      .filter((b) => b.price <= money)
      .sort((a, b) => a.loadMgN - b.loadMgN);
    world.batches.set(state, batches);
  }
  return batches;
}

/** What has joined a batch that is set. */
function joinedLoad(label: Label, q: number, buy: number): number {
  let sum = 0;
  for (let l: Label | null = label; l; l = l.parent)
    for (const b of l.batches) if (b.quarantine === q && b.boughtOn === buy) sum += b.loadMgN;
  return sum;
}

/** Quarantines that are like an earlier one in the same state: whichever is taken first is the earlier. */
function twinsOf({ p, plain }: World, label: Label): number[] {
  const used = (q: number) => p.fixed.some((f) => f.quarantine === q);
  return p.quarantines.map((_, q) => {
    for (let k = q - 1; k >= 0; k--)
      if (label.free[k] === label.free[q] && plain[k] === plain[q] && !used(k) && !used(q)) return k;
    return -1;
  });
}

/** Every set of wishes that a batch can hold; of those alike only such as follow one another, since which of them comes makes no difference. */
function allSets(world: World, mine: readonly number[], room: number, base: readonly number[]): number[][] {
  const out: number[][] = [];
  const walk = (at: number, chosen: number[], load: number, ended: ReadonlySet<number>) => {
    if (at === mine.length) {
      if (chosen.length > 0) out.push(chosen);
      return;
    }
    const i = mine[at] as number;
    const like = world.like[i] as number;
    const w = world.p.wishes[i] as Wish;
    const fits =
      load + w.loadMgN <= room &&
      !ended.has(like) &&
      !(world.conflicts[i] as number[]).some((other) => chosen.includes(other) || base.includes(other));
    if (fits) walk(at + 1, [...chosen, i], load + w.loadMgN, ended);
    const isBegun = chosen.some((other) => world.like[other] === like);
    walk(at + 1, chosen, load, isBegun ? new Set([...ended, like]) : ended);
  };
  walk(0, [], 0, new Set());
  return out;
}

/** Some sets of wishes: each by itself, and filled up in a few orders, from all of them and from those that may come as soon as the soonest, or
 *  are as gentle as the gentlest. */
function fewSets(
  world: World,
  all: readonly number[],
  capacity: number,
  most: number,
  base: readonly number[],
): number[][] {
  const { p } = world;
  const mine = all.filter((i) => !(world.conflicts[i] as number[]).some((other) => base.includes(other)));
  const room = Math.min(capacity, most);
  const wish = (i: number) => p.wishes[i] as Wish;
  const least = (i: number) => world.least[i] as number;
  const fierce = (i: number) => wish(i).temperament ?? 0;
  const orders: ((a: number, b: number) => number)[] = [
    (a, b) => wish(a).priority - wish(b).priority || wish(a).loadMgN - wish(b).loadMgN,
    (a, b) => fierce(a) - fierce(b) || wish(a).priority - wish(b).priority || least(a) - least(b),
    (a, b) => least(a) - least(b) || wish(b).loadMgN - wish(a).loadMgN,
    (a, b) => wish(b).loadMgN - wish(a).loadMgN,
    (a, b) => wish(a).price - wish(b).price,
  ];
  const soonest = Math.min(...mine.map(least));
  const gentlest = Math.min(...mine.map(fierce));
  const pools = [
    mine,
    mine.filter((i) => least(i) <= Math.max(soonest, p.today)),
    mine.filter((i) => fierce(i) === gentlest),
    mine.filter((i) => fierce(i) === gentlest && least(i) <= Math.max(soonest, p.today)),
  ];
  const seen = new Map<string, number[]>();
  const keep = (set: readonly number[]) => seen.set([...set].sort((a, b) => a - b).join(), [...set]);
  for (const i of mine) if (wish(i).loadMgN <= room) keep([i]);
  for (const pool of pools)
    for (const order of orders) {
      const chosen: number[] = [];
      let load = 0;
      for (const i of [...pool].sort(order)) {
        if (load + wish(i).loadMgN > room) continue;
        if ((world.conflicts[i] as number[]).some((other) => chosen.includes(other))) continue;
        chosen.push(i);
        load += wish(i).loadMgN;
        if (chosen.length <= 3) keep(chosen);
      }
      if (chosen.length > 0) keep(chosen);
    }
  return [...seen.values()];
}
