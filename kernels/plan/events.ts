/** What could come next: one batch, or one in each of several quarantines with a load in each (core/planner/events.ts). */
import { at, f64At, i32At, keep, LATE, NONE, put, putI32, SLACK } from './memory';
import { Aim, isNoBetter, isUseless } from './bounds';
import { Batch, batchAt, batchOf, enteredBy, Label, latestOf, Prospect, soonestOf } from './label';
import * as w from './world';

/** By quarantine and set of wishes, all that could be bought for it: a list and how many. */
let batchesBy: usize = 0;
let batchCounts: usize = 0;

/** Events found, each a list of batches: where it begins and how many. */
export let eventCount: i32 = 0;
let eventFrom: usize = 0;
let eventSize: usize = 0;
let eventRoom: i32 = 0;
let parts: usize = 0;
let partCount: i32 = 0;
let partRoom: i32 = 0;

export function begin(): void {
  const sets = <usize>w.quarantines << w.wishes;
  batchesBy = keep(sets << 2);
  batchCounts = keep(sets << 2);
  memory.fill(batchesBy, 0, sets << 2);
  eventRoom = 256;
  eventFrom = keep(<usize>eventRoom << 2);
  eventSize = keep(<usize>eventRoom << 2);
  partRoom = 1024;
  parts = keep(<usize>partRoom << 2);
  const most = <usize>1 << w.wishes;
  found = keep(most << 2);
  sortedBatches = keep(most << 2);
  dated = keep(<usize>w.quarantines << 2);
  datedCounts = keep(<usize>w.quarantines << 2);
  for (let q = 0; q < w.quarantines; q++) put(dated, q, keep((most >> 0) * offsetof<Dated>()));
  chosen = keep(<usize>w.quarantines << 2);
  twinOf = keep(<usize>w.quarantines << 2);
  before = keep(<usize>w.wishes << 2);
  for (let i = 0; i < w.wishes; i++) {
    putI32(before, i, -1);
    for (let k = 0; k < i; k++) if (i32At(w.likes, k) == i32At(w.likes, i)) putI32(before, i, k);
  }
}

export function eventAt(k: i32): usize {
  return parts + (<usize>i32At(eventFrom, k) << 2);
}

export function sizeOfEvent(k: i32): i32 {
  return i32At(eventSize, k);
}

function addEvent(batches: usize, count: i32): void {
  if (eventCount == eventRoom) {
    eventFrom = doubled(eventFrom, eventRoom);
    eventSize = doubled(eventSize, eventRoom);
    eventRoom *= 2;
  }
  if (partCount + count > partRoom) {
    parts = doubled(parts, partRoom);
    partRoom *= 2;
  }
  putI32(eventFrom, eventCount, partCount);
  putI32(eventSize, eventCount++, count);
  memory.copy(parts + (<usize>partCount << 2), batches, <usize>count << 2);
  partCount += count;
}

function doubled(list: usize, room: i32): usize {
  const next = keep(<usize>room << 3);
  memory.copy(next, list, <usize>room << 2);
  return next;
}

/** A batch with the first and last day it could be released on, whatever else is in its event. */
@unmanaged
class Dated {
  batch: Batch;
  from: i32;
  to: i32;
}

/** By quarantine those that could be an event, or part of one. */
let dated: usize = 0;
let datedCounts: usize = 0;

function datedAt(q: i32, k: i32): Dated {
  return changetype<Dated>(at(dated, q) + <usize>k * offsetof<Dated>());
}

// All that could be bought for a quarantine from some wishes, the lightest first.
let found: usize = 0;
let foundCount: i32 = 0;
let sortedBatches: usize = 0;
let foundQuarantine: i32 = 0;
let foundRoom: f64 = 0;
let foundFrom: i32 = 0;

function newBatches(mine: i32, q: i32): i32 {
  const state = (q << w.wishes) + mine;
  if (at(batchesBy, state) == 0) {
    foundCount = 0;
    foundQuarantine = q;
    foundRoom = f64At(w.capacities, q) + SLACK;
    foundFrom = mine;
    walk(mine, 0, 0, 0);
    sortByLoad(0, foundCount);
    const list = keep(<usize>max(1, foundCount) << 2);
    memory.copy(list, found, <usize>foundCount << 2);
    put(batchesBy, state, list);
    putI32(batchCounts, state, foundCount);
  }
  return state;
}

/** Every set that a batch can hold; of those alike only such as follow one another.
 *  @param ended a bit for the first of all that are alike, once one of them was left out after another was taken */
