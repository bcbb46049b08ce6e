/** What could follow a partial plan, to the end, along the paths (core/planner/rests.ts). */
import { at, f64At, i32At, keep, put, putF64, putI32 } from './memory';
import { alsoBuyAfter, alsoBuyAll, beginPacking, couldBePaid, putBuy, takeEither, withinRooms } from './packed';
import { Label, ToBuy, toBuyAt, wayAt } from './label';
import { addPrice, Wants } from './money';
import { Place, standsFor, stepAt, Way } from './paths';
import { roomsAfter } from './rooms';
import * as w from './world';
import { newWorth, Worth } from './world';

/** What could come after a place: who is placed then, when it ends, what is added to batches and sum, and the batches. */
@unmanaged
export class Rest {
  placed: u64;
  sum: f64;
  last: i32;
  batches: i32;
  buys: usize;
  count: i32;
  /** Where it stands among those of its place; -1 where it does not. */
  index: i32;
  next: Rest;
}

const NEVER: i32 = i32.MIN_VALUE;

/** The day by which a plan that goes on so and is better than the best has ended; NEVER where it is not better. */
function usefulUntil(worth: Worth, rest: Rest, best: Worth): i32 {
  if (rest.placed != best.placed) return rest.placed > best.placed ? w.end : NEVER;
  const last = max(worth.last, rest.last);
  const batches = worth.batches + rest.batches;
  const isLess =
    batches < best.batches || (batches == best.batches && worth.sum + rest.sum < best.sum);
  if (last > best.last || (last == best.last && !isLess)) return NEVER;
  return best.last - (isLess ? 0 : 1);
}

/** The day by which a plan with it that ends no later than the best has ended; one that places more may end on any day. */
function endBy(rest: Rest, best: Worth): i32 {
  return rest.placed == best.placed ? best.last : w.end;
}

const HEADS: i32 = 1 << 14;
let heads: usize = 0;
let usefulRests: usize = 0;
let usefulLasts: usize = 0;
let usefulRoom: i32 = 0;
let usefulCount: i32 = 0;
let joined: usize = 0;

export function begin(): void {
  heads = keep(<usize>HEADS << 2);
  usefulRoom = 0;
  joined = keep(64 * offsetof<ToBuy>());
}

function restAt(place: Place, k: i32): Rest {
  return changetype<Rest>(at(place.rests, k));
}

/** Tells all that could come after a place, but what is of no use: no better than the best, or more than the months pay by themselves. */
function tellRests(here: Place, best: Worth): void {
  if (here.rests != 0) return;
  for (let k = 0; k < here.stepCount; k++) tellRests(standsFor(stepAt(here, k).to), best);
  let most = 1;
  for (let k = 0; k < here.stepCount; k++) most += standsFor(stepAt(here, k).to).restCount;
  // No more of them than there could be rests.
  let size = 16;
  while (size < most && size < HEADS) size <<= 1;
  memory.fill(heads, 0, <usize>size << 2);
  const worth = here.label.worth;
  let first = changetype<Rest>(0);
  let lastOne = changetype<Rest>(0);
  let count = 0;
  for (let k = -1; k < here.stepCount; k++) {
    const to = k < 0 ? here : standsFor(stepAt(here, k).to);
    const more = k < 0 ? 1 : to.restCount;
    const into: usize = k < 0 ? 0 : keep(<usize>more << 2);
    if (k >= 0) stepAt(here, k).into = into;
    for (let j = 0; j < more; j++) {
      const rest = k < 0 ? nothing(worth) : after(stepAt(here, k), worth, restAt(to, j));
      if (k >= 0) put(into, j, 0);
      if (usefulUntil(worth, rest, best) == NEVER) continue;
      const head = hashOf(rest) & (size - 1);
      const known = find(head, rest);
      if (changetype<usize>(known) != 0) {
        takeLeast(known, rest);
        if (k >= 0) put(into, j, changetype<usize>(known));
        continue;
      }
      // In the order in which they came.
      const stays = copyOf(rest);
      if (k >= 0) put(into, j, changetype<usize>(stays));
      const link = changetype<Linked>(keep(offsetof<Linked>()));
      link.rest = stays;
      link.next = changetype<Linked>(at(heads, head));
      put(heads, head, changetype<usize>(link));
      stays.next = changetype<Rest>(0);
      if (count++ == 0) first = stays;
      else lastOne.next = stays;
      lastOne = stays;
    }
  }
  here.rests = keep(<usize>(count + 1) << 2);
  here.restCount = 0;
  let rest = first;
  for (let k = 0; k < count; k++) {
    beginPacking(w.spent, endBy(rest, best));
    alsoBuyAll(rest.buys, rest.count);
    rest.index = couldBePaid() ? here.restCount : -1;
    if (rest.index >= 0) put(here.rests, here.restCount++, changetype<usize>(rest));
    rest = rest.next;
  }
}

