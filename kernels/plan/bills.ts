/** What is to be paid for, in whole batches (core/planner/packed.ts, bills.ts). */
import { copyF64, copyI32, f64At, i32At, lay, put, putF64, putI32, u64At, LATE, NONE, SLACK } from './memory';
import { ANY_QUARANTINE, batchAt, Bill, billAt, Label, NO_QUARANTINE, ToBuy, toBuyAt } from './label';
import * as w from './world';

/** All months of a set, a bit each: the first and the last of them; -1 where there is none. */
export function firstMonth(open: u64): i32 {
  return open == 0 ? -1 : <i32>ctz(open);
}

export function lastMonthOf(open: u64): i32 {
  return open == 0 ? -1 : 63 - <i32>clz(open);
}

const MOST: i32 = 64;
// Those to be packed: whoever has the fewest months first, of those alike the dearest.
const fewPrice = memory.data(MOST * 8);
const fewFrom = memory.data(MOST * 4);
const fewLine = memory.data(MOST * 4);
const fewTo = memory.data(MOST * 4);
// How many more of each line can be bought by the end of each month, where that binds: by line the last month in which it does, and the last of all.
const room = memory.data(w.LINES * MOST * 4);
const bounds = memory.data(w.LINES * 4);
let bound = -1;
/** By line, and for cleaners, the last month. */
const lasts = memory.data(5 * 4);
/** Where in `rest` the last month stands that is open to all. */
let openEnd: usize = 0;
let hasFish: bool = false;
const rest = memory.data(MOST * 8);
let few = 0;
let last = 0;
let tries = 0;
/** Choices tried before it is asked whether whole batches leave enough, and before it is left open. */
const FEW_TRIES: i32 = 20;
const MOST_TRIES: i32 = 500;
let triesLeft = 0;

/** Begins with what the months leave for releases by a day. @param spent by month */
export function beginPacking(spent: usize, day: i32): void {
  few = 0;
  bound = -1;
  last = w.lastMonth(day);
  hasFish = false;
  for (let line = 0; line < w.LINES; line++) putI32(lasts, line, w.lastMonthOf(day, line));
  for (let m = 0; m <= last; m++) putF64(rest, m, max<f64>(0, w.budget - f64At(spent, m)));
}

export function alsoBuy(price: f64, from: i32, line: i32): void {
  if (line == w.FISH) hasFish = true;
  if (price <= 0) return;
  let k = few++;
  for (; k > 0; k--) {
    const before = i32At(fewFrom, k - 1);
    if (before > from || (before == from && f64At(fewPrice, k - 1) >= price)) break;
    putI32(fewFrom, k, before);
    putI32(fewLine, k, i32At(fewLine, k - 1));
    putF64(fewPrice, k, f64At(fewPrice, k - 1));
  }
  putI32(fewFrom, k, from);
  putI32(fewLine, k, line);
  putF64(fewPrice, k, price);
}

export function alsoBuyAll(buys: usize, count: i32): void {
  for (let k = 0; k < count; k++) {
    const buy = toBuyAt(buys, k);
    alsoBuy(buy.price, buy.from, buy.line);
  }
}

/** The same after a label: none before its quarantine is free. */
export function alsoBuyAfter(label: Label, buys: usize, count: i32): void {
  for (let k = 0; k < count; k++) {
    const buy = toBuyAt(buys, k);
    if (buy.quarantine == NO_QUARANTINE) {
      alsoBuy(buy.price, buy.from, buy.line);
      continue;
    }
    const those = buy.quarantine == ANY_QUARANTINE ? i32At(w.quarantinesOf, ctz(buy.mask)) : 1 << buy.quarantine;
    let free = LATE;
    for (let mine = those; mine != 0; mine &= mine - 1) free = min(free, i32At(label.free, ctz(mine)));
    alsoBuy(buy.price, max(buy.from, free < w.end ? w.monthAt(free) : w.months), buy.line);
  }
}