function walk(rest: i32, set: i32, load: f64, ended: i32): void {
  if (rest == 0) {
    if (set == 0) return;
    const batch = batchOf(foundQuarantine, set);
    if (!w.hasBudget || batch.price <= w.budget) put(found, foundCount++, changetype<usize>(batch));
    return;
  }
  const i = ctz(rest);
  const like = i32At(w.likes, i);
  const then = load + f64At(w.loads, i);
  if (then <= foundRoom && ((ended >> like) & 1) == 0 && (i32At(w.enemies, i) & set) == 0)
    walk(rest & (rest - 1), set | (1 << i), then, ended);
  let isBegun = false;
  for (let s = set; s != 0 && !isBegun; s &= s - 1) isBegun = i32At(w.likes, ctz(s)) == like;
  walk(rest & (rest - 1), set, load, isBegun ? ended | (1 << like) : ended);
}

/** Those alike in their load stay in their order. */
function sortByLoad(from: i32, to: i32): void {
  if (to - from < 2) return;
  const mid = (from + to) >> 1;
  sortByLoad(from, mid);
  sortByLoad(mid, to);
  let a = from;
  let b = mid;
  for (let k = from; k < to; k++) {
    const takesFirst = a < mid && (b >= to || batchAt(found, a).load <= batchAt(found, b).load);
    put(sortedBatches, k, at(found, takesFirst ? a++ : b++));
  }
  memory.copy(found + (<usize>from << 2), sortedBatches + (<usize>from << 2), <usize>(to - from) << 2);
}

/** Of wishes alike in everything the one before; -1 where there is none. */
let before: usize = 0;
/** Those who wait for one that is left, too. */
let waits: i32 = 0;
/** By temperament of the fiercest in an event, the gentler loads that must come, too (R7). */
let gentler1: i32 = 0;
let gentler2: i32 = 0;
let chosen: usize = 0;
let chosenCount: i32 = 0;
let twinOf: usize = 0;
let most: f64 = 0;

// @ts-ignore: a decorator of AssemblyScript
@external('planner', 'mayGoOn')
declare function mayGoOnAsked(): i32;

/** Asked so often that each answer counts for a while. */
const EVERY: i32 = 32;
let asked: i32 = 0;
let isOver: bool = false;

export function mayGoOn(): bool {
  if (!isOver && asked++ % EVERY == 0) isOver = mayGoOnAsked() == 0;
  return !isOver;
}

/** Every event that could come next. */
export function findEvents(label: Label, prospect: Prospect, aim: Aim): void {
  eventCount = 0;
  partCount = 0;
  const whole = enteredBy(label, LATE);
  most = max(2 * whole, w.firstStep) - whole + SLACK;
  const left = prospect.own.left;
  const sure = prospect.own.sure;
  // With cleaners still to come no fish can come first.
  const now = aim.isWhole && (sure & w.crewWishes) != 0 ? left & ~w.fishWishes : left;
  for (let q = 0; q < w.quarantines; q++) findDated(label, now, q, aim.latest);
  tellTwins(label);
  waits = 0;
  for (let rest = left; rest != 0; rest &= rest - 1) {
    const b = i32At(before, ctz(rest));
    if (b >= 0 && ((left >> b) & 1) != 0) waits |= rest & -rest;
  }
  gentler1 = 0;
  gentler2 = 0;
  if (aim.isWhole)
    for (let rest = sure & w.fishWishes & w.heavyWishes; rest != 0; rest &= rest - 1) {
      const t = i32At(w.temperaments, ctz(rest));
      if (t < 1) gentler1 |= rest & -rest;
      if (t < 2) gentler2 |= rest & -rest;
    }
  chosenCount = 0;
  for (let q = 0; q < w.quarantines; q++) {
    if (w.twins && i32At(twinOf, q) != -1) continue;
    const count = i32At(datedCounts, q);
    for (let k = 0; k < count; k++) {
      const batch = datedAt(q, k).batch;
      if (!leavesNobody(batch.mask, batch.fiercest) || !firstCome(batch.mask, 0)) continue;
      put(chosen, 0, changetype<usize>(batch));
      addEvent(chosen, 1);
    }
  }
  together(label, aim, 0, 0, 0, NONE, NONE, LATE, false, false);
}

function findDated(label: Label, now: i32, q: i32, latest: i32): void {
  let mine = 0;
  for (let rest = now; rest != 0; rest &= rest - 1)
    if (((i32At(w.quarantinesOf, ctz(rest)) >> q) & 1) != 0) mine |= rest & -rest;
  const state = newBatches(mine, q);
  const list = at(batchesBy, state);
  const count = i32At(batchCounts, state);
  let able = 0;
  for (let k = 0; k < count; k++) {
    const batch = batchAt(list, k);
    // The lightest come first.
    if (batch.load > most) break;
    const from = soonestOf(label, batch);
    const to = latestOf(label, batch);
    if (from > to || from > latest) continue;
    const d = datedAt(q, able++);
    d.batch = batch;
    d.from = from;
    d.to = to;
  }
  putI32(datedCounts, q, able);
}

