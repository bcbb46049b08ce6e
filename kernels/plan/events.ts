/** What could come next: one batch, or one in each of several quarantines with a load in each (core/planner/events.ts). */
import { at, f64At, i32At, keep, LATE, NONE, put, putF64, putI32, SLACK } from './memory';
import { Aim, isNoBetter, isUseless } from './bounds';
import { afterFirstFish, isOut, latestOf, soonestOf } from './days';
import { Batch, batchAt, batchOf, enteredBy, Label, Prospect } from './label';
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
  grownBy = keep(<usize>(w.bought + w.stays) << (w.wishes + 2));
  grownCounts = keep(<usize>(w.bought + w.stays) << (w.wishes + 2));
  memory.fill(grownBy, 0, <usize>(w.bought + w.stays) << (w.wishes + 2));
  owns = keep(<usize>w.bought << 2);
  for (let k = 0; k < w.bought; k++) put(owns, k, changetype<usize>(ownBatch(k)));
  overlaps = 0;
  for (let k = 0; k < w.bought; k++)
    for (let j = 0; j < k; j++)
      if (i32At(w.boughtQuarantines, j) == i32At(w.boughtQuarantines, k)) overlaps |= 1 << i32At(w.boughtQuarantines, k);
  const most = <usize>1 << w.wishes;
  const datedRoom = most * <usize>(1 + w.bought + w.stays) + <usize>w.bought;
  found = keep(most << 2);
  sortedBatches = keep(most << 2);
  dated = keep(<usize>w.quarantines << 2);
  datedCounts = keep(<usize>w.quarantines << 2);
  heavy = keep(<usize>w.quarantines << 2);
  heavyCounts = keep(<usize>w.quarantines << 2);
  heavyLoads = keep(<usize>w.quarantines << 2);
  heavyMasks = keep(<usize>w.quarantines << 2);
  reachFrom = keep(<usize>(w.quarantines + 1) << 2);
  for (let q = 0; q < w.quarantines; q++) {
    put(dated, q, keep(datedRoom * offsetof<Dated>()));
    put(heavy, q, keep(datedRoom << 2));
    put(heavyLoads, q, keep(datedRoom << 3));
    put(heavyMasks, q, keep(datedRoom << 2));
  }
  chosen = keep(<usize>(w.quarantines + w.bought) << 2);
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

/** And those that bring a load, the lightest first. */
let heavy: usize = 0;
let heavyCounts: usize = 0;
/** Their loads and masks beside one another: most are turned down by these. */
let heavyLoads: usize = 0;
let heavyMasks: usize = 0;
/** By quarantine the wishes of its loads and of those of the quarantines after it. */
let reachFrom: usize = 0;

function heavyAt(q: i32, k: i32): Dated {
  return changetype<Dated>(at(at(heavy, q), k));
}

function datedAt(q: i32, k: i32): Dated {
  return changetype<Dated>(at(dated, q) + <usize>k * offsetof<Dated>());
}

// What the person bought, each as a batch; by it, and by each stay that may be joined, and set of wishes, the batches it could become.
let owns: usize = 0;
let grownBy: usize = 0;
let grownCounts: usize = 0;
/** Quarantines for which one was bought while another was in it. */
let overlaps: i32 = 0;

function ownBatch(k: i32): Batch {
  const batch = batchOf(i32At(w.boughtQuarantines, k), i32At(w.boughtMasks, k));
  batch.isOwn = true;
  batch.boughtOn = i32At(w.boughtDays, k);
  batch.least = i32At(w.boughtLeasts, k);
  batch.load = f64At(w.boughtLoads, k);
  return batch;
}

/** All that could be bought for a quarantine from some wishes, the lightest first. */
let found: usize = 0;
let foundCount: i32 = 0;
let sortedBatches: usize = 0;
let foundQuarantine: i32 = 0;
let foundRoom: f64 = 0;
/** What they would join; none where they are bought by themselves. */
let foundBase: Batch = changetype<Batch>(0);

