/** Whole batches in the months (core/planner/packed.ts). */
import { f64At, i32At, putF64, putI32, u64At, LATE, SLACK } from './memory';
import { ANY_QUARANTINE, Bill, buyIn, Label, NO_QUARANTINE, ToBuy, toBuyAt } from './label';
import { askBy, beginAsking, keepAnswer, known, UNKNOWN } from './known';
import * as w from './world';

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
/** What the months have spent: none where it is what is spent from the beginning. */
let spentBefore: usize = 0;

/** Begins with what the months leave for releases by a day. @param spent by month */
export function beginPacking(spent: usize, day: i32): void {
  few = 0;
  bound = -1;
  last = w.lastMonth(day);
  spentBefore = spent == w.spent ? 0 : spent;
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

export function alsoBuyBill(bill: Bill): void {
  for (let k = 0; k < bill.count; k++) {
    const buy = buyIn(bill, k);
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
  tries = 0;
  triesLeft = FEW_TRIES;
  if (!packs(0)) return false;
  if (tries <= FEW_TRIES) return true;
  tellAsked();
  const before = known();
  if (before != UNKNOWN) return before == 1;
  const could = couldBeFound();
  keepAnswer(could);
  return could;
}

function couldBeFound(): bool {
  if (!isEnough(0) || !isEnoughWhole() || !isEnoughInRooms()) return false;
  tries = 0;
  triesLeft = MOST_TRIES;
  return packs(0);
}

/** All that it hangs on. */
function tellAsked(): void {
  beginAsking();
  let lastOfLines: u64 = <u64>few;
  for (let line = 0; line < w.LINES; line++) lastOfLines = (lastOfLines << 8) | <u64>(i32At(lasts, line) + 1);
  askBy(lastOfLines);
  let months: u64 = 0;
  for (let k = 0; k < few; k++) {
    askBy(u64At(fewPrice, k));
    months = (months << 16) | <u64>((i32At(fewFrom, k) << 8) | i32At(fewLine, k));
    if ((k & 3) == 3 || k == few - 1) {
      askBy(months);
      months = 0;
    }
  }
  if (spentBefore != 0) for (let m = 0; m <= last; m++) askBy(u64At(rest, m));
  askBy(<u64>(bound + 1) | (spentBefore != 0 ? 256 : 0));
  if (bound < 0) return;
  for (let line = 0; line < w.CLEANERS; line++)
    for (let m = 0; m <= i32At(bounds, line); m++) askBy((<u64>m << 32) | <u64><u32>i32At(room, line * MOST + m));
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

/** And for all that are bought in it or later, as there is no room for them before? */
function isEnoughInRooms(): bool {
  let left: f64 = 0;
  for (let m = last; m > 0; m--) {
    left += f64At(rest, m);
    if (m <= bound + 1 && costFrom(m) > left + SLACK) return false;
  }
  return true;
}

const cheapest = memory.data(MOST * 8);

/** What is bought in a month or later costs at the least: all that could be bought in no other, and the cheapest of those that have no room before it. */
function costFrom(month: i32): f64 {
  let cost: f64 = 0;
  for (let line = 0; line < w.CLEANERS; line++) {
    let count = 0;
    for (let k = 0; k < few; k++) {
      if (w.lineOfKind(i32At(fewLine, k)) != line) continue;
      const price = f64At(fewPrice, k);
      if (i32At(fewFrom, k) >= month) {
        cost += price;
        continue;
      }
      let j = count++;
      for (; j > 0 && f64At(cheapest, j - 1) > price; j--) putF64(cheapest, j, f64At(cheapest, j - 1));
      putF64(cheapest, j, price);
    }
    if (month > i32At(bounds, line) + 1) continue;
    const before = max(0, i32At(room, line * MOST + month - 1));
    for (let j = 0; j < count - before; j++) cost += f64At(cheapest, j);
  }
  return cost;
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
  let begun: usize = 0;
  for (let at = first; at <= to; at += 8) {
    const before = load<f64>(at);
    if (before < price) continue;
    // No month before the first that pays it leaves the same.
    if (begun == 0) begun = at;
    else if (at <= openEnd && isTried(before, begun, at)) continue;
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

export function copyBuy(to: ToBuy, from: ToBuy): void {
  memory.copy(changetype<usize>(to), changetype<usize>(from), offsetof<ToBuy>());
}

/** What two are, of which either may be bought: no later than each. */
export function takeEither(to: ToBuy, other: ToBuy): void {
  to.from = min(to.from, other.from);
  if (to.quarantine == other.quarantine) return;
  const isNone = to.quarantine == NO_QUARANTINE || other.quarantine == NO_QUARANTINE;
  to.quarantine = isNone ? NO_QUARANTINE : ANY_QUARANTINE;
}