@unmanaged
class Linked {
  rest: Rest;
  next: Linked;
}

let scratch = changetype<Rest>(0);

function blank(): Rest {
  if (changetype<usize>(scratch) == 0) scratch = changetype<Rest>(keep(offsetof<Rest>()));
  scratch.buys = joined;
  return scratch;
}

/** The end. */
function nothing(worth: Worth): Rest {
  const rest = blank();
  rest.placed = worth.placed;
  rest.last = worth.last;
  rest.batches = 0;
  rest.sum = 0;
  rest.count = 0;
  return rest;
}

/** An event, and what could come after it. */
function after(step: Way, worth: Worth, then: Rest): Rest {
  const reached = step.to.label.worth;
  const rest = blank();
  rest.placed = then.placed;
  rest.last = max(reached.last, then.last);
  rest.batches = reached.batches - worth.batches + then.batches;
  rest.sum = reached.sum - worth.sum + then.sum;
  memory.copy(joined, then.buys, <usize>then.count * offsetof<ToBuy>());
  rest.count = then.count;
  for (let k = 0; k < step.buyCount; k++) rest.count = putBuy(joined, rest.count, toBuyAt(step.buys, k));
  return rest;
}

function copyOf(rest: Rest): Rest {
  const to = changetype<Rest>(keep(offsetof<Rest>()));
  memory.copy(changetype<usize>(to), changetype<usize>(rest), offsetof<Rest>());
  to.buys = keep(<usize>max(1, rest.count) * offsetof<ToBuy>());
  memory.copy(to.buys, rest.buys, <usize>rest.count * offsetof<ToBuy>());
  return to;
}

function hashOf(rest: Rest): i32 {
  let hash = rest.count;
  for (let k = 0; k < rest.count; k++) hash = hash * 0x01000193 + toBuyAt(rest.buys, k).mask;
  return hash ^ (hash >>> 15);
}

/** One with the same batches. */
function find(head: i32, rest: Rest): Rest {
  for (let p = at(heads, head); p != 0; p = changetype<usize>(changetype<Linked>(p).next)) {
    const known = changetype<Linked>(p).rest;
    if (known.count != rest.count) continue;
    let isSame = true;
    for (let k = 0; k < rest.count && isSame; k++)
      isSame = toBuyAt(known.buys, k).mask == toBuyAt(rest.buys, k).mask;
    if (isSame) return known;
  }
  return changetype<Rest>(0);
}

/** Of two rests with the same batches what neither betters. */
function takeLeast(known: Rest, rest: Rest): void {
  known.last = min(known.last, rest.last);
  known.batches = min(known.batches, rest.batches);
  known.sum = min(known.sum, rest.sum);
  for (let k = 0; k < rest.count; k++) takeEither(toBuyAt(known.buys, k), toBuyAt(rest.buys, k));
}

/** Those that lead to something better. @param worth of the partial plan that stands on the place, @param live which of them could be paid for */
function tellUseful(place: Place, worth: Worth, best: Worth, live: usize): void {
  const here = standsFor(place);
  tellRests(here, best);
  makeRoom(here.restCount);
  for (let k = 0; k < here.restCount; k++) if (isLive(live, k)) alsoUseful(restAt(here, k), worth, best);
}

/** The same once a step was taken. @param live which rests of the place before it could be paid for */
function tellUsefulAfter(step: Way, worth: Worth, best: Worth, live: usize): void {
  const here = standsFor(step.to);
  tellRests(here, best);
  makeRoom(here.restCount);
  for (let k = 0; k < here.restCount; k++) {
    const whole = changetype<Rest>(at(step.into, k));
    if (live != 0 && (changetype<usize>(whole) == 0 || whole.index < 0 || !isLive(live, whole.index))) continue;
    alsoUseful(restAt(here, k), worth, best);
  }
}

function makeRoom(count: i32): void {
  usefulCount = 0;
  if (count <= usefulRoom) return;
  usefulRoom = count * 2;
  usefulRests = keep(<usize>usefulRoom << 2);
  usefulLasts = keep(<usize>usefulRoom << 2);
}