function newBatches(mine: i32, q: i32): i32 {
  const state = (q << w.wishes) + mine;
  if (at(batchesBy, state) == 0) {
    foundCount = 0;
    foundQuarantine = q;
    foundRoom = f64At(w.capacities, q) + SLACK;
    foundBase = changetype<Batch>(0);
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
    if (set != 0) addFound(set, load);
    return;
  }
  const i = ctz(rest);
  const like = i32At(w.likes, i);
  const then = load + f64At(w.loads, i);
  const others = changetype<usize>(foundBase) == 0 ? set : set | foundBase.mask;
  if (then <= foundRoom && ((ended >> like) & 1) == 0 && (i32At(w.enemies, i) & others) == 0)
    walk(rest & (rest - 1), set | (1 << i), then, ended);
  let isBegun = false;
  for (let s = set; s != 0 && !isBegun; s &= s - 1) isBegun = i32At(w.likes, ctz(s)) == like;
  walk(rest & (rest - 1), set, load, isBegun ? ended | (1 << like) : ended);
}

function addFound(set: i32, load: f64): void {
  if (changetype<usize>(foundBase) == 0) {
    const batch = batchOf(foundQuarantine, set);
    if (!w.hasBudget || batch.price <= w.budget) put(found, foundCount++, changetype<usize>(batch));
    return;
  }
  const batch = batchOf(foundQuarantine, foundBase.mask | set);
  batch.boughtOn = foundBase.boughtOn;
  batch.releasedOn = foundBase.releasedOn;
  batch.joins = load;
  put(found, foundCount++, changetype<usize>(batch));
}

/** The batches that what was bought or set could become. @param k which of what was bought, or behind them of the stays that may be joined */
function grown(k: i32, base: Batch, mine: i32, room: f64): i32 {
  const state = (k << w.wishes) + mine;
  if (at(grownBy, state) == 0) {
    foundCount = 0;
    foundQuarantine = base.quarantine;
    foundRoom = room;
    foundBase = base;
    walk(mine, 0, 0, 0);
    const list = keep(<usize>max(1, foundCount) << 2);
    memory.copy(list, found, <usize>foundCount << 2);
    put(grownBy, state, list);
    putI32(grownCounts, state, foundCount);
  }
  return state;
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
/** The day from which fish of several quarantines may come together. */
let fishTogether: i32 = NONE;

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
  tellReach();
  chosenCount = 0;
  fishTogether = afterFirstFish(label);
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
  together(label, aim, 0, 0, 0, 0, NONE, NONE, LATE, 0, false, false);
}

function findDated(label: Label, now: i32, q: i32, latest: i32): void {
  let mine = 0;
  for (let rest = now; rest != 0; rest &= rest - 1)
    if (((i32At(w.quarantinesOf, ctz(rest)) >> q) & 1) != 0) mine |= rest & -rest;
  mine &= ~w.boughtWishes;
  const state = newBatches(mine, q);
  const list = at(batchesBy, state);
  const count = i32At(batchCounts, state);
  putI32(datedCounts, q, 0);
  for (let k = 0; k < count; k++) {
    const batch = batchAt(list, k);
    // The lightest come first.
    if (batch.load > most) break;
    addDated(label, q, batch, latest);
  }
  if (((w.usedQuarantines >> q) & 1) != 0) findOwn(label, now, mine, q, latest);
  tellHeavy(q);
}

function addDated(label: Label, q: i32, batch: Batch, latest: i32): void {
  const from = soonestOf(label, batch);
  const to = latestOf(label, batch);
  if (from > to || from > latest) return;
  const able = i32At(datedCounts, q);
  const d = datedAt(q, able);
  d.batch = batch;
  d.from = from;
  d.to = to;
  putI32(datedCounts, q, able + 1);
}

