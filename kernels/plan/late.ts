/** Whether those to come could be paid for: each by itself, but for those of a line who come so late that its quarantines release but few more batches
 *  (core/planner/late.ts). */
import { f64At, i32At, LATE, putF64, putI32, SLACK } from './memory';
import { alsoBuy, alsoBuyBill, beginPacking, couldBePaid } from './packed';
import { tellEntering } from './ends';
import { Bill, billAt, Case, Label } from './label';
import * as w from './world';

const MOST: i32 = 16;
// Those who come late, all lines together.
const wishes = memory.data(MOST * 4);
let count = 0;
let late = 0;
// A batch that a quarantine could still release: its lane, what it holds, the first month in which it could be bought, and who is put in it.
const lanes = memory.data(MOST * 4);
const capacities = memory.data(MOST * 8);
const froms = memory.data(MOST * 4);
const masks = memory.data(MOST * 4);
const loads = memory.data(MOST * 8);
const prices = memory.data(MOST * 8);
let stays = 0;

/** With more of them a line's quarantines bind nobody. */
const MOST_STAYS: i32 = 3;
const BINDS_NOBODY: i32 = 1000;
/** Choices tried before it is left open. */
const MOST_TRIES: i32 = 300;
let tries = 0;

// What is asked about.
let label = changetype<Label>(0);
let those = changetype<Case>(0);
let bill = changetype<Bill>(0);
let last = 0;

/** Is it asked whether it can be paid for, too? */
let asksMoney: bool = false;

/** Could those who come late be put into the stays, whatever is paid for? @param day the last release that is of use */
export function couldBeReleased(after: Label, c: Case, day: i32): bool {
  label = after;
  those = c;
  last = day;
  asksMoney = false;
  tellLate();
  tries = 0;
  return count == 0 || putFrom(0);
}

/** Could all that are sure be paid for with one of the bills? @param day the last release that is of use */
export function couldBePaidBeside(after: Label, c: Case, day: i32): bool {
  asksMoney = true;
  let isTold = false;
  for (let k = 0; k < after.billCount; k++) {
    label = after;
    those = c;
    last = day;
    bill = billAt(after.bills, k);
    beginWithEach(0);
    if (!couldBePaid()) continue;
    if (!isTold) tellLate();
    isTold = true;
    tries = 0;
    if (count == 0 || putFrom(0)) return true;
  }
  return false;
}

/** @param without a bit for each who is not bought by itself */
function beginWithEach(without: i32): void {
  beginPacking(w.spent, last);
  alsoBuyBill(bill);
  for (let j = 0; j < those.count; j++) {
    const i = i32At(those.order, j);
    if (((without >> i) & 1) != 0) continue;
    let free = LATE;
    for (let mine = i32At(w.quarantinesOf, i); mine != 0; mine &= mine - 1)
      free = min(free, i32At(label.free, ctz(mine)));
    alsoBuy(f64At(w.prices, i), w.monthAt(free), w.boughtAs(i));
  }
}

/** Of each line those who outnumber the most the stays from which they could be released, and these. */
function tellLate(): void {
  count = 0;
  late = 0;
  stays = 0;
  for (let lane = 0; lane < w.lanes; lane++) {
    const here = those.sure & i32At(w.laneMasks, lane);
    // What is bought is released beside what is bought next, and may be joined.
    if ((here & (here - 1)) == 0 || ((w.ownLanes >> lane) & 1) != 0) continue;
    tellEntering(label, those);
    let most = 0;
    let day = 0;
    for (let j = 0; j < those.count; j++) {
      const i = i32At(those.order, j);
      if (((here >> i) & 1) == 0) continue;
      const since = i32At(label.from, i);
      const spare = countFrom(here, since) - countStays(lane, since);
      if (spare <= most) continue;
      most = spare;
      day = since;
    }
    if (most == 0) continue;
    putStays(lane, day);
    for (let j = 0; j < those.count; j++) {
      const i = i32At(those.order, j);
      if (((here >> i) & 1) == 0 || i32At(label.from, i) < day) continue;
      putI32(wishes, count++, i);
      late |= 1 << i;
    }
  }
}

function countFrom(here: i32, day: i32): i32 {
  let n = 0;
  for (let rest = here; rest != 0; rest &= rest - 1) if (i32At(label.from, ctz(rest)) >= day) n++;
  return n;
}

/** How many batches a line's quarantines can release from a day on. */
function countStays(lane: i32, from: i32): i32 {
  let n = 0;
  for (let mine = i32At(w.laneQuarantines, lane); mine != 0; mine &= mine - 1) {
    const q = ctz(mine);
    for (let day = max(i32At(label.outs, q), from); day <= last; day = w.firstOut(q, day + 1))
      if (++n > MOST_STAYS) return BINDS_NOBODY;
  }
  return n;
}

function putStays(lane: i32, from: i32): void {
  for (let mine = i32At(w.laneQuarantines, lane); mine != 0; mine &= mine - 1) {
    const q = ctz(mine);
    let free = i32At(label.free, q);
    for (let day = max(i32At(label.outs, q), from); day <= last; day = w.firstOut(q, day + 1)) {
      putI32(lanes, stays, lane);
      putF64(capacities, stays, f64At(w.capacities, q));
      putI32(froms, stays, w.monthAt(free));
      putI32(masks, stays, 0);
      putF64(loads, stays, 0);
      putF64(prices, stays++, 0);
      free = day + 1;
    }
  }
}

/** Could all from one on be put into the stays so that they can be paid for? True where it was not found out. */
function putFrom(k: i32): bool {
  if (++tries > MOST_TRIES) return true;
  if (k == count) return !asksMoney || couldBeTogether();
  const i = i32At(wishes, k);
  const lane = i32At(w.laneOf, i);
  const loadOfIt = f64At(w.loads, i);
  const price = f64At(w.prices, i);
  for (let s = 0; s < stays; s++) {
    if (i32At(lanes, s) != lane || isLikeBefore(s)) continue;
    const load = f64At(loads, s);
    const paid = f64At(prices, s);
    const mask = i32At(masks, s);
    if (load + loadOfIt > f64At(capacities, s) + SLACK || paid + price > w.budget) continue;
    if ((mask & i32At(w.enemies, i)) != 0) continue;
    putI32(masks, s, mask | (1 << i));
    putF64(loads, s, load + loadOfIt);
    putF64(prices, s, paid + price);
    const could = putFrom(k + 1);
    putI32(masks, s, mask);
    putF64(loads, s, load);
    putF64(prices, s, paid);
    if (could) return true;
  }
  return false;
}

/** Is a stay empty, and another like it before it, too? */
function isLikeBefore(s: i32): bool {
  if (i32At(masks, s) != 0) return false;
  for (let k = 0; k < s; k++)
    if (
      i32At(masks, k) == 0 &&
      i32At(lanes, k) == i32At(lanes, s) &&
      f64At(capacities, k) == f64At(capacities, s) &&
      i32At(froms, k) == i32At(froms, s)
    )
      return true;
  return false;
}

function couldBeTogether(): bool {
  beginWithEach(late);
  for (let s = 0; s < stays; s++) {
    const mask = i32At(masks, s);
    if (mask == 0) continue;
    // A batch with a cleaner in it is one of cleaners.
    let line = 0;
    for (let rest = mask; rest != 0; rest &= rest - 1) line = max(line, w.boughtAs(ctz(rest)));
    alsoBuy(f64At(prices, s), i32At(froms, s), line);
  }
  return couldBePaid();
}