/** All that is to be bought are batches of which so many can be bought by the end of each month (rooms.ts).
 *  @param rooms by line and month */
export function withinRooms(rooms: usize, buys: usize, count: i32, also: usize, alsoCount: i32): void {
  for (let line = 0; line < w.CLEANERS; line++) {
    let those = 0;
    for (let k = 0; k < count; k++) if (w.lineOfKind(toBuyAt(buys, k).line) == line) those++;
    for (let k = 0; k < alsoCount; k++) if (w.lineOfKind(toBuyAt(also, k).line) == line) those++;
    const here = rooms + ((<usize>line * w.months) << 2);
    let until = -1;
    while (until + 1 < w.months && i32At(here, until + 1) < those) {
      until++;
      putI32(room, line * MOST + until, i32At(here, until));
    }
    putI32(bounds, line, until);
    bound = max(bound, until);
  }
}

/** Could each be paid for in one month, from its first to the last of its line? True where it was not found out. */
export function couldBePaid(): bool {
  // Without a fish cleaners may come as late as anything of their line.
  if (!hasFish) putI32(lasts, w.CLEANERS, i32At(lasts, w.INVERTEBRATES));
  let openToAll = MOST - 1;
  for (let k = 0; k < few; k++) {
    const to = i32At(lasts, i32At(fewLine, k));
    putI32(fewTo, k, to);
    openToAll = min(openToAll, to);
  }
  openEnd = rest + (<usize>openToAll << 3);
  if (!isEnough(0)) return false;
  tries = 0;
  triesLeft = FEW_TRIES;
  if (!packs(0)) return false;
  if (tries <= FEW_TRIES) return true;
  if (!isEnoughWhole()) return false;
  tries = 0;
  triesLeft = MOST_TRIES;
  return packs(0);
}

/** Is there enough from each month on, to the last of each line, for all that could be bought in no other, could it be cut? Of two that no month pays
 *  together one takes all of a month. @param small those below cost nothing, and those that no month pays beside one of these a whole month */
function isEnough(small: f64): bool {
  for (let line = 0; line < w.LINES; line++) {
    const to = i32At(lasts, line);
    let isTold = false;
    for (let k = 0; k < line && !isTold; k++) isTold = i32At(lasts, k) == to;
    if (!isTold && !isEnoughTo(to, small)) return false;
  }
  return true;
}

/** The same for whatever is no more than half of a month, and for the half. */
function isEnoughWhole(): bool {
  const half = w.budget / 2;
  if (!isEnough(half)) return false;
  for (let k = 0; k < few; k++) {
    const price = f64At(fewPrice, k);
    if (price <= half && !isEnough(price)) return false;
  }
  return true;
}

function isEnoughTo(to: i32, small: f64): bool {
  const large = w.budget - small;
  let left: f64 = 0;
  let cost: f64 = 0;
  let k = 0;
  for (let m = to; m >= 0; m--) {
    const here = f64At(rest, m);
    left += here > large ? w.budget : here;
    for (; k < few && i32At(fewFrom, k) >= m; k++) {
      const price = f64At(fewPrice, k);
      if (price < small || i32At(fewTo, k) > to) continue;
      cost += price > large ? w.budget : price;
    }
    if (cost > left + SLACK) return false;
  }
  return true;
}

/** Do those from one on go into the months that are left? */
function packs(k: i32): bool {
  if (k == few || ++tries > triesLeft) return true;
  if (bound >= 0) return packsInRooms(k);
  const price = f64At(fewPrice, k);
  const first = rest + (<usize>i32At(fewFrom, k) << 3);
  const to = rest + (<usize>i32At(fewTo, k) << 3);
  for (let at = first; at <= to; at += 8) {
    const before = load<f64>(at);
    if (before < price || (at <= openEnd && isTried(before, first, at))) continue;
    store<f64>(at, before - price);
    const fits = packs(k + 1);
    store<f64>(at, before);
    if (fits) return true;
  }
  return false;
}