/** What was bought, and what could join it, or a stay whose end is set. */
function findOwn(label: Label, now: i32, mine: i32, q: i32, latest: i32): void {
  const capacity = f64At(w.capacities, q) + SLACK;
  for (let k = 0; k < w.bought; k++) {
    const own = batchAt(owns, k);
    if (own.quarantine != q || isOut(label, k) || own.least == LATE || (own.mask & ~now) != 0) continue;
    addDated(label, q, own, latest);
    if (i32At(w.boughtOpen, k) == 1)
      addGrown(label, grown(k, own, mine, capacity - own.load), most - own.load, q, latest);
  }
  for (let s = 0; s < w.stays; s++) {
    if (i32At(w.stayQuarantines, s) != q) continue;
    const room = capacity - f64At(w.stayLoads, s);
    const here = room - joinedLoad(label, q, i32At(w.stayBuys, s));
    addGrown(label, grown(w.bought + s, stayBatch(s), mine, room), min(here, most), q, latest);
  }
}

function stayBatch(s: i32): Batch {
  const batch = batchOf(i32At(w.stayQuarantines, s), 0);
  batch.boughtOn = i32At(w.stayBuys, s);
  batch.releasedOn = i32At(w.stayReleases, s);
  return batch;
}

function addGrown(label: Label, state: i32, room: f64, q: i32, latest: i32): void {
  const list = at(grownBy, state);
  const count = i32At(grownCounts, state);
  for (let k = 0; k < count; k++) {
    const batch = batchAt(list, k);
    if (batch.joins <= room) addDated(label, q, batch, latest);
  }
}

/** What has joined a batch that is set. */
function joinedLoad(label: Label, q: i32, buy: i32): f64 {
  let sum: f64 = 0;
  for (let l = label; changetype<usize>(l) != 0; l = l.parent)
    for (let k = 0; k < l.batchCount; k++) {
      const batch = batchAt(l.batches, k);
      if (batch.quarantine == q && batch.boughtOn == buy) sum += batch.load;
    }
  return sum;
}

/** What can be bought is in order already; what is bought comes after it. */
function tellHeavy(q: i32): void {
  const list = at(heavy, q);
  const able = i32At(datedCounts, q);
  let count = 0;
  for (let k = 0; k < able; k++) {
    const d = datedAt(q, k);
    if (!d.batch.heavy) continue;
    let j = count++;
    for (; j > 0 && heavyAt(q, j - 1).batch.load > d.batch.load; j--) put(list, j, at(list, j - 1));
    put(list, j, changetype<usize>(d));
  }
  putI32(heavyCounts, q, count);
  for (let k = 0; k < count; k++) {
    const batch = heavyAt(q, k).batch;
    putF64(at(heavyLoads, q), k, batch.load);
    putI32(at(heavyMasks, q), k, batch.mask);
  }
}

function tellReach(): void {
  putI32(reachFrom, w.quarantines, 0);
  for (let q = w.quarantines - 1; q >= 0; q--) {
    let reach = i32At(reachFrom, q + 1);
    const count = i32At(heavyCounts, q);
    for (let k = 0; k < count; k++) reach |= i32At(at(heavyMasks, q), k);
    putI32(reachFrom, q, reach);
  }
}

/** Quarantines that are like an earlier one in the same state: whichever is taken first is the earlier. */
function tellTwins(label: Label): void {
  for (let q = 0; q < w.quarantines; q++) {
    putI32(twinOf, q, -1);
    for (let k = q - 1; k >= 0; k--)
      if (
        i32At(label.free, k) == i32At(label.free, q) &&
        i32At(w.plain, k) == i32At(w.plain, q) &&
        (((w.usedQuarantines >> k) | (w.usedQuarantines >> q)) & 1) == 0
      ) {
        putI32(twinOf, q, k);
        break;
      }
  }
}

/** Does an event leave no gentler load behind that must come, too? It would have to be in the event itself. */
function leavesNobody(mask: i32, fiercest: i32): bool {
  return (gentlerThan(fiercest) & ~mask) == 0;
}

