/** The day of an event once it must be paid for, and the partial plans it leads to (core/planner/after.ts, purchase.ts). */
import { at, copyF64, copyI32, f64At, i32At, keep, lay, mark, put, putF64, putI32, takeBack, u64At, LATE, NONE } from './memory';
import { billWith, buysFor, isPayable, lastMonthOf, tellLeftAfter, tellLeftBy } from './bills';
import { Aim, isHopeless, isTooLate, isUseless } from './bounds';
import { mayGoOn } from './events';
import { afterFirstFish, earliest, latestOf, soonestOf } from './days';
import { isDropped } from './kept';
import { batchAt, billAt, Event, Label, labelAt, nothingPlanned, Paid, readEvent, wayAt } from './label';
import * as m from './money';
import { openFor, payOnce } from './pay';
import { newWays, Wants, Ways } from './money';
import { prospectOf } from './prospects';
import * as w from './world';
import { Worth } from './world';

let event = changetype<Event>(0);
let wants = changetype<Wants>(0);
let tried = changetype<Ways>(0);
let next = changetype<Ways>(0);
let known = changetype<Ways>(0);
let kept = changetype<Ways>(0);
/** By batch, the months that were tried on the day before. */
let seen: usize = 0;
let hasSeen: bool = false;

/** What an event led to. */
export let children: usize = 0;
export let childCount: i32 = 0;
let childRoom: i32 = 64;

export function begin(): void {
  event = changetype<Event>(keep(offsetof<Event>()));
  wants = changetype<Wants>(keep(offsetof<Wants>()));
  tried = newWays();
  next = newWays();
  known = newWays();
  kept = newWays();
  seen = keep(<usize>w.quarantines << 3);
  childRoom = 64;
  children = keep(<usize>childRoom << 2);
}

function addChild(child: Label): void {
  if (childCount == childRoom) {
    const list = keep(<usize>childRoom << 3);
    copyI32(list, children, childRoom);
    children = list;
    childRoom *= 2;
  }
  put(children, childCount++, changetype<usize>(child));
}

export function childAt(k: i32): Label {
  return changetype<Label>(at(children, k));
}

/** The label of nothing planned yet. */
export function start(): Label {
  const label = nothingPlanned();
  const paid = changetype<Paid>(lay(offsetof<Paid>()));
  paid.spent = w.spent;
  paid.useful = 0;
  paid.months = 0;
  paid.open = 0;
  paid.before = changetype<Paid>(0);
  label.ways = lay(4);
  label.wayCount = 1;
  put(label.ways, 0, changetype<usize>(paid));
  label.wanted = 0;
  label.leftBy = 0;
  if (!w.hasBudget) return label;
  m.wantsOf(wants, label.mask, label.free, LATE);
  tried.count = 0;
  known.count = 0;
  m.addWay(tried, paid);
  m.worthKeeping(wants, tried, known, kept);
  label.wanted = wants.wanted;
  label.leftBy = m.leftByMonth(label);
  return label;
}

/** With one event on its earliest day, for each month its batches could be bought in, where that counts: `children`.
 *  @param told of those to come after it, where it is known better than from who they are; else none */
export function withEvent(label: Label, batches: usize, count: i32, aim: Aim, told: usize): void {
  childCount = 0;
  const before = mark();
  // Its own list: all that it leads to have it in common.
  const own = lay(<usize>count << 2);
  copyI32(own, batches, count);
  readEvent(event, own, count);
  if (event.crew && event.fish) return takeBack(before);
  let soonest = max(label.day, w.paidFrom(label.mask | event.mask));
  let to = LATE;
  let fish = 0;
  for (let k = 0; k < count; k++) {
    if (batchAt(own, k).fish) fish++;
    soonest = max(soonest, soonestOf(label, batchAt(own, k)));
    to = min(to, latestOf(label, batchAt(own, k)));
  }
  if (fish > 1) soonest = max(soonest, afterFirstFish(label));
  const last = min(min(to, aim.latest), w.end - 1);
  if (soonest > last || isUseless(aim, own, count, event.mask, event.heavy, soonest)) return takeBack(before);
  inSpans(label, soonest, last, aim, told);
  if (childCount == 0) takeBack(before);
}

/** Before, on and after each release that is set. */
function inSpans(label: Label, from: i32, to: i32, aim: Aim, told: usize): void {
  let forced = NONE;
  for (let k = 0; k < event.count && forced == NONE; k++) forced = batchAt(event.batches, k).releasedOn;
  if (forced != NONE) {
    if (forced >= from && forced <= to) inSpan(label, forced, forced, aim, told);
    return;
  }
  for (let next = from; next <= to; ) {
    const until = min(w.spanEnd(next), to);
    inSpan(label, next, until, aim, told);
    next = until + 1;
  }
}

