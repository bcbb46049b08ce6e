/** What is to be paid for by a partial plan (core/planner/bills.ts). */
import { at, copyI32, f64At, i32At, lay, put, putF64, u64At, LATE, NONE, SLACK } from './memory';
import { batchAt, Bill, billAt, Label, buyIn, lastWish, NO_QUARANTINE, ToBuy } from './label';
import { alsoBuyBill, beginPacking, copyBuy, couldBePaid, takeEither } from './packed';
import * as w from './world';

const MOST: i32 = 64;

/** All months of a set, a bit each: the first and the last of them; -1 where there is none. */
export function firstMonth(open: u64): i32 {
  return open == 0 ? -1 : <i32>ctz(open);
}

export function lastMonthOf(open: u64): i32 {
  return open == 0 ? -1 : 63 - <i32>clz(open);
}

/** Puts one into a bill, in the order in which they are put into months, of those alike in the order of masks. */
function putInOrder(bill: Bill, buy: ToBuy): void {
  let k = bill.count++;
  for (; k > 0 && isBefore(buy, buyIn(bill, k - 1)); k--) put(bill.buys, k, at(bill.buys, k - 1));
  put(bill.buys, k, changetype<usize>(buy));
}

function isBefore(a: ToBuy, b: ToBuy): bool {
  if (a.from != b.from) return a.from > b.from;
  return a.price != b.price ? a.price > b.price : a.mask < b.mask;
}

/** What an event costs, for bills. @param open by batch the months it could be bought in @returns by batch */
export function buysFor(batches: usize, count: i32, open: usize): usize {
  const buys = lay(<usize>count << 2);
  for (let k = 0; k < count; k++) {
    const batch = batchAt(batches, k);
    const buy = changetype<ToBuy>(lay(offsetof<ToBuy>()));
    buy.price = batch.price;
    buy.mask = batch.mask;
    buy.from = max(firstMonth(u64At(open, k)), 0);
    buy.line = batch.crew ? w.CLEANERS : i32At(w.lineOf, batch.quarantine);
    buy.quarantine = batch.boughtOn == NONE ? batch.quarantine : NO_QUARANTINE;
    put(buys, k, changetype<usize>(buy));
  }
  return buys;
}

/** With others. @param buys so many of them, of which none is in it */
export function billWith(bill: Bill, buys: usize, count: i32): Bill {
  const next = billOf(bill.count + count);
  copyI32(next.buys, bill.buys, bill.count);
  next.count = bill.count;
  for (let k = 0; k < count; k++) putInOrder(next, changetype<ToBuy>(at(buys, k)));
  return next;
}

/** An empty one with room for so many. */
function billOf(room: i32): Bill {
  const bill = changetype<Bill>(lay(offsetof<Bill>()));
  bill.buys = lay(<usize>max(1, room) << 2);
  bill.count = 0;
  return bill;
}

/** All that may be spent from a month to the end of another. */
function incomeOf(from: i32, to: i32): f64 {
  return f64At(w.income, to) - (from > 0 ? f64At(w.income, from - 1) : 0);
}

/** By month the price of all in a bill that could be bought in it or later only. */
const begun = memory.data(MOST * 8);

/** @param buys so many more */
function tellBegun(bill: Bill, buys: usize, count: i32): void {
  for (let m = 0; m < w.months; m++) putF64(begun, m, 0);
  for (let k = 0; k < bill.count; k++) {
    const buy = buyIn(bill, k);
    putF64(begun, buy.from, f64At(begun, buy.from) + buy.price);
  }
  for (let k = 0; k < count; k++) {
    const buy = changetype<ToBuy>(at(buys, k));
    putF64(begun, buy.from, f64At(begun, buy.from) + buy.price);
  }
  for (let m = w.months - 1; m > 0; m--) putF64(begun, m - 1, f64At(begun, m - 1) + f64At(begun, m));
}

/** Do the months suffice for all of it, for releases by a day? For one way of paying it is not asked how the batches go into them. */
export function isPayable(bill: Bill, day: i32): bool {
  if (w.money == w.ONE) return isBegunPayable(bill, w.lastMonth(day));
  beginPacking(w.spent, day);
  alsoBuyBill(bill);
  return couldBePaid();
}

function isBegunPayable(bill: Bill, to: i32): bool {
  tellBegun(bill, 0, 0);
  for (let m = 0; m <= to; m++) if (f64At(begun, m) > incomeOf(m, to) + SLACK) return false;
  return true;
}

/** By the end of each month the most that one of its bills leaves for those to come. */
export function tellLeftBy(label: Label): void {
  tellLeftAfter(label, label.bills, label.billCount, 0, 0);
}

/** The same with others in each of some bills. @param buys so many of them */
export function tellLeftAfter(label: Label, bills: usize, billCount: i32, buys: usize, count: i32): void {
  const from = buysFromMonth(label);
  const most = lay(<usize>w.months << 3);
  for (let k = 0; k < billCount; k++) {
    tellBegun(billAt(bills, k), buys, count);
    let before: f64 = 0;
    let gone: f64 = 0;
    for (let m = 0; m < w.months; m++) {
      // From some month on that they may have to wait for, all that could not be bought before it.
      if (m <= from) gone = max(gone, before + f64At(begun, m));
      before = f64At(w.income, m);
      const left = max<f64>(0, before - gone);
      putF64(most, m, k == 0 ? left : max(f64At(most, m), left));
    }
  }
  label.leftBy = most;
}