/** The same where not all can be bought as soon as there is money: the latest months first, which leave the most room. */
function packsInRooms(k: i32): bool {
  const price = f64At(fewPrice, k);
  const line = w.lineOfKind(i32At(fewLine, k));
  const here = room + (<usize>(line * MOST) << 2);
  const until = i32At(bounds, line);
  const to = i32At(fewTo, k);
  const end = min(rest + (<usize>to << 3), openEnd) + 8;
  for (let m = to; m >= i32At(fewFrom, k); m--) {
    const at = rest + (<usize>m << 3);
    const before = load<f64>(at);
    if (before < price || (m > bound && at <= openEnd && isTried(before, at + 8, end))) continue;
    if (!hasRoom(here, m, until)) return false;
    takeRoom(here, m, until, 1);
    store<f64>(at, before - price);
    const fits = packs(k + 1);
    store<f64>(at, before);
    takeRoom(here, m, until, -1);
    if (fits) return true;
  }
  return false;
}

function hasRoom(here: usize, from: i32, until: i32): bool {
  for (let m = from; m <= until; m++) if (i32At(here, m) < 1) return false;
  return true;
}

function takeRoom(here: usize, from: i32, until: i32, count: i32): void {
  for (let m = from; m <= until; m++) putI32(here, m, i32At(here, m) - count);
}

/** Of two months that leave the same one is tried. */
function isTried(left: f64, from: usize, to: usize): bool {
  for (let at = from; at < to; at += 8) if (load<f64>(at) == left) return true;
  return false;
}

/** Puts one in, in the order of masks. @returns the new count */
export function putBuy(buys: usize, count: i32, buy: ToBuy): i32 {
  let k = count;
  for (; k > 0 && toBuyAt(buys, k - 1).mask > buy.mask; k--) copyBuy(toBuyAt(buys, k), toBuyAt(buys, k - 1));
  copyBuy(toBuyAt(buys, k), buy);
  return count + 1;
}

function copyBuy(to: ToBuy, from: ToBuy): void {
  memory.copy(changetype<usize>(to), changetype<usize>(from), offsetof<ToBuy>());
}

/** What two are, of which either may be bought: no later than each. */
export function takeEither(to: ToBuy, other: ToBuy): void {
  to.from = min(to.from, other.from);
  if (to.quarantine == other.quarantine) return;
  const isNone = to.quarantine == NO_QUARANTINE || other.quarantine == NO_QUARANTINE;
  to.quarantine = isNone ? NO_QUARANTINE : ANY_QUARANTINE;
}

const bought = changetype<ToBuy>(memory.data(32));

/** With an event. @param open by batch the months it could be bought in */
export function billWith(bill: Bill, batches: usize, count: i32, open: usize): Bill {
  const next = changetype<Bill>(lay(offsetof<Bill>()));
  next.begun = lay(<usize>w.months << 3);
  copyF64(next.begun, bill.begun, w.months);
  next.buys = lay(<usize>(bill.count + count) * offsetof<ToBuy>());
  memory.copy(next.buys, bill.buys, <usize>bill.count * offsetof<ToBuy>());
  next.count = bill.count;
  for (let k = 0; k < count; k++) {
    const batch = batchAt(batches, k);
    const first = firstMonth(u64At(open, k));
    for (let m = 0; m <= first; m++) putF64(next.begun, m, f64At(next.begun, m) + batch.price);
    bought.price = batch.price;
    bought.mask = batch.mask;
    bought.from = max(first, 0);
    bought.line = batch.crew ? w.CLEANERS : i32At(w.lineOf, batch.quarantine);
    bought.quarantine = batch.boughtOn == NONE ? batch.quarantine : NO_QUARANTINE;
    next.count = putBuy(next.buys, next.count, bought);
  }
  return next;
}