function alsoUseful(rest: Rest, worth: Worth, best: Worth): void {
  const last = usefulUntil(worth, rest, best);
  if (last == NEVER) return;
  put(usefulRests, usefulCount, changetype<usize>(rest));
  putI32(usefulLasts, usefulCount++, last);
}

/** Of the rests of a place those that could be paid for, a bit each; all where there is none. */
function isLive(live: usize, k: i32): bool {
  return live == 0 || ((i32At(live, k >> 5) >> (k & 31)) & 1) != 0;
}

/** Those that are left. What could not be paid for is not asked again of whatever follows. */
function liveAt(place: Place): usize {
  const words = (standsFor(place).restCount + 31) >> 5;
  const live = keep(<usize>max(1, words) << 2);
  for (let k = 0; k < words; k++) putI32(live, k, 0);
  for (let k = 0; k < usefulCount; k++) {
    const index = changetype<Rest>(at(usefulRests, k)).index;
    putI32(live, index >> 5, i32At(live, index >> 5) | (1 << (index & 31)));
  }
  return live;
}

/** @param label after which it is bought, @param until the last month, @param rooms how many by line and month; else none */
function isPaid(label: Label, rest: Rest, until: i32, spent: usize, also: usize, alsoCount: i32, rooms: usize): bool {
  beginPacking(spent, until);
  alsoBuyAfter(label, rest.buys, rest.count);
  alsoBuyAfter(label, also, alsoCount);
  if (rooms != 0) withinRooms(rooms, rest.buys, rest.count, also, alsoCount);
  return couldBePaid();
}

function isAnyPaid(label: Label, spent: usize, also: usize, alsoCount: i32, rooms: usize): bool {
  for (let k = 0; k < usefulCount; k++) {
    const rest = changetype<Rest>(at(usefulRests, k));
    if (isPaid(label, rest, i32At(usefulLasts, k), spent, also, alsoCount, rooms)) return true;
  }
  return false;
}

/** What each month has spent at the least in any of the ways of a label. */
const leastSpent = memory.data(64 * 8);

/** Leaves out the rests that could not be paid for, were each month left what it is in the best of the ways of a label. */
function keepRestsOfAnyWay(label: Label, also: usize, alsoCount: i32, rooms: usize): void {
  for (let m = 0; m < w.months; m++) {
    let least = f64At(wayAt(label, 0).spent, m);
    for (let k = 1; k < label.wayCount; k++) least = min(least, f64At(wayAt(label, k).spent, m));
    putF64(leastSpent, m, least);
  }
  let count = 0;
  for (let k = 0; k < usefulCount; k++) {
    const rest = at(usefulRests, k);
    const last = i32At(usefulLasts, k);
    if (!isPaid(label, changetype<Rest>(rest), last, leastSpent, also, alsoCount, rooms)) continue;
    put(usefulRests, count, rest);
    putI32(usefulLasts, count++, last);
  }
  usefulCount = count;
}

/** Leaves out those before the first that could be paid for. Is there one? */
function keepRestsFromFirst(label: Label, also: usize, alsoCount: i32, rooms: usize): bool {
  const spent = wayAt(label, 0).spent;
  for (let k = 0; k < usefulCount; k++) {
    const rest = changetype<Rest>(at(usefulRests, k));
    if (!isPaid(label, rest, i32At(usefulLasts, k), spent, also, alsoCount, rooms)) continue;
    usefulCount -= k;
    for (let j = 0; j < usefulCount; j++) put(usefulRests, j, at(usefulRests, j + k));
    return true;
  }
  return false;
}

/** Keeps of the ways of a label those that leave enough for one of the rests of a place that lead to something better, and of these such as could be paid
 *  for. Is one left? */
export function keepWaysOn(label: Label, place: Place, best: Worth, live: usize): bool {
  tellUseful(place, label.worth, best, live);
  const rooms = roomsAfter(label, best);
  if (label.wayCount == 1) {
    if (!keepRestsFromFirst(label, 0, 0, rooms)) return false;
    label.live = liveAt(place);
    return true;
  }
  keepRestsOfAnyWay(label, 0, 0, rooms);
  let count = 0;
  for (let k = 0; k < label.wayCount; k++) {
    const way = wayAt(label, k);
    if (isAnyPaid(label, way.spent, 0, 0, rooms)) put(label.ways, count++, changetype<usize>(way));
  }
  label.wayCount = count;
  if (count > 0) label.live = liveAt(place);
  return count > 0;
}