/** The month from which on those to come can buy: once a quarantine of theirs is free. */
function buysFromMonth(label: Label): i32 {
  let soonest = LATE;
  for (let left = w.ableWishes & ~label.mask; left != 0; left &= left - 1)
    for (let mine = i32At(w.quarantinesOf, ctz(left)); mine != 0; mine &= mine - 1)
      soonest = min(soonest, i32At(label.free, ctz(mine)));
  return soonest < w.end ? w.monthAt(soonest) : w.months;
}

/** With more bills than this the two nearest each other become one. */
const MOST_BILLS: i32 = 3;
// Bills while some are taken over.
const bills = memory.data(16 * 4);

/** Of a bill, by the last wish of each batch. */
const buyOf = memory.data(MOST * 4);

function readBuys(bill: Bill): void {
  for (let k = 0; k < bill.count; k++) {
    const buy = buyIn(bill, k);
    put(buyOf, lastWish(buy.mask), changetype<usize>(buy));
  }
}

/** The same batch in the bill that was read. */
function readOf(buy: ToBuy): ToBuy {
  return changetype<ToBuy>(at(buyOf, lastWish(buy.mask)));
}

/** A label that stays takes over the bills of one that is dropped for it. */
export function takeBills(label: Label, dropped: Label): void {
  let count = label.billCount;
  copyI32(bills, label.bills, count);
  let isNew = false;
  for (let k = 0; k < dropped.billCount; k++) {
    const bill = billAt(dropped.bills, k);
    readBuys(bill);
    let isKnown = false;
    for (let j = 0; j < count && !isKnown; j++) isKnown = isNoLaterThanRead(billAt(bills, j));
    if (isKnown) continue;
    isNew = true;
    count = withoutThoseOfRead(count);
    put(bills, count++, changetype<usize>(bill));
  }
  if (!isNew) return;
  while (count > MOST_BILLS) count = withTwoAsOne(count);
  label.bills = lay(<usize>count << 2);
  copyI32(label.bills, bills, count);
  label.billCount = count;
  tellLeftBy(label);
  label.toldBy = 0;
}

/** Leaves out those that could not be paid for wherever the one that was read can. @returns how many are left */
function withoutThoseOfRead(count: i32): i32 {
  let left = 0;
  for (let k = 0; k < count; k++) {
    const known = billAt(bills, k);
    if (!isReadNoLaterThan(known)) put(bills, left++, changetype<usize>(known));
  }
  return left;
}

/** Could each batch be bought as soon as in the bill that was read? Both are of the same batches. */
function isNoLaterThanRead(bill: Bill): bool {
  for (let k = 0; k < bill.count; k++) {
    const buy = buyIn(bill, k);
    if (buy.from > readOf(buy).from) return false;
  }
  return true;
}

/** The other way about. */
function isReadNoLaterThan(bill: Bill): bool {
  for (let k = 0; k < bill.count; k++) {
    const buy = buyIn(bill, k);
    if (readOf(buy).from > buy.from) return false;
  }
  return true;
}

const between = memory.data(MOST * 8);

/** How many months lie between them, by price. */
function apart(a: Bill, b: Bill): f64 {
  readBuys(b);
  for (let k = 0; k < a.count; k++) {
    const buy = buyIn(a, k);
    putF64(between, lastWish(buy.mask), <f64>abs(buy.from - readOf(buy).from) * buy.price);
  }
  // In the order of masks.
  let lasts = 0;
  for (let k = 0; k < a.count; k++) lasts |= 1 << lastWish(buyIn(a, k).mask);
  let sum: f64 = 0;
  for (let rest = lasts; rest != 0; rest &= rest - 1) sum += f64At(between, ctz(rest));
  return sum;
}

/** The two nearest each other as one that can be paid for wherever either can. @returns how many are left */
function withTwoAsOne(count: i32): i32 {
  let a = billAt(bills, 0);
  let b = billAt(bills, 1);
  let least: f64 = Infinity;
  for (let k = 1; k < count; k++)
    for (let j = 0; j < k; j++) {
      const months = apart(billAt(bills, k), billAt(bills, j));
      if (months >= least) continue;
      least = months;
      a = billAt(bills, k);
      b = billAt(bills, j);
    }
  const one = billOf(a.count);
  readBuys(b);
  for (let k = 0; k < a.count; k++) {
    const buy = buyIn(a, k);
    const either = changetype<ToBuy>(lay(offsetof<ToBuy>()));
    copyBuy(either, buy);
    takeEither(either, readOf(buy));
    putInOrder(one, either);
  }
  readBuys(one);
  const left = withoutThoseOfRead(count);
  put(bills, left, changetype<usize>(one));
  return left + 1;
}
