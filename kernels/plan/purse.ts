/** What the months' money allows, whatever the days, and how few batches hold a set of wishes (core/planner/purse.ts, fewest.ts). */
import { at, f64At, i32At, keep, LATE, put, putI32, SLACK } from './memory';
import * as w from './world';

/** By set of wishes of a lane, the fewest batches that hold them; none where it was not told yet. */
let fewest: usize = 0;
/** The same where some may join what is bought or set. */
let fewestWith: usize = 0;
/** By month, two tables by set of wishes: the fewest batches with the least sum of release days, and the least sum in any number. */
let bought: usize = 0;
let boughtMonths: i32 = 0;

export function begin(): void {
  const sets = <usize>1 << w.wishes;
  fewest = keep(sets << 2);
  memory.fill(fewest, 0, sets << 2);
  fewestWith = keep(sets << 2);
  memory.fill(fewestWith, 0, sets << 2);
  bought = keep(<usize>w.months << 3);
  boughtMonths = 0;
}

/** The fewest batches still to be bought for a set of wishes of any line, but for those who join what is bought or set. */
export function batchesBeside(mask: i32): i32 {
  const rest = mask & ~w.ownMask;
  if (w.joins == 0) return batchesFor(rest);
  let batches = 0;
  for (let k = 0; k < w.lanes; k++) batches += fewestBeside(k, rest & i32At(w.laneMasks, k));
  return batches;
}

/** As many join as there is room for in all. */
function fewestBeside(lane: i32, mask: i32): i32 {
  let room = SLACK;
  for (let k = 0; k < w.joins; k++)
    if (i32At(w.joinLines, k) == i32At(w.laneLines, lane)) room += f64At(w.joinRooms, k);
  if (mask == 0 || room <= SLACK) return fewestFor(lane, mask);
  const known = i32At(fewestWith, mask);
  if (known != 0) return known - 1;
  let least = LATE;
  for (let joined = mask; ; joined = (joined - 1) & mask) {
    let load: f64 = 0;
    for (let rest = joined; rest != 0; rest &= rest - 1) load += f64At(w.loads, ctz(rest));
    if (load <= room) least = min(least, fewestFor(lane, mask ^ joined));
    if (joined == 0) break;
  }
  // It may be none.
  putI32(fewestWith, mask, least + 1);
  return least;
}

/** The fewest batches for a set of wishes of any line: each of one line, within what its quarantine holds and what a month pays. */
function batchesFor(mask: i32): i32 {
  let batches = 0;
  for (let k = 0; k < w.lanes; k++) batches += fewestFor(k, mask & i32At(w.laneMasks, k));
  return batches;
}

/** What the largest quarantine of a lane holds. */
function mostInOne(lane: i32): f64 {
  let most: f64 = -Infinity;
  for (let rest = i32At(w.laneQuarantines, lane); rest != 0; rest &= rest - 1)
    most = max(most, f64At(w.capacities, ctz(rest)));
  return most;
}

/** The first of them is in one of the batches: each of these is tried. */
function fewestFor(lane: i32, mask: i32): i32 {
  if (mask == 0) return 0;
  const known = i32At(fewest, mask);
  if (known != 0) return known;
  const room = mostInOne(lane) + SLACK;
  const first = mask & -mask;
  const rest = mask ^ first;
  let least = LATE;
  for (let others = rest; ; others = (others - 1) & rest) {
    const together = first | others;
    if (others == 0 || fits(together, room)) least = min(least, 1 + fewestFor(lane, mask ^ together));
    if (others == 0) break;
  }
  putI32(fewest, mask, least);
  return least;
}

function fits(set: i32, room: f64): bool {
  let load: f64 = 0;
  let price: f64 = 0;
  for (let rest = set; rest != 0; rest &= rest - 1) {
    load += f64At(w.loads, ctz(rest));
    price += f64At(w.prices, ctz(rest));
  }
  return load <= room && (!w.hasBudget || price <= w.budget);
}

/** One batch weighs more than any sum of days, which count from today. */
const BATCH: i32 = 1 << 20;

/** In as few batches as can be: how many, and with these the least sum of release days. */
export function fewestBy(month: i32): usize {
  tellUntil(month);
  return at(bought, 2 * month);
}