/** All that may be spent from a month to the end of another. */
function incomeOf(from: i32, to: i32): f64 {
  return f64At(w.income, to) - (from > 0 ? f64At(w.income, from - 1) : 0);
}

/** Do the months suffice for all of it, for releases by a day? For one way of paying more is not asked here. */
export function isPayable(bill: Bill, day: i32): bool {
  const to = w.lastMonth(day);
  for (let m = 0; m <= to; m++) if (f64At(bill.begun, m) > incomeOf(m, to) + SLACK) return false;
  if (w.money == w.ONE) return true;
  beginPacking(w.spent, day);
  alsoBuyAll(bill.buys, bill.count);
  return couldBePaid();
}

/** By the end of each month the most that one of its bills leaves for those to come. */
export function tellLeftBy(label: Label): void {
  const from = buysFromMonth(label);
  const most = lay(<usize>w.months << 3);
  for (let k = 0; k < label.billCount; k++) {
    const begun = billAt(label.bills, k).begun;
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

/** A label that stays takes over the bills of one that is dropped for it. */
export function takeBills(label: Label, dropped: Label): void {
  let count = label.billCount;
  copyI32(bills, label.bills, count);
  let isNew = false;
  for (let k = 0; k < dropped.billCount; k++) {
    const bill = billAt(dropped.bills, k);
    let isKnown = false;
    for (let j = 0; j < count && !isKnown; j++) isKnown = isNoLater(billAt(bills, j), bill);
    if (isKnown) continue;
    isNew = true;
    count = withoutThoseOf(bill, count);
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

/** Those that could not be paid for wherever one can. @returns how many are left */
function withoutThoseOf(bill: Bill, count: i32): i32 {
  let left = 0;
  for (let k = 0; k < count; k++) {
    const known = billAt(bills, k);
    if (!isNoLater(bill, known)) put(bills, left++, changetype<usize>(known));
  }
  return left;
}

/** Could each batch of a be bought as soon as in b? Both are of the same batches. */
function isNoLater(a: Bill, b: Bill): bool {
  for (let k = 0; k < a.count; k++) if (toBuyAt(a.buys, k).from > toBuyAt(b.buys, k).from) return false;
  return true;
}

/** How many months lie between them, by price. */
function apart(a: Bill, b: Bill): f64 {
  let sum: f64 = 0;
  for (let k = 0; k < a.count; k++) {
    const x = toBuyAt(a.buys, k);
    sum += <f64>abs(x.from - toBuyAt(b.buys, k).from) * x.price;
  }
  return sum;
}

/** The two nearest each other as one that can be paid for wherever either can. @returns how many are left */
function withTwoAsOne(count: i32): i32 {
  let a = billAt(bills, 0);
  let b = billAt(bills, 1);
  let least: f64 = Infinity;
  for (let k = 1; k < count; k++)
    for (let j = 0; j < k; j++) {
      const between = apart(billAt(bills, k), billAt(bills, j));
      if (between >= least) continue;
      least = between;
      a = billAt(bills, k);
      b = billAt(bills, j);
    }
  const one = changetype<Bill>(lay(offsetof<Bill>()));
  one.count = a.count;
  one.buys = lay(<usize>a.count * offsetof<ToBuy>());
  one.begun = lay(<usize>w.months << 3);
  // Not the least of both: who is held against it is held against its months.
  for (let m = 0; m < w.months; m++) putF64(one.begun, m, 0);
  for (let k = 0; k < a.count; k++) {
    const to = toBuyAt(one.buys, k);
    copyBuy(to, toBuyAt(a.buys, k));
    takeEither(to, toBuyAt(b.buys, k));
    for (let m = 0; m <= to.from; m++) putF64(one.begun, m, f64At(one.begun, m) + to.price);
  }
  const left = withoutThoseOf(one, count);
  put(bills, left, changetype<usize>(one));
  return left + 1;
}
