/** One way of paying (core/planner/pay.ts), and the months in which something could be bought. */
import { at, f64At, i32At, u64At, copyF64, lay, put, putF64, putI32, putU64, SLACK } from './memory';
import { firstMonth, lastMonthOf } from './bills';
import { readWindow, windowFrom, windowTo } from './days';
import { batchAt, Label, Paid, wayAt } from './label';
import * as w from './world';

// One way of paying: the months of what is bought are chosen as it goes, and where the next batch fits in none, all of them anew.

const MOST_ITEMS: i32 = 64;
const itemPrice = memory.data(MOST_ITEMS * 8);
const itemOpen = memory.data(MOST_ITEMS * 8);
const itemMonth = memory.data(MOST_ITEMS * 4);
const order = memory.data(MOST_ITEMS * 4);
const chosenSpent = memory.data(64 * 8);
let items = 0;
let ordered = 0;
let tries = 0;
/** Choices tried before it is taken for something that cannot be paid for. */
const MOST_TRIES: i32 = 2000;

function addItems(batches: usize, count: i32, open: usize): void {
  for (let k = 0; k < count; k++) {
    putF64(itemPrice, items, batchAt(batches, k).price);
    putU64(itemOpen, items++, u64At(open, k));
  }
}

/** A way to pay for an event after a label, whose own months may change by it; none where none was found. */
export function payOnce(label: Label, batches: usize, count: i32, open: usize): Paid {
  const before = wayAt(label, 0);
  items = 0;
  addItems(batches, count, open);
  if (findMonths(before.spent)) return paidIn(0, count, open, before);
  items = 0;
  addPast(label);
  addItems(batches, count, open);
  return payFor(label, count, open);
}

/** A way to pay for all events up to a label as it stands; none where none was found. */
export function payAll(label: Label): Paid {
  items = 0;
  addPastAnew(label);
  if (!findMonths(firstWay(label).spent)) return changetype<Paid>(0);
  return paidAnew(label);
}

/** By label on the way to one the months each of its batches could be bought in, told once. */
const openAnew = memory.data(MOST_ITEMS * 4);

function addPastAnew(label: Label): void {
  if (changetype<usize>(label.parent) == 0) return;
  addPastAnew(label.parent);
  const open = openFor(label.parent, label.batches, label.batchCount, label.day);
  put(openAnew, label.entered, open);
  addItems(label.batches, label.batchCount, open);
}

let taken = 0;

function paidAnew(label: Label): Paid {
  if (changetype<usize>(label.parent) == 0) {
    taken = 0;
    return wayAt(label, 0);
  }
  const before = paidAnew(label.parent);
  const paid = paidIn(taken, label.batchCount, at(openAnew, label.entered), before);
  taken += label.batchCount;
  return paid;
}

function firstWay(label: Label): Paid {
  let root = label;
  while (changetype<usize>(root.parent) != 0) root = root.parent;
  return wayAt(root, 0);
}

function addPast(label: Label): void {
  if (changetype<usize>(label.parent) == 0) return;
  addPast(label.parent);
  addItems(label.batches, label.batchCount, wayAt(label, 0).open);
}

function payFor(label: Label, count: i32, open: usize): Paid {
  if (!findMonths(firstWay(label).spent)) return changetype<Paid>(0);
  const before = paidBefore(label);
  return paidIn(taken, count, open, before);
}

function paidBefore(label: Label): Paid {
  if (changetype<usize>(label.parent) == 0) {
    taken = 0;
    return wayAt(label, 0);
  }
  const before = paidBefore(label.parent);
  const paid = paidIn(taken, label.batchCount, wayAt(label, 0).open, before);
  taken += label.batchCount;
  return paid;
}

/** @param first of the items the first that is meant */
function paidIn(first: i32, count: i32, open: usize, before: Paid): Paid {
  const paid = changetype<Paid>(lay(offsetof<Paid>()));
  paid.spent = lay(<usize>w.months << 3);
  copyF64(paid.spent, before.spent, w.months);
  paid.months = lay(<usize>count << 2);
  for (let k = 0; k < count; k++) {
    const m = i32At(itemMonth, first + k);
    putI32(paid.months, k, m);
    if (m >= 0) putF64(paid.spent, m, f64At(paid.spent, m) + f64At(itemPrice, first + k));
  }
  paid.open = open;
  paid.before = before;
  paid.useful = 0;
  return paid;
}

/** Is there as much left in all the months in which any of them could be bought as they cost together? */
function isEnough(spent: usize): bool {
  let cost: f64 = 0;
  let from = w.months;
  let to = -1;
  for (let k = 0; k < items; k++) {
    const price = f64At(itemPrice, k);
    if (price == 0) continue;
    cost += price;
    const open = u64At(itemOpen, k);
    if (open == 0) continue;
    from = min(from, firstMonth(open));
    to = max(to, lastMonthOf(open));
  }
  for (let m = from; m <= to && cost > 0; m++) cost -= max<f64>(0, w.budget - f64At(spent, m));
  return cost <= SLACK;
}

/** A month for each item that costs something. Whoever has the fewest months first, of those alike the dearest; each in its earliest month. */
function findMonths(spent: usize): bool {
  if (!isEnough(spent)) return false;
  copyF64(chosenSpent, spent, w.months);
  ordered = 0;
  for (let k = 0; k < items; k++) {
    putI32(itemMonth, k, -1);
    const price = f64At(itemPrice, k);
    if (price <= 0) continue;
    const size = <i32>popcnt(u64At(itemOpen, k));
    let j = ordered++;
    for (; j > 0; j--) {
      const other = i32At(order, j - 1);
      const theirs = <i32>popcnt(u64At(itemOpen, other));
      if (theirs < size || (theirs == size && f64At(itemPrice, other) >= price)) break;
      putI32(order, j, other);
    }
    putI32(order, j, k);
  }
  tries = 0;
  return placeFrom(0);
}

function placeFrom(j: i32): bool {
  if (j == ordered) return true;
  const k = i32At(order, j);
  const price = f64At(itemPrice, k);
  for (let open = u64At(itemOpen, k); open != 0; open &= open - 1) {
    const m = <i32>ctz(open);
    if (++tries > MOST_TRIES) return false;
    const before = f64At(chosenSpent, m);
    if (before + price > w.budget) continue;
    putF64(chosenSpent, m, before + price);
    putI32(itemMonth, k, m);
    if (placeFrom(j + 1)) return true;
    putF64(chosenSpent, m, before);
  }
  return false;
}

/** By batch the months it could be bought in for a release on a day, a bit each. */
export function openFor(label: Label, batches: usize, count: i32, day: i32): usize {
  const open = lay(<usize>count << 3);
  for (let k = 0; k < count; k++) {
    const batch = batchAt(batches, k);
    let set: u64 = 0;
    if (batch.price != 0) {
      const isOpen = readWindow(label, batch, day);
      const from = windowFrom;
      const to = windowTo;
      for (let m = w.monthAt(from); isOpen && m < w.months; m++) {
        const first = i32At(w.monthFrom, m);
        const last = i32At(w.monthTo, m);
        if (first > to) break;
        if (last >= from && w.lastBuyUpTo(min(to, last)) >= max(from, first)) set |= <u64>1 << <u64>m;
      }
    }
    putU64(open, k, set);
  }
  return open;
}
