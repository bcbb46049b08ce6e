/** Partial plans, and what is told of them (core/planner/label.ts, batch.ts). */
import { at, f64At, i32At, copyF64, copyI32, keep, lay, put, putF64, putI32, LATE, NONE } from './memory';
import * as w from './world';
import { Worth } from './world';

/** What enters a quarantine together. */
@unmanaged
export class Batch {
  load: f64;
  price: f64;
  quarantine: i32;
  mask: i32;
  enemies: i32;
  least: i32;
  latest: i32;
  gentlest: i32;
  fiercest: i32;
  heavy: bool;
  crew: bool;
  fish: bool;
  /** Is it the person's own, bought and still to be released? */
  isOwn: bool;
  /** Bought already on this day, and the day it is to be released where that is set; else NONE. */
  boughtOn: i32;
  releasedOn: i32;
  /** Of its load what would join what was bought or set. */
  joins: f64;
}

/** One way of having paid. */
@unmanaged
export class Paid {
  /** By month: what is spent, and the most that those to come could cost for what is left. */
  spent: usize;
  useful: usize;
  /** By batch of the last event the month it is bought in, -1 where that does not matter, and a bit for each it could be bought in. */
  months: usize;
  open: usize;
  before: Paid;
}

/** What is to be paid for: by batch, in the order in which they are put into months (bills.ts), what it costs. */
@unmanaged
export class Bill {
  buys: usize;
  count: i32;
}

/** A batch that is to be paid for in one month, and the first in which it could be bought. */
@unmanaged
export class ToBuy {
  price: f64;
  mask: i32;
  from: i32;
  line: i32;
  /** The one it waits for, or ANY_QUARANTINE of its line, or NO_QUARANTINE where it joins what is there. */
  quarantine: i32;
}

/** No two batches have it in common, and it orders them as their masks do. */
export function lastWish(mask: i32): i32 {
  return 31 - clz(mask);
}

export const ANY_QUARANTINE: i32 = -1;
export const NO_QUARANTINE: i32 = -2;

export function toBuyAt(buys: usize, k: i32): ToBuy {
  return changetype<ToBuy>(buys + <usize>k * offsetof<ToBuy>());
}

/** Who could still be placed, and who of them is: by bits, and in the order in which they were told. */
@unmanaged
export class Case {
  left: i32;
  sure: i32;
  count: i32;
  order: usize;
}

@unmanaged
export class Prospect {
  most: u64;
  money: f64;
  own: Case;
  cases: usize;
  count: i32;
  /** The next of the same state. */
  next: Prospect;
}

/** What no plan that follows can better. */
@unmanaged
export class Told {
  sum: f64;
  last: i32;
  batches: i32;
  /** Whose days the sum still lacks; none where it is whole. */
  of: usize;
}

@unmanaged
export class Label {
  worth: Worth;
  mask: i32;
  day: i32;
  firstHeavy: i32;
  lastHeavy: i32;
  crewLast: i32;
  first0: i32;
  first1: i32;
  first2: i32;
  /** By quarantine, the first day on which may be bought again. */
  free: usize;
  /** Loads that entered, in order: how many, days and running sums. */
  entered: i32;
  days: usize;
  sums: usize;
  ways: usize;
  wayCount: i32;
  wanted: usize;
  leftBy: usize;
  bills: usize;
  billCount: i32;
  parent: Label;
  batches: usize;
  batchCount: i32;
  /** What was told of it, measured by a plan: none, nothing better, or something. */
  toldBy: usize;
  isTold: bool;
  told: Told;
  /** What was told whatever is to be paid for, of whom and measured by which plan, and the last release that is of use. */
  toldOf: usize;
  toldWith: usize;
  useful: i32;
  /** When those to come could enter, of a case. */
  enteringOf: usize;
  outs: usize;
  from: usize;
  /** Are the same batches needed to be alike, or the same wishes? By wish, in four bits each, the last of its batch. */
  byBatches: bool;
  parts: u64;
  hash: i32;
  isKept: bool;
  place: usize;
  /** Of the rests of its place those that could be paid for (paths.ts). */
  live: usize;
  /** Its water, once it was asked for (ammonia.ts). */
  reached: usize;
}