export function soonestBy(month: i32): usize {
  tellUntil(month);
  return at(bought, 2 * month + 1);
}

export function batchesIn(told: i32): i32 {
  return told >> 20;
}

export function daysIn(told: i32): i32 {
  return told & (BATCH - 1);
}

function tellUntil(month: i32): void {
  while (boughtMonths <= month) tellNext(boughtMonths++);
}

// Every set of wishes that a whole month can pay, of those who are neither bought nor set.
let payable: usize = 0;
let payableCount: i32 = 0;

@unmanaged
class Payable {
  price: f64;
  set: i32;
  batches: i32;
  /** The same in a month in which some may join what is bought or set. */
  beside: i32;
}

function findPayable(): void {
  payable = keep((<usize>1 << w.wishes) * offsetof<Payable>());
  walk(0, 0, 0);
}

function walk(from: i32, set: i32, price: f64): void {
  for (let i = from; i < w.wishes; i++) {
    if (((w.ownMask >> i) & 1) != 0) continue;
    const then = price + f64At(w.prices, i);
    if (then > w.budget) continue;
    const p = changetype<Payable>(payable + <usize>(payableCount++) * offsetof<Payable>());
    p.price = then;
    p.set = set | (1 << i);
    p.batches = batchesFor(p.set);
    p.beside = batchesBeside(p.set);
    walk(i + 1, p.set, then);
  }
}

function tellNext(month: i32): void {
  if (payable == 0) findPayable();
  const sets = 1 << w.wishes;
  const bytes = <usize>sets << 2;
  const few = keep(bytes);
  const soon = keep(bytes);
  put(bought, 2 * month, few);
  put(bought, 2 * month + 1, soon);
  if (month == 0) {
    putI32(few, 0, 0);
    for (let set = 1; set < sets; set++) putI32(few, set, LATE);
    memory.copy(soon, few, bytes);
  } else {
    memory.copy(few, at(bought, 2 * month - 2), bytes);
    memory.copy(soon, at(bought, 2 * month - 1), bytes);
  }
  const fewBefore = keep(bytes);
  const soonBefore = keep(bytes);
  memory.copy(fewBefore, few, bytes);
  memory.copy(soonBefore, soon, bytes);
  const outs = outBy(month);
  const rest = max<f64>(0, w.aMonth - f64At(w.spent, month)) + SLACK;
  let isJoined = false;
  for (let k = 0; k < w.joins; k++) if (i32At(w.joinMonths, k) == month) isJoined = true;
  for (let k = 0; k < payableCount; k++) {
    const p = changetype<Payable>(payable + <usize>k * offsetof<Payable>());
    if (p.price > rest) continue;
    let days: i64 = 0;
    for (let set = p.set; set != 0; set &= set - 1) days += i32At(outs, ctz(set));
    if (days >= BATCH) continue;
    const soonest = <i32>days;
    const fewest = (isJoined ? p.beside : p.batches) * BATCH + soonest;
    const without = (sets - 1) ^ p.set;
    for (let first = without; ; first = (first - 1) & without) {
      const sum = i32At(soonBefore, first);
      if (sum < LATE) {
        const both = first | p.set;
        if (sum + soonest < i32At(soon, both)) putI32(soon, both, sum + soonest);
        const inAll = i32At(fewBefore, first) + fewest;
        if (inAll < i32At(few, both)) putI32(few, both, inAll);
      }
      if (first == 0) break;
    }
  }
}

/** By wish the first day, from today, on which it could be released, were it bought in a month or later. */
function outBy(month: i32): usize {
  const out = keep(<usize>w.wishes << 2);
  for (let i = 0; i < w.wishes; i++) {
    let soonest = LATE;
    for (let rest = i32At(w.quarantinesOf, i); rest != 0; rest &= rest - 1)
      soonest = min(soonest, w.firstOut(ctz(rest), i32At(w.monthFrom, month)));
    const isAble = ((w.ableWishes >> i) & 1) != 0;
    putI32(out, i, max(isAble ? i32At(w.leasts, i) : LATE, soonest) - w.today);
  }
  return out;
}