const reached = changetype<Worth>(memory.data(32));

/** Does one way at least leave enough, once a step was taken? Then which rests after it could be paid for, else none. */
export function leadsOn(label: Label, from: Place, step: Way, best: Worth): usize {
  const before = from.label.worth;
  const after = step.to.label.worth;
  const worth = label.worth;
  reached.placed = after.placed;
  reached.last = max(worth.last, after.last);
  reached.batches = worth.batches + after.batches - before.batches;
  reached.sum = worth.sum + after.sum - before.sum;
  tellUsefulAfter(step, reached, best, label.live);
  const rooms = roomsAfter(label, best);
  if (label.wayCount == 1) return keepRestsFromFirst(label, step.buys, step.buyCount, rooms) ? liveAt(step.to) : 0;
  keepRestsOfAnyWay(label, step.buys, step.buyCount, rooms);
  for (let k = 0; k < label.wayCount; k++)
    if (isAnyPaid(label, wayAt(label, k).spent, step.buys, step.buyCount, rooms)) return liveAt(step.to);
  return 0;
}

/** With more rests than this, what is wanted is told from who is left. */
const FEW_RESTS: i32 = 24;

/** What is wanted of the months after a place: by whole batches. None where there are too many. */
export function wantsAt(place: Place, best: Worth): usize {
  const here = standsFor(place);
  if (here.isWantsTold) return changetype<usize>(here.wants);
  here.isWantsTold = true;
  tellRests(here, best);
  if (here.restCount > FEW_RESTS) return 0;
  const wants = changetype<Wants>(keep(offsetof<Wants>()));
  here.wants = wants;
  wants.wanted = keep(<usize>w.months << 3);
  for (let m = 0; m < w.months; m++) putF64(wants.wanted, m, 0);
  let size: usize = 1;
  for (let k = 0; k < here.restCount; k++) size += <usize>1 << restAt(here, k).count;
  wants.costs = keep(size << 3);
  putF64(wants.costs, 0, 0);
  wants.costCount = 1;
  for (let k = 0; k < here.restCount; k++) addRest(wants, restAt(here, k), best);
  return changetype<usize>(wants);
}

function addRest(wants: Wants, rest: Rest, best: Worth): void {
  const day = endBy(rest, best);
  for (let m = 0; m <= w.lastMonth(day); m++) {
    let sum: f64 = 0;
    for (let k = 0; k < rest.count; k++) {
      const buy = toBuyAt(rest.buys, k);
      if (buy.from <= m && m <= w.lastMonthOf(day, buy.line)) sum += buy.price;
    }
    putF64(wants.wanted, m, max(f64At(wants.wanted, m), sum));
  }
  const own = keep((<usize>1 << rest.count) << 3);
  putF64(own, 0, 0);
  let count = 1;
  for (let k = 0; k < rest.count; k++) count = addPrice(own, count, toBuyAt(rest.buys, k).price);
  wants.costCount = merged(wants.costs, wants.costCount, own, count);
}

/** Two rising lists as one, each number once. */
function merged(a: usize, aCount: i32, b: usize, bCount: i32): i32 {
  const both = keep(<usize>(aCount + bCount) << 3);
  let n = 0;
  let j = 0;
  let k = 0;
  while (j < aCount || k < bCount) {
    const x: f64 = j < aCount ? f64At(a, j) : Infinity;
    const y: f64 = k < bCount ? f64At(b, k) : Infinity;
    if (x <= y) j++;
    if (y <= x) k++;
    putF64(both, n++, min(x, y));
  }
  memory.copy(a, both, <usize>n << 3);
  return n;
}

/** The best that could be found along paths, or what is known where that is no worse. */
export function bestAlong(paths: Place, known: Worth): Worth {
  const here = standsFor(paths);
  const worth = paths.label.worth;
  tellRests(here, known);
  let best = known;
  for (let k = 0; k < here.restCount; k++) {
    const rest = restAt(here, k);
    const last = usefulUntil(worth, rest, known);
    if (last == NEVER) continue;
    const next = newWorth(
      rest.placed,
      max(worth.last, rest.last),
      worth.batches + rest.batches,
      worth.sum + rest.sum,
    );
    if (w.compareWorth(next, best) >= 0) continue;
    beginPacking(w.spent, last);
    alsoBuyAll(rest.buys, rest.count);
    if (couldBePaid()) best = next;
  }
  return best;
}