function gentlerThan(fiercest: i32): i32 {
  return fiercest <= 0 ? 0 : fiercest == 1 ? gentler1 : gentler2;
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

/** Two that would go into one quarantine are never taken apart. */
function goesWithAll(b: Batch): bool {
  if (w.merges) for (let k = 0; k < chosenCount; k++) if (fitInOne(batchAt(chosen, k), b)) return false;
  return true;
}

/** Was one bought after another? */
function isBoughtAfter(b: Batch, than: Batch): bool {
  return b.boughtOn != NONE && than.boughtOn != NONE && b.boughtOn > than.boughtOn;
}

function fitInOne(a: Batch, b: Batch): bool {
  if (i32At(w.lineOf, a.quarantine) != i32At(w.lineOf, b.quarantine)) return false;
  // What the person bought, and whoever joins it, stays as it is.
  if (a.boughtOn != NONE || b.boughtOn != NONE) return false;
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
  enemiesSoFar: i32,
  fiercestSoFar: i32,
  fromSoFar: i32,
  to: i32,
  toBuy: i32,
  crew: bool,
  fish: bool,
): void {
  for (let q = first; q < w.quarantines; q++) {
    const twin = w.twins ? i32At(twinOf, q) : -1;
    const like = twin >= 0 ? inQuarantine(twin) : changetype<Batch>(0);
    if (twin >= 0 && changetype<usize>(like) == 0) continue;
    const then = ((overlaps >> q) & 1) != 0 ? q : q + 1;
    const goesOn = then < w.quarantines;
    if (chosenCount == 0 && !goesOn) continue;
    const beside = inQuarantine(q);
    const count = i32At(heavyCounts, q);
    const loads = at(heavyLoads, q);
    const masks = at(heavyMasks, q);
    // Two that share a wish, or hold two that may not live together.
    const apart = maskSoFar | enemiesSoFar;
    // Whoever must come, too, and is in no batch of the quarantines after this one, is in the one taken here.
    const beyond = goesOn ? i32At(reachFrom, then) : 0;
    const needed = gentlerThan(fiercestSoFar) & ~(maskSoFar | beyond);
    for (let k = 0; k < count; k++) {
      // The lightest come first.
      const load = loadSoFar + f64At(loads, k);
      if (load > most) break;
      const theirs = i32At(masks, k);
      if ((apart & theirs) != 0 || (needed & ~theirs) != 0) continue;
      const d = heavyAt(q, k);
      const b = d.batch;
      if (!firstCome(b.mask, maskSoFar)) continue;
      if (changetype<usize>(like) != 0 && ctz(like.mask) > ctz(b.mask)) continue;
      // Of one quarantine only what the person bought one after the other.
      if (changetype<usize>(beside) != 0 && !isBoughtAfter(b, beside)) continue;
      if ((crew && b.fish) || (fish && b.crew) || !goesWithAll(b)) continue;
      const mask = maskSoFar | b.mask;
      const order = fish && b.fish ? fishTogether : NONE;
      const from = max(max(fromSoFar, d.from), max(order, w.paidFrom(label.mask | mask)));
      if (from > min(min(to, d.to), aim.latest)) continue;
      const fiercest = max(fiercestSoFar, b.fiercest);
      if (!leavesNobody(mask | beyond, fiercest)) continue;
      const buys = toBuy + (b.boughtOn == NONE ? 1 : 0);
      if (isNoBetter(aim, buys, mask, from)) continue;
      put(chosen, chosenCount++, changetype<usize>(b));
      if (
        chosenCount > 1 &&
        leavesNobody(mask, fiercest) &&
        !isUseless(aim, chosen, chosenCount, mask, true, from)
      )
        addEvent(chosen, chosenCount);
      if (!mayGoOn()) return;
      if (goesOn)
        together(label, aim, then, load, mask, enemiesSoFar | b.enemies, fiercest, from, min(to, d.to), buys, crew || b.crew, fish || b.fish);
      chosenCount--;
    }
  }
}
