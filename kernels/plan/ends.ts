/** What no plan that follows a partial one can better: when each can enter, when it ends, and its sum of days (core/planner/soonest.ts, ends.ts, sums.ts). */
import { at, f64At, i32At, LATE, NONE, putF64, putI32, SLACK } from './memory';
import { isOut } from './days';
import { Case, firstLoad, Label, planned, Prospect } from './label';
import * as w from './world';

const MOST: i32 = 16;

/** When those to come could enter after a label: told once for a case of who they are, and kept with the label. */
export function tellEntering(label: Label, c: Case): void {
  if (label.enteringOf == changetype<usize>(c)) return;
  label.enteringOf = changetype<usize>(c);
  const outs = label.outs;
  const from = label.from;
  for (let q = 0; q < w.quarantines; q++) putI32(outs, q, w.firstOut(q, i32At(label.free, q)));
  for (let k = 0; k < w.bought; k++) {
    if (isOut(label, k)) continue;
    const q = i32At(w.boughtQuarantines, k);
    putI32(outs, q, min(i32At(outs, q), i32At(w.boughtDays, k) + i32At(w.clocks, q)));
  }
  for (let i = 0; i < w.wishes; i++) putI32(from, i, label.day);
  for (let rest = c.left; rest != 0; rest &= rest - 1) {
    const i = ctz(rest);
    let soonest = LATE;
    for (let mine = i32At(w.quarantinesOf, i); mine != 0; mine &= mine - 1)
      soonest = min(soonest, i32At(outs, ctz(mine)));
    putI32(from, i, max(max(label.day, i32At(w.leasts, i)), soonest));
  }
  let crew = NONE;
  let gentle0 = NONE;
  let gentle1 = NONE;
  for (let rest = c.sure; rest != 0; rest &= rest - 1) {
    const i = ctz(rest);
    const day = i32At(from, i);
    if (w.isCrew(i)) crew = max(crew, day);
    if (!w.isFish(i)) continue;
    const t = i32At(w.temperaments, i);
    if (t == 0) gentle0 = max(gentle0, day);
    else if (t == 1) gentle1 = max(gentle1, day);
  }
  for (let rest = c.left & w.fishWishes; rest != 0; rest &= rest - 1) {
    const i = ctz(rest);
    const t = i32At(w.temperaments, i);
    const others = max(max(crew + 1, t > 0 ? gentle0 : NONE), t > 1 ? gentle1 : NONE);
    putI32(from, i, max(i32At(from, i), others));
  }
}

/** A few wishes put in order where they stand, the latest first. */
function latestFirst(few: usize, count: i32, from: usize): void {
  for (let k = 1; k < count; k++) {
    const i = i32At(few, k);
    const day = i32At(from, i);
    let j = k;
    for (; j > 0 && i32At(from, i32At(few, j - 1)) < day; j--) putI32(few, j, i32At(few, j - 1));
    putI32(few, j, i);
  }
}

// The earliest day by which a load can have entered, were there only doubling (R5) and the day from which each can enter.
const coming = memory.data(MOST * 4);
let comingCount = 0;
let reachLabel: usize = 0;

function readReach(label: Label, left: i32): void {
  reachLabel = changetype<usize>(label);
  comingCount = 0;
  for (let rest = left; rest != 0; rest &= rest - 1) {
    const i = ctz(rest);
    if (f64At(w.loads, i) > 0) putI32(coming, comingCount++, i);
  }
  latestFirst(coming, comingCount, label.from);
}

/** Is so much there that doubling lets a load be there thirty days later? Both without what is set: as much of it as ever will be is taken for being there
 *  before, and only what is there today for being there then. */
export function isHalfThere(there: f64, load: f64): bool {
  return there >= halfOf(load) - SLACK || load + w.setThere <= w.firstStep + SLACK;
}

function halfOf(load: f64): f64 {
  return (load + w.setThere) / 2 - w.setInAll;
}

function reach(load: f64): i32 {
  const label = changetype<Label>(reachLabel);
  if (load <= w.displayLoad + SLACK || load <= 2 * SLACK) return NONE;
  for (let k = 0; k < label.entered; k++)
    if (w.displayLoad + f64At(label.sums, k) + SLACK >= load) return i32At(label.days, k);
  let there = w.displayLoad + planned(label);
  let day = LATE;
  for (let k = comingCount - 1; k >= 0; k--) {
    const i = i32At(coming, k);
    there += f64At(w.loads, i);
    if (there + SLACK >= load) {
      day = i32At(label.from, i);
      break;
    }
  }
  const isFirstStep = load + w.setThere <= w.firstStep + SLACK;
  const half = isFirstStep ? NONE : reach(halfOf(load) - SLACK) + w.doublingDays;
  return w.releaseFrom(max(max(label.day, day), half));
}