/** What could come next: one batch, or several that enter on one day. */
@unmanaged
export class Event {
  load: f64;
  batches: usize;
  count: i32;
  mask: i32;
  gentlest: i32;
  fiercest: i32;
  heavy: bool;
  crew: bool;
  fish: bool;
}

export function readEvent(event: Event, batches: usize, count: i32): void {
  event.batches = batches;
  event.count = count;
  event.mask = 0;
  event.load = 0;
  event.heavy = false;
  event.crew = false;
  event.fish = false;
  event.gentlest = LATE;
  event.fiercest = NONE;
  for (let k = 0; k < count; k++) {
    const b = batchAt(batches, k);
    event.mask |= b.mask;
    event.load += b.load;
    event.heavy = event.heavy || b.heavy;
    event.crew = event.crew || b.crew;
    event.fish = event.fish || b.fish;
    event.gentlest = min(event.gentlest, b.gentlest);
    event.fiercest = max(event.fiercest, b.fiercest);
  }
}

@inline
export function batchAt(batches: usize, k: i32): Batch {
  return changetype<Batch>(at(batches, k));
}

@inline
export function wayAt(label: Label, k: i32): Paid {
  return changetype<Paid>(at(label.ways, k));
}

@inline
export function buyIn(bill: Bill, k: i32): ToBuy {
  return changetype<ToBuy>(at(bill.buys, k));
}

@inline
export function billAt(bills: usize, k: i32): Bill {
  return changetype<Bill>(at(bills, k));
}

/** How many of some batches are yet to be bought. */
export function toBuyOf(batches: usize, count: i32): i32 {
  let buys = 0;
  for (let k = 0; k < count; k++) if (batchAt(batches, k).boughtOn == NONE) buys++;
  return buys;
}

export function batchOf(quarantine: i32, mask: i32): Batch {
  const b = changetype<Batch>(keep(offsetof<Batch>()));
  b.quarantine = quarantine;
  b.mask = mask;
  b.enemies = 0;
  b.load = 0;
  b.price = 0;
  b.least = NONE;
  b.latest = LATE;
  b.gentlest = LATE;
  b.fiercest = NONE;
  b.heavy = false;
  b.crew = false;
  b.fish = false;
  b.isOwn = false;
  b.boughtOn = NONE;
  b.releasedOn = NONE;
  b.joins = 0;
  for (let rest = mask; rest != 0; rest &= rest - 1) {
    const i = ctz(rest);
    const load = f64At(w.loads, i);
    b.enemies |= i32At(w.enemies, i);
    b.load += load;
    b.price += f64At(w.prices, i);
    b.heavy = b.heavy || load > w.heavyMgN;
    const least = i32At(w.leasts, i);
    b.least = max(b.least, least == NONE ? LATE : least);
    b.latest = min(b.latest, i32At(w.latests, i));
    b.crew = b.crew || w.isCrew(i);
    if (!w.isFish(i)) continue;
    const temperament = i32At(w.temperaments, i);
    b.fish = true;
    b.gentlest = min(b.gentlest, temperament);
    b.fiercest = max(b.fiercest, temperament);
  }
  return b;
}

/** The load of all that was planned. */
export function planned(label: Label): f64 {
  return label.entered == 0 ? 0 : f64At(label.sums, label.entered - 1);
}

/** Load that entered by a day, of what was planned and what was there. */
export function enteredBy(label: Label, day: i32): f64 {
  let sum = w.displayLoad;
  for (let k = label.entered - 1; k >= 0; k--)
    if (i32At(label.days, k) <= day) {
      sum += f64At(label.sums, k);
      break;
    }
  for (let r = 0; r < w.released; r++)
    if (i32At(w.releasedDays, r) <= day) sum += f64At(w.releasedLoads, r);
  return sum;
}

/** The first day on which a load entered, once one was planned. */
export function firstLoad(label: Label): i32 {
  let first = label.firstHeavy;
  for (let k = 0; k < w.heavyReleased; k++) first = min(first, i32At(w.heavyDays, k));
  return first;
}