/** Quarantines that are like an earlier one in the same state: whichever is taken first is the earlier. */
function tellTwins(label: Label): void {
  for (let q = 0; q < w.quarantines; q++) {
    putI32(twinOf, q, -1);
    for (let k = q - 1; k >= 0; k--)
      if (i32At(label.free, k) == i32At(label.free, q) && i32At(w.plain, k) == i32At(w.plain, q)) {
        putI32(twinOf, q, k);
        break;
      }
  }
}

/** Does an event leave no gentler load behind that must come, too? It would have to be in the event itself. */
function leavesNobody(mask: i32, fiercest: i32): bool {
  return fiercest <= 0 || ((fiercest == 1 ? gentler1 : gentler2) & ~mask) == 0;
}

/** Of wishes that are alike, does the first come first, in the order of the quarantines? */
function firstCome(mask: i32, others: i32): bool {
  for (let rest = waits & mask; rest != 0; rest &= rest - 1)
    if ((((mask | others) >> i32At(before, ctz(rest))) & 1) == 0) return false;
  return true;
}

function inQuarantine(q: i32): Batch {
  for (let k = 0; k < chosenCount; k++) if (batchAt(chosen, k).quarantine == q) return batchAt(chosen, k);
  return changetype<Batch>(0);
}

/** Two that share a wish, or hold two that may not live together; or that would go into one quarantine, where they are never taken apart. */
function goesWithAll(b: Batch): bool {
  for (let k = 0; k < chosenCount; k++) {
    const c = batchAt(chosen, k);
    if ((c.mask & b.mask) != 0 || (c.enemies & b.mask) != 0) return false;
    if (w.merges && fitInOne(c, b)) return false;
  }
  return true;
}

function fitInOne(a: Batch, b: Batch): bool {
  if (i32At(w.lineOf, a.quarantine) != i32At(w.lineOf, b.quarantine)) return false;
  if (w.hasBudget && a.price + b.price > w.budget) return false;
  const room = max(f64At(w.capacities, a.quarantine), f64At(w.capacities, b.quarantine));
  return a.load + b.load <= room + SLACK;
}

function together(
  label: Label,
  aim: Aim,
  first: i32,
  loadSoFar: f64,
  maskSoFar: i32,
  fiercestSoFar: i32,
  fromSoFar: i32,
  to: i32,
  crew: bool,
  fish: bool,
): void {
  for (let q = first; q < w.quarantines; q++) {
    const twin = w.twins ? i32At(twinOf, q) : -1;
    const like = twin >= 0 ? inQuarantine(twin) : changetype<Batch>(0);
    if (twin >= 0 && changetype<usize>(like) == 0) continue;
    const goesOn = q + 1 < w.quarantines;
    if (chosenCount == 0 && !goesOn) continue;
    const count = i32At(datedCounts, q);
    for (let k = 0; k < count; k++) {
      const d = datedAt(q, k);
      const b = d.batch;
      if (!b.heavy) continue;
      // The lightest come first.
      const load = loadSoFar + b.load;
      if (load > most) break;
      if ((maskSoFar & b.mask) != 0 || !firstCome(b.mask, maskSoFar)) continue;
      if (changetype<usize>(like) != 0 && ctz(like.mask) > ctz(b.mask)) continue;
      if ((crew && b.fish) || (fish && b.crew) || !goesWithAll(b)) continue;
      const mask = maskSoFar | b.mask;
      const from = max(max(fromSoFar, d.from), w.paidFrom(label.mask | mask));
      if (from > min(min(to, d.to), aim.latest)) continue;
      const fiercest = max(fiercestSoFar, b.fiercest);
      if (isNoBetter(aim, chosenCount + 1, mask, from)) continue;
      put(chosen, chosenCount++, changetype<usize>(b));
      if (
        chosenCount > 1 &&
        leavesNobody(mask, fiercest) &&
        !isUseless(aim, chosen, chosenCount, mask, true, from)
      )
        addEvent(chosen, chosenCount);
      if (!mayGoOn()) return;
      if (goesOn)
        together(label, aim, q + 1, load, mask, fiercest, from, min(to, d.to), crew || b.crew, fish || b.fish);
      chosenCount--;
    }
  }
}