/** The earliest last release of a plan that places the most. @param over anything later is told no further apart */
export function lastAtLeast(label: Label, prospect: Prospect, over: i32): i32 {
  let last = LATE;
  for (let k = 0; k < prospect.count; k++)
    last = min(last, lastIn(label, changetype<Case>(at(prospect.cases, k)), over));
  return last;
}

/** The earliest last release of a plan that places all of those that are sure. */
export function lastIn(label: Label, c: Case, over: i32): i32 {
  let last = max(label.worth.last, c.count > 0 ? label.day : NONE);
  if (c.count == 0) return last;
  tellEntering(label, c);
  let load: f64 = 0;
  let price: f64 = 0;
  for (let k = 0; k < c.count; k++) {
    const i = i32At(c.order, k);
    last = max(last, i32At(label.from, i));
    load += f64At(w.loads, i);
    price += f64At(w.prices, i);
  }
  // Money: the last is bought in the month by which all can be paid for.
  if (w.hasBudget) {
    if (price > SLACK) {
      let month = 0;
      while (month < w.months && f64At(label.leftBy, month) + SLACK < price) month++;
      last = max(last, w.outOfMonth(month));
    }
    last = max(last, w.paidFrom(label.mask | c.sure));
  }
  if (last > over) return last;
  for (let lane = 0; lane < w.lanes; lane++) last = max(last, throughput(label, lane, c));
  if (last > over) return last;
  // Doubling: half of the whole load must have been there thirty days before the last release.
  if (load > 0) {
    readReach(label, c.left);
    last = max(last, reach(w.displayLoad + planned(label) + load - SLACK));
  }
  return last > over ? last : max(last, settled(label, c));
}

const few = memory.data(MOST * 4);

/** The earliest last release by settling (R4): so many days on which a load enters, of all of them and of those that cannot come before a day. */
function settled(label: Label, c: Case): i32 {
  let count = 0;
  for (let k = 0; k < c.count; k++) {
    const i = i32At(c.order, k);
    if (((w.heavyWishes >> i) & 1) != 0) putI32(few, count++, i);
  }
  if (count == 0) return NONE;
  latestFirst(few, count, label.from);
  let last = NONE;
  let load: f64 = 0;
  let days = 0;
  for (let k = 0; k < count; k++) {
    const i = i32At(few, k);
    load += f64At(w.loads, i);
    days = <i32>Math.ceil(load / w.perDay - 1e-9);
    last = max(last, i32At(label.from, i) + w.settleDays * (days - 1));
  }
  if (days == 0) return NONE;
  if (label.lastHeavy != NONE)
    return max(max(last, label.lastHeavy + w.settleDays * days), firstLoad(label) + w.firstSettleDays);
  if (days == 1) return last;
  const firstGap = w.heavyReleased > 0 ? w.settleDays : max(w.settleDays, w.firstSettleDays);
  return max(last, label.day + firstGap + w.settleDays * (days - 2));
}

/** The earliest day by which a line's quarantines can have passed on all who are sure, and those that cannot come before a day. */
function throughput(label: Label, lane: i32, c: Case): i32 {
  let count = 0;
  for (let k = 0; k < c.count; k++) {
    const i = i32At(c.order, k);
    if (i32At(w.laneOf, i) == lane) putI32(few, count++, i);
  }
  let last = NONE;
  if (count == 0) return last;
  latestFirst(few, count, label.from);
  let load: f64 = 0;
  for (let k = 0; k < count; k++) {
    const i = i32At(few, k);
    load += f64At(w.loads, i);
    const day = i32At(label.from, i);
    // Of those alike in their day all at once.
    if (k + 1 < count && i32At(label.from, i32At(few, k + 1)) == day) continue;
    last = max(last, passedBy(label, lane, label.outs, day, load));
  }
  return last;
}

// The next release of each quarantine of a lane.
const next = memory.data(64 * 4);

/** What a quarantine passes on at one release at most: what was bought while another batch was in it may leave with that. */
function passesOn(label: Label, q: i32): f64 {
  let begun: f64 = 0;
  for (let k = 0; k < w.bought; k++)
    if (i32At(w.boughtQuarantines, k) == q && !isOut(label, k)) begun += f64At(w.boughtLoads, k);
  return max(f64At(w.capacities, q), begun);
}

/** The day by which quarantines have passed a load on: each as much as it holds, the soonest first. */
export function passedBy(label: Label, lane: i32, outs: usize, from: i32, needed: f64): i32 {
  const mine = i32At(w.laneQuarantines, lane);
  if (mine == 0) return needed > 1e-6 ? LATE : NONE;
  for (let rest = mine; rest != 0; rest &= rest - 1) {
    const q = ctz(rest);
    putI32(next, q, max(i32At(outs, q), from));
  }
  let passed: f64 = 0;
  let last = NONE;
  while (passed < needed - 1e-6 && last < LATE) {
    const q = soonestAt(mine);
    last = i32At(next, q);
    passed += passesOn(label, q);
    putI32(next, q, w.firstOut(q, last + 1));
  }
  return last;
}

