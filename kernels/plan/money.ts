/** What a partial plan has spent, every way that may still matter (core/planner/money.ts). */
import { at, f64At, i32At, copyF64, copyI32, keep, lay, put, putF64, putI32, LATE, SLACK } from './memory';
import { Label, Paid, wayAt } from './label';
import * as w from './world';

/** What those to come could want of the months: by month what they could spend in it, and all that some of them could cost together, rising. */
@unmanaged
export class Wants {
  wanted: usize;
  costs: usize;
  costCount: i32;
}

/** By set of wishes, all that some of those who are not in it could cost together. */
let costsBy: usize = 0;
let costCounts: usize = 0;

export function begin(): void {
  const sets = <usize>1 << w.wishes;
  costsBy = keep(sets << 2);
  costCounts = keep(sets << 2);
  memory.fill(costsBy, 0, sets << 2);
}

/** What all who are left could want, bought one by one. @param latest releases after it are of no use */
export function wantsOf(wants: Wants, mask: i32, free: usize, latest: i32): void {
  wants.wanted = lay(<usize>w.months << 3);
  tellWanted(wants.wanted, mask, free, latest);
  if (at(costsBy, mask) == 0) tellCosts(mask);
  wants.costs = at(costsBy, mask);
  wants.costCount = i32At(costCounts, mask);
}

const LINES: i32 = 4;
const lineWanted = memory.data(LINES * 8);
const lineFrom = memory.data(LINES * 4);

/** By month what those who are left could still spend in it: all whose quarantine is free by its end. */
function tellWanted(wanted: usize, mask: i32, free: usize, latest: i32): void {
  for (let line = 0; line < LINES; line++) {
    putF64(lineWanted, line, 0);
    putI32(lineFrom, line, LATE);
  }
  for (let q = 0; q < w.quarantines; q++) {
    const line = i32At(w.lineOf, q);
    putI32(lineFrom, line, min(i32At(lineFrom, line), i32At(free, q)));
  }
  for (let rest = w.ableWishes & ~mask; rest != 0; rest &= rest - 1) {
    const line = i32At(w.lines, ctz(rest));
    putF64(lineWanted, line, f64At(lineWanted, line) + f64At(w.prices, ctz(rest)));
  }
  for (let m = 0; m < w.months; m++) {
    let sum: f64 = 0;
    if (i32At(w.monthOut, m) <= latest)
      for (let line = 0; line < LINES; line++)
        if (i32At(lineFrom, line) <= i32At(w.monthTo, m)) sum += f64At(lineWanted, line);
    putF64(wanted, m, sum);
  }
}

function tellCosts(mask: i32): void {
  const left = w.ableWishes & ~mask;
  const costs = keep((<usize>1 << popcnt(left)) << 3);
  putF64(costs, 0, 0);
  let count = 1;
  for (let rest = left; rest != 0; rest &= rest - 1) count = addPrice(costs, count, f64At(w.prices, ctz(rest)));
  put(costsBy, mask, costs);
  putI32(costCounts, mask, count);
}

const both = memory.data(4096 * 8);

/** Rising sums with and without a price. @returns how many they are then */
export function addPrice(sums: usize, count: i32, price: f64): i32 {
  if (price <= 0) return count;
  const next = count * 2 <= 4096 ? both : keep(<usize>count << 4);
  let n = 0;
  let a = 0;
  let b = 0;
  while (b < count) {
    const plus = f64At(sums, b) + price;
    const plain: f64 = a < count ? f64At(sums, a) : Infinity;
    if (plain <= plus) a++;
    if (plus <= plain) b++;
    putF64(next, n++, min(plain, plus));
  }
  copyF64(sums, next, n);
  return n;
}

/** The largest of rising sums that is no more than a rest. */
function atMost(costs: usize, count: i32, rest: f64): f64 {
  const top = count - 1;
  if (top == 0) return 0;
  if (rest >= f64At(costs, top)) return f64At(costs, top);
  if (rest < f64At(costs, 1) - SLACK) return 0;
  let low = 0;
  let high = top;
  while (low < high) {
    const mid = (low + high + 1) >> 1;
    if (f64At(costs, mid) <= rest + SLACK) low = mid;
    else high = mid - 1;
  }
  return f64At(costs, low);
}