function newLabel(entered: i32): Label {
  const label = changetype<Label>(lay(offsetof<Label>()));
  label.free = lay(<usize>w.quarantines << 2);
  label.days = lay(<usize>entered << 2);
  label.sums = lay(<usize>entered << 3);
  label.outs = lay(<usize>w.quarantines << 2);
  label.from = lay(<usize>w.wishes << 2);
  label.told = changetype<Told>(lay(offsetof<Told>()));
  label.entered = entered;
  label.toldBy = 0;
  label.isTold = false;
  label.toldOf = 0;
  label.enteringOf = 0;
  label.isKept = false;
  label.place = 0;
  label.live = 0;
  label.reached = 0;
  return label;
}

/** Nothing planned yet, what is set stands; who may spend what is for the caller to say. */
export function nothingPlanned(): Label {
  const label = newLabel(0);
  for (let q = 0; q < w.quarantines; q++) putI32(label.free, q, w.today);
  const begun = w.begun;
  label.worth = w.newWorth(begun.placed, begun.last, begun.batches, begun.sum);
  label.mask = w.begunMask;
  label.day = w.today;
  label.firstHeavy = NONE;
  label.lastHeavy = NONE;
  label.crewLast = NONE;
  label.first0 = LATE;
  label.first1 = LATE;
  label.first2 = LATE;
  label.parent = changetype<Label>(0);
  label.batches = 0;
  label.batchCount = 0;
  label.byBatches = false;
  label.parts = 0;
  label.hash = label.mask;
  const bill = changetype<Bill>(lay(offsetof<Bill>()));
  bill.buys = lay(4);
  bill.count = 0;
  label.bills = lay(4);
  put(label.bills, 0, changetype<usize>(bill));
  label.billCount = 1;
  return label;
}

/** With an event on a day; paid for as before. */
export function labelAt(label: Label, event: Event, day: i32): Label {
  const child = newLabel(label.entered + 1);
  const q = w.quarantines;
  copyI32(child.free, label.free, q);
  copyI32(child.days, label.days, label.entered);
  copyF64(child.sums, label.sums, label.entered);
  putI32(child.days, label.entered, day);
  putF64(child.sums, label.entered, planned(label) + event.load);
  const before = label.worth;
  const worth = w.newWorth(before.placed, max(before.last, day), before.batches + toBuyOf(event.batches, event.count), before.sum);
  child.worth = worth;
  child.crewLast = label.crewLast;
  child.first0 = label.first0;
  child.first1 = label.first1;
  child.first2 = label.first2;
  child.batches = event.batches;
  child.batchCount = event.count;
  child.parts = label.parts;
  for (let k = 0; k < event.count; k++) {
    const batch = batchAt(event.batches, k);
    putI32(child.free, batch.quarantine, max(i32At(child.free, batch.quarantine), day + 1));
    const last = <u64>lastWish(batch.mask);
    for (let rest = batch.mask; rest != 0; rest &= rest - 1) {
      const i = ctz(rest);
      child.parts |= last << (<u64>i << 2);
      worth.placed += w.unitOfWish(i);
      worth.sum += day;
      if (w.isFish(i)) {
        const t = i32At(w.temperaments, i);
        if (t == 0) child.first0 = min(child.first0, day);
        else if (t == 1) child.first1 = min(child.first1, day);
        else child.first2 = min(child.first2, day);
      }
      if (w.isCrew(i)) child.crewLast = max(child.crewLast, day);
    }
  }
  child.mask = label.mask | event.mask;
  child.day = day;
  child.firstHeavy = event.heavy && label.firstHeavy == NONE ? day : label.firstHeavy;
  child.lastHeavy = event.heavy ? day : label.lastHeavy;
  child.ways = label.ways;
  child.wayCount = label.wayCount;
  child.wanted = label.wanted;
  child.leftBy = label.leftBy;
  child.bills = label.bills;
  child.billCount = label.billCount;
  child.parent = label;
  child.byBatches = false;
  child.hash = child.mask;
  return child;
}