function soonestAt(mine: i32): i32 {
  let soonest = ctz(mine);
  for (let rest = mine & (mine - 1); rest != 0; rest &= rest - 1) {
    const q = ctz(rest);
    if (i32At(next, q) < i32At(next, soonest)) soonest = q;
  }
  return soonest;
}

// The least release days of those that are sure, the first, the second and so on.
const least = memory.data(MOST * 4);
const others = memory.data(MOST * 4);
const rising = memory.data(MOST * 8);
let risen = 0;

function sortIn(value: f64): void {
  let k = risen++;
  for (; k > 0 && f64At(rising, k - 1) > value; k--) putF64(rising, k, f64At(rising, k - 1));
  putF64(rising, k, value);
}

function sortInto(days: usize, count: i32, day: i32): void {
  let k = count;
  for (; k > 0 && i32At(days, k - 1) > day; k--) putI32(days, k, i32At(days, k - 1));
  putI32(days, k, day);
}

/** The least sum of the release days of all that are sure. */
export function sumAtLeast(label: Label, c: Case): f64 {
  tellEntering(label, c);
  let count = 0;
  for (let lane = 0; lane < w.lanes; lane++) {
    const here = byStays(label, lane, c);
    for (let k = 0; k < here; k++) sortInto(least, count++, i32At(others, k));
  }
  raiseByDoubling(label, c, count);
  if (w.hasBudget) raiseByMoney(label, c, count);
  let sum: f64 = 0;
  for (let k = 0; k < count; k++) sum += i32At(least, k);
  return sum;
}

/** Of some wishes of a line the earliest day of the first release, the second and so on: by itself, and by what its quarantines hold. */
function byStays(label: Label, lane: i32, c: Case): i32 {
  let count = 0;
  risen = 0;
  // The lightest first leave the fewest for later stays.
  for (let k = 0; k < c.count; k++) {
    const i = i32At(c.order, k);
    if (i32At(w.laneOf, i) != lane) continue;
    sortInto(others, count++, i32At(label.from, i));
    sortIn(f64At(w.loads, i));
  }
  if (count == 0) return 0;
  const mine = i32At(w.laneQuarantines, lane);
  if (mine == 0) return count;
  for (let rest = mine; rest != 0; rest &= rest - 1) {
    const q = ctz(rest);
    putI32(next, q, i32At(label.outs, q));
  }
  let passed: f64 = 0;
  let room: f64 = 0;
  let day = label.day;
  for (let k = 0; k < count; k++) {
    passed += f64At(rising, k);
    while (passed > room + 1e-6) {
      const q = soonestAt(mine);
      const release = i32At(next, q);
      day = max(label.day, release);
      room += release < LATE ? passesOn(label, q) : Infinity;
      putI32(next, q, w.firstOut(q, release + 1));
    }
    putI32(others, k, max(i32At(others, k), day));
  }
  return count;
}

/** The same were there only doubling: the lightest come first. */
function raiseByDoubling(label: Label, c: Case, count: i32): void {
  readReach(label, c.left);
  risen = 0;
  for (let k = 0; k < c.count; k++) sortIn(f64At(w.loads, i32At(c.order, k)));
  let entered = w.displayLoad + planned(label);
  for (let k = 0; k < count; k++) {
    entered += f64At(rising, k);
    putI32(least, k, max(i32At(least, k), max(label.day, reach(entered - SLACK))));
  }
}

/** The same were there only money: the cheapest are paid for first. */
function raiseByMoney(label: Label, c: Case, count: i32): void {
  let cheap = 0;
  for (let k = 0; k < c.count; k++) {
    const i = i32At(c.order, k);
    const price = f64At(w.prices, i);
    let j = cheap++;
    for (; j > 0 && f64At(w.prices, i32At(others, j - 1)) > price; j--) putI32(others, j, i32At(others, j - 1));
    putI32(others, j, i);
  }
  let mask = label.mask;
  let paid: f64 = 0;
  let month = 0;
  for (let k = 0; k < count; k++) {
    const i = i32At(others, k);
    const price = f64At(w.prices, i);
    paid += price;
    mask |= 1 << i;
    while (paid > f64At(label.leftBy, month) + SLACK && month + 1 < w.months) month++;
    const byMonths = w.paidFrom(mask);
    const day = max(max(label.day, byMonths), price == 0 ? 0 : w.outOfMonth(month));
    putI32(least, k, max(i32At(least, k), day));
  }
}