/** Is one way at least as good as another in every month that counts? */
function leavesMore(wanted: usize, spent: usize, useful: usize): bool {
  for (let m = 0; m < w.months; m++) {
    const counts = min(f64At(wanted, m), f64At(useful, m));
    if (counts > 0 && w.budget - f64At(spent, m) < counts) return false;
  }
  return true;
}

/** A growing list of ways of paying. */
@unmanaged
export class Ways {
  list: usize;
  count: i32;
  room: i32;
}

export function newWays(): Ways {
  const ways = changetype<Ways>(keep(offsetof<Ways>()));
  ways.room = 64;
  ways.list = keep(<usize>ways.room << 2);
  ways.count = 0;
  return ways;
}

export function addWay(ways: Ways, way: Paid): void {
  if (ways.count == ways.room) {
    const list = keep(<usize>ways.room << 3);
    copyI32(list, ways.list, ways.room);
    ways.list = list;
    ways.room *= 2;
  }
  put(ways.list, ways.count++, changetype<usize>(way));
}

/** Of some ways those that none of the others, nor any of those known, is as good as. */
export function worthKeeping(wants: Wants, tried: Ways, known: Ways, kept: Ways): void {
  kept.count = 0;
  const wanted = wants.wanted;
  for (let k = 0; k < tried.count; k++) {
    const way = changetype<Paid>(at(tried.list, k));
    way.useful = lay(<usize>w.months << 3);
    for (let m = 0; m < w.months; m++) {
      let useful: f64 = 0;
      if (f64At(wanted, m) != 0) {
        const rest = max<f64>(0, w.aMonth - f64At(way.spent, m));
        useful = atMost(wants.costs, wants.costCount, rest);
      }
      putF64(way.useful, m, useful);
    }
    if (isBeaten(wanted, way, known) || isBeaten(wanted, way, kept)) continue;
    let left = 0;
    for (let j = 0; j < kept.count; j++) {
      const other = changetype<Paid>(at(kept.list, j));
      if (!leavesMore(wanted, way.spent, other.useful)) put(kept.list, left++, changetype<usize>(other));
    }
    kept.count = left;
    addWay(kept, way);
  }
}

function isBeaten(wanted: usize, way: Paid, by: Ways): bool {
  for (let k = 0; k < by.count; k++)
    if (leavesMore(wanted, changetype<Paid>(at(by.list, k)).spent, way.useful)) return true;
  return false;
}

/** Does one of these leave all that could still be wanted? Then no later purchase would leave more. */
export function leavesEnough(wanted: usize, ways: Ways): bool {
  for (let k = 0; k < ways.count; k++) {
    const spent = changetype<Paid>(at(ways.list, k)).spent;
    let all = true;
    for (let m = 0; m < w.months && all; m++) {
      const wants = f64At(wanted, m);
      all = wants == 0 || w.aMonth - f64At(spent, m) + SLACK >= wants;
    }
    if (all) return true;
  }
  return false;
}

/** Takes from a label the ways of paying that leave no more than some way of another, which is else as good. Is one left? */
export function keepsAWay(label: Label, other: Label): bool {
  if (!w.hasBudget || w.money != w.EVERY) return false;
  let left = 0;
  for (let k = 0; k < label.wayCount && left == 0; k++) left = isBehind(label, wayAt(label, k), other) ? 0 : 1;
  // One that is dropped may still be the best there is: its ways stay.
  if (left == 0) return false;
  const ways = lay(<usize>label.wayCount << 2);
  left = 0;
  for (let k = 0; k < label.wayCount; k++) {
    const way = wayAt(label, k);
    if (!isBehind(label, way, other)) put(ways, left++, changetype<usize>(way));
  }
  label.ways = ways;
  label.wayCount = left;
  return true;
}

function isBehind(label: Label, way: Paid, other: Label): bool {
  for (let k = 0; k < other.wayCount; k++)
    if (leavesMore(label.wanted, wayAt(other, k).spent, way.useful)) return true;
  return false;
}

/** Cumulated: the most that can have been left by the end of each month, whatever way was taken. */
export function leftByMonth(label: Label): usize {
  const most = lay(<usize>w.months << 3);
  for (let m = 0; m < w.months; m++) putF64(most, m, 0);
  for (let k = 0; k < label.wayCount; k++) {
    const useful = wayAt(label, k).useful;
    let sum: f64 = 0;
    for (let m = 0; m < w.months; m++) {
      sum += f64At(useful, m);
      if (sum > f64At(most, m)) putF64(most, m, sum);
    }
  }
  return most;
}