function inSpan(label: Label, from: i32, to: i32, aim: Aim, told: usize): void {
  if (w.money == w.EVERY && w.hasBudget) return inEveryWay(label, from, to, aim, told);
  const before = mark();
  const child = soonestPaid(label, from, to, aim);
  if (changetype<usize>(child) == 0) takeBack(before);
  else addChild(child);
}

function isDead(label: Label, aim: Aim): bool {
  return aim.best != 0 && isHopeless(label, prospectOf(label), changetype<Worth>(aim.best));
}

const NO_LABEL = changetype<Label>(0);

/** A label with the event on the earliest day of a span on which it can be paid for; none where there is none, or where nothing that follows is of use. */
function soonestPaid(label: Label, from: i32, to: i32, aim: Aim): Label {
  const batches = event.batches;
  const count = event.count;
  if (w.hasBudget)
    for (let k = 0; k < count; k++) if (batchAt(batches, k).price > w.budget) return NO_LABEL;
  let day = from;
  while (day <= to) {
    const fit = earliest(label, event, day, to);
    if (fit == NONE || (fit > from && isUseless(aim, batches, count, event.mask, event.heavy, fit)))
      return NO_LABEL;
    const child = labelAt(label, event, fit);
    if (!w.hasBudget) return child;
    if (w.money == w.SETS) {
      if (isDropped(child)) return NO_LABEL;
      child.leftBy = leftBySet(child.mask);
      return isDead(child, aim) ? NO_LABEL : child;
    }
    const isOne = w.money == w.ONE;
    // On a later day it would hardly be kept, and one way of paying proves nothing.
    if (isOne && isDropped(child)) return NO_LABEL;
    const open = openFor(label, batches, count, fit);
    const buys = buysFor(batches, count, open);
    tellLeftAfter(child, label.bills, label.billCount, buys, count);
    // On a later day it ends no sooner.
    if (aim.best != 0 && isTooLate(child, prospectOf(child), changetype<Worth>(aim.best))) return NO_LABEL;
    // Not by the event's own months: what came before it might have been bought later.
    const until = w.untilBy(fit);
    const bills = lay(<usize>label.billCount << 2);
    let payable = -1;
    for (let k = 0; k < label.billCount; k++) {
      const bill = billWith(billAt(label.bills, k), buys, count);
      put(bills, k, changetype<usize>(bill));
      if (payable < 0 && isPayable(bill, fit)) payable = k;
    }
    if (payable >= 0) {
      takeBillsOver(child, bills, label.billCount, to, payable);
      if (!isOne) alikeByBatches(child);
      if (child.billCount < label.billCount) {
        tellLeftBy(child);
        child.toldOf = 0;
      }
      if (isDead(child, aim)) return NO_LABEL;
      if (!isOne) return child;
      const paid = payOnce(label, batches, count, open);
      if (changetype<usize>(paid) != 0) {
        child.ways = lay(4);
        child.wayCount = 1;
        put(child.ways, 0, changetype<usize>(paid));
        return child;
      }
    }
    if (isOne) day = nextMonth(open, fit);
    else for (day = fit + 1; day <= to && w.untilBy(day) == until; ) day++;
  }
  return NO_LABEL;
}

/** By the end of each month what is left once all of a set are paid for. */
function leftBySet(mask: i32): usize {
  const left = lay(<usize>w.months << 3);
  let cost: f64 = 0;
  for (let rest = mask; rest != 0; rest &= rest - 1) cost += f64At(w.prices, ctz(rest));
  for (let month = 0; month < w.months; month++) putF64(left, month, max<f64>(0, f64At(w.income, month) - cost));
  return left;
}

/** Of several bills only such as can be paid for in time. @param payable one of which that is known */
function takeBillsOver(child: Label, bills: usize, count: i32, by: i32, payable: i32): void {
  child.bills = bills;
  let left = 0;
  for (let k = 0; k < count; k++)
    if (k == payable || isPayable(billAt(bills, k), by)) put(bills, left++, at(bills, k));
  child.billCount = left;
}

/** Only labels of the same batches are held against each other. */
function alikeByBatches(child: Label): void {
  child.byBatches = true;
  const mixed = child.parts * 0x9e3779b97f4a7c15;
  child.hash = child.mask ^ <i32>(mixed >> 32);
}

/** The first day after one on which some batch could be bought in a later month than now. */
function nextMonth(open: usize, day: i32): i32 {
  let soonest = LATE;
  for (let k = 0; k < event.count; k++) {
    const batch = batchAt(event.batches, k);
    if (batch.price == 0 || batch.boughtOn != NONE) continue;
    const later = lastMonthOf(u64At(open, k)) + 1;
    if (later >= w.months) continue;
    soonest = min(soonest, max(day + 1, i32At(w.monthFrom, later) + i32At(w.clocks, batch.quarantine)));
  }
  return soonest;
}

/** Every way of paying that may matter: on the first day, and on each later one on which a purchase in a later month leaves more for the others. */
function inEveryWay(label: Label, from: i32, to: i32, aim: Aim, told: usize): void {
  known.count = 0;
  hasSeen = false;
  let day = from;
  // Cut short nothing is proved, and what is left out does not matter.
  while (day <= to && mayGoOn()) {
    const fit = earliest(label, event, day, to);
    if (fit == NONE) return;
    if (fit > from && isUseless(aim, event.batches, event.count, event.mask, event.heavy, fit)) return;
    const open = openFor(label, event.batches, event.count, fit);
    day = nextMonth(open, fit);
    const child = labelAt(label, event, fit);
    const wanting = told != 0 ? changetype<Wants>(told) : wants;
    if (told == 0) m.wantsOf(wants, child.mask, child.free, aim.latest);
    waysToPay(label, open, wanting.wanted);
    m.worthKeeping(wanting, tried, known, kept);
    copyF64(seen, open, event.count);
    hasSeen = true;
    if (kept.count == 0) continue;
    child.ways = lay(<usize>kept.count << 2);
    copyI32(child.ways, kept.list, kept.count);
    child.wayCount = kept.count;
    child.wanted = wanting.wanted;
    child.leftBy = m.leftByMonth(child);
    if (!isDead(child, aim)) addChild(child);
    if (m.leavesEnough(wanting.wanted, kept)) return;
    for (let k = 0; k < kept.count; k++) m.addWay(known, changetype<Paid>(at(kept.list, k)));
  }
}

/** Every choice of months for the batches of the event that can be paid for: `tried`. */
function waysToPay(label: Label, open: usize, wanted: usize): void {
  const count = event.count;
  let price: f64 = 0;
  for (let k = 0; k < count; k++) price += batchAt(event.batches, k).price;
  tried.count = 0;
  for (let j = 0; j < label.wayCount; j++) {
    const before = wayAt(label, j);
    m.addWay(tried, wayAfter(before.spent, 0, 0, 0, before, -1));
  }
  for (let k = 0; k < count; k++) {
    const batch = batchAt(event.batches, k);
    next.count = 0;
    const months = u64At(open, k);
    if (!mayGoOn()) {
      tried.count = 0;
      return;
    }
    for (let j = 0; j < tried.count; j++) {
      const way = changetype<Paid>(at(tried.list, j));
      if (batch.price == 0) {
        m.addWay(next, wayAfter(way.spent, way.months, k, count, way.before, -1));
        continue;
      }
      // A month that nobody to come could spend in costs them nothing.
      let spare = -1;
      for (let rest = months; rest != 0 && spare < 0; rest &= rest - 1) {
        const month = <i32>ctz(rest);
        if (f64At(wanted, month) == 0 && f64At(way.spent, month) + price <= w.budget) spare = month;
      }
      for (let rest = spare < 0 ? months : <u64>1 << <u64>spare; rest != 0; rest &= rest - 1) {
        const month = <i32>ctz(rest);
        const cost = f64At(way.spent, month) + batch.price;
        if (cost > w.budget) continue;
        const spent = lay(<usize>w.months << 3);
        copyF64(spent, way.spent, w.months);
        putF64(spent, month, cost);
        m.addWay(next, wayAfter(spent, way.months, k, count, way.before, month));
      }
    }
    const swap = tried;
    tried = next;
    next = swap;
  }
  if (!hasSeen) return;
  // One month at least must be new.
  let left = 0;
  for (let j = 0; j < tried.count; j++) {
    const way = changetype<Paid>(at(tried.list, j));
    if (isFresh(way, count)) put(tried.list, left++, changetype<usize>(way));
  }
  tried.count = left;
}

function isFresh(way: Paid, count: i32): bool {
  for (let k = 0; k < count; k++) {
    const month = i32At(way.months, k);
    if (month >= 0 && ((u64At(seen, k) >> <u64>month) & 1) == 0) return true;
  }
  return false;
}

/** @param done of its months those that are chosen */
function wayAfter(spent: usize, chosen: usize, done: i32, count: i32, before: Paid, month: i32): Paid {
  const way = changetype<Paid>(lay(offsetof<Paid>()));
  way.spent = spent;
  way.useful = 0;
  way.months = lay(<usize>count << 2);
  copyI32(way.months, chosen, done);
  if (done < count) putI32(way.months, done, month);
  way.open = 0;
  way.before = before;
  return way;
}
