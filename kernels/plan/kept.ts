/** Partial plans that are worth keeping, and the order in which they are followed (core/planner/kept.ts). */
import { at, f64At, i32At, keep, NONE, put } from './memory';
import { takeBills } from './bills';
import { firstFish } from './days';
import { Label, Prospect } from './label';
import { keepsAWay } from './money';
import * as w from './world';

/** What is still to come after some wishes are placed. */
@unmanaged
class Left {
  /** What had entered (R5): so little that the first step alone lets anybody in, and so much that whoever may come is let in. */
  little: f64;
  enough: f64;
  quarantines: i32;
  gentlest: i32;
  gentlestLight: i32;
  fish: bool;
  heavy: bool;
}

/** Labels that are held against each other, the fewest batches first, then the least sum of days. */
@unmanaged
class Bucket {
  first: Label;
  left: Left;
  list: usize;
  count: i32;
  room: i32;
  next: Bucket;
}

const HEADS: i32 = 1 << 16;
let heads: usize = 0;
let lefts: usize = 0;

export function begin(): void {
  heads = keep(<usize>HEADS << 2);
  const sets = <usize>1 << w.wishes;
  lefts = keep(sets << 2);
  memory.fill(lefts, 0, sets << 2);
}

/** Nothing is kept yet. */
export function forgetAll(): void {
  memory.fill(heads, 0, <usize>HEADS << 2);
}

function leftOf(mask: i32): Left {
  const known = at(lefts, mask);
  if (known != 0) return changetype<Left>(known);
  const left = changetype<Left>(keep(offsetof<Left>()));
  put(lefts, mask, changetype<usize>(left));
  const rest = w.ableWishes & ~mask;
  left.fish = (rest & w.fishWishes) != 0;
  left.heavy = (rest & w.heavyWishes) != 0;
  left.gentlest = gentlestOf(rest);
  left.gentlestLight = gentlestOf(rest & ~w.heavyWishes);
  left.quarantines = 0;
  for (let r = rest; r != 0; r &= r - 1) left.quarantines |= i32At(w.quarantinesOf, ctz(r));
  if (w.hasWater) {
    // Where ammonia is predicted, every load counts at every day.
    left.little = -Infinity;
    left.enough = Infinity;
    return left;
  }
  let all: f64 = 0;
  for (let i = 0; i < w.wishes; i++) if (((mask >> i) & 1) != 0) all += f64At(w.loads, i);
  for (let r = rest; r != 0; r &= r - 1) all += f64At(w.loads, ctz(r));
  left.little = w.firstStepBy(w.end) / 2 - w.displayLoad - w.setInAll;
  left.enough = (w.displayLoad + w.setInAll + all) / 2 - w.displayLoad;
  return left;
}

const NO_FISH: i32 = 3;

function gentlestOf(rest: i32): i32 {
  let gentlest = NO_FISH;
  for (let r = rest & w.fishWishes; r != 0; r &= r - 1) gentlest = min(gentlest, i32At(w.temperaments, ctz(r)));
  return gentlest;
}

/** The first day on which another load may enter after one (R4). */
function settledFrom(label: Label): i32 {
  return label.lastHeavy == NONE
    ? NONE
    : max(label.lastHeavy + w.settleDays, label.firstHeavy + w.firstSettleDays);
}

/** Is a at least as good as b in all that still counts but money? */
function dominates(a: Label, b: Label, left: Left): bool {
  const x = a.worth;
  const y = b.worth;
  if (a.day > b.day || x.last > y.last || x.batches > y.batches) return false;
  if (x.batches == y.batches && x.sum > y.sum) return false;
  for (let rest = left.quarantines; rest != 0; rest &= rest - 1) {
    const q = ctz(rest);
    if (i32At(a.free, q) > i32At(b.free, q)) return false;
  }
  if (left.fish && a.crewLast > b.crewLast && a.crewLast >= b.day) return false;
  if (left.heavy) {
    if (w.heavyReleased > 0) {
      if (a.lastHeavy > b.lastHeavy || a.firstHeavy > b.firstHeavy) return false;
    } else if (settledFrom(a) > max(b.day, settledFrom(b))) return false;
  }
  // On the very day of a fiercer one the gentler may still come; after an event with a load only who brings none.
  const isSettling = b.lastHeavy == b.day && w.settleDays > 0;
  const gentler = isSettling ? left.gentlestLight : left.gentlest;
  if (gentler < 1 && b.first1 == b.day && a.first1 != b.first1) return false;
  if (gentler < 2 && b.first2 == b.day && a.first2 != b.first2) return false;
  // On the day of the first fish no other may come.
  if (w.fewFirst && left.fish && firstFish(a) == b.day && firstFish(b) != b.day) return false;
  return wasThereSooner(a, b, b.day - w.doublingDays, left);
}

/** Was a's load there on every day from one on whenever b's was, as far as it matters to doubling? */
function wasThereSooner(a: Label, b: Label, from: i32, left: Left): bool {
  let k = a.entered - 1;
  for (let j = b.entered - 1; j >= 0; j--) {
    const day = max(i32At(b.days, j), from);
    while (k >= 0 && i32At(a.days, k) > day) k--;
    const needed = f64At(b.sums, j);
    if (needed > left.little && (k < 0 ? 0 : f64At(a.sums, k)) < min(needed, left.enough) - 1e-9) return false;
    if (day == from) return true;
  }
  return true;
}

function isAlike(a: Label, b: Label): bool {
  if (a.hash != b.hash || a.mask != b.mask || a.byBatches != b.byBatches) return false;
  return !a.byBatches || a.parts == b.parts;
}

function headOf(label: Label): i32 {
  return (label.hash ^ (label.hash >>> 16)) & (HEADS - 1);
}

/** None where there was none like it. */
function knownBucket(label: Label): Bucket {
  for (let p = at(heads, headOf(label)); p != 0; p = changetype<usize>(changetype<Bucket>(p).next)) {
    const bucket = changetype<Bucket>(p);
    if (isAlike(bucket.first, label)) return bucket;
  }
  return changetype<Bucket>(0);
}

function bucketOf(label: Label): Bucket {
  const known = knownBucket(label);
  if (changetype<usize>(known) != 0) return known;
  const head = headOf(label);
  const bucket = changetype<Bucket>(keep(offsetof<Bucket>()));
  bucket.first = label;
  bucket.left = leftOf(label.mask);
  bucket.room = 4;
  bucket.list = keep(<usize>bucket.room << 2);
  bucket.count = 0;
  bucket.next = changetype<Bucket>(at(heads, head));
  put(heads, head, changetype<usize>(bucket));
  return bucket;
}

function orderOf(a: Label, b: Label): i32 {
  if (a.worth.batches != b.worth.batches) return a.worth.batches < b.worth.batches ? -1 : 1;
  return a.worth.sum < b.worth.sum ? -1 : a.worth.sum > b.worth.sum ? 1 : 0;
}

/** How many labels come before one, or stand beside it. */
function placeOf(bucket: Bucket, label: Label): i32 {
  let low = 0;
  let high = bucket.count;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (orderOf(changetype<Label>(at(bucket.list, mid)), label) <= 0) low = mid + 1;
    else high = mid;
  }
  return low;
}

/** Hears of each label that is dropped, and for which. */
let onDropped: (dropped: Label, by: Label) => void = (_dropped: Label, _by: Label): void => {};

export function tellDropped(hears: (dropped: Label, by: Label) => void): void {
  onDropped = hears;
}

/** Is it no better than another in anything, whatever is paid for? */
export function isDropped(label: Label): bool {
  const bucket = knownBucket(label);
  if (changetype<usize>(bucket) == 0) return false;
  const place = placeOf(bucket, label);
  for (let k = 0; k < place; k++)
    if (dominates(changetype<Label>(at(bucket.list, k)), label, bucket.left)) return true;
  return false;
}

/** False where it is no better than another in anything. */
export function add(label: Label): bool {
  const bucket = bucketOf(label);
  const place = placeOf(bucket, label);
  for (let k = 0; k < place; k++) {
    const other = changetype<Label>(at(bucket.list, k));
    if (!dominates(other, label, bucket.left) || keepsAWay(label, other)) continue;
    onDropped(label, other);
    if (w.money == w.MONTHS) takeBills(other, label);
    return false;
  }
  let count = place;
  while (count > 0 && orderOf(changetype<Label>(at(bucket.list, count - 1)), label) == 0) count--;
  for (let k = count; k < bucket.count; k++) {
    const other = changetype<Label>(at(bucket.list, k));
    if (!dominates(label, other, bucket.left) || keepsAWay(other, label)) {
      put(bucket.list, count++, changetype<usize>(other));
      continue;
    }
    other.isKept = false;
    onDropped(other, label);
    if (w.money == w.MONTHS) takeBills(label, other);
  }
  bucket.count = count;
  if (bucket.count == bucket.room) {
    const list = keep(<usize>bucket.room << 3);
    memory.copy(list, bucket.list, <usize>bucket.room << 2);
    bucket.list = list;
    bucket.room *= 2;
  }
  const to = placeOf(bucket, label);
  for (let k = bucket.count; k > to; k--) put(bucket.list, k, at(bucket.list, k - 1));
  put(bucket.list, to, changetype<usize>(label));
  bucket.count++;
  label.isKept = true;
  return true;
}

/** A label with what may become of it. */
@unmanaged
export class Hopeful {
  sum: f64;
  most: u64;
  last: i32;
  batches: i32;
  label: Label;
  done: i32;
  taken: bool;
}

export function hopeful(label: Label, prospect: Prospect, last: i32, batches: i32, sum: f64): Hopeful {
  const x = changetype<Hopeful>(keep(offsetof<Hopeful>()));
  x.label = label;
  x.most = prospect.most;
  x.last = last;
  x.batches = batches;
  x.sum = sum;
  x.done = w.total(label.worth.placed);
  x.taken = false;
  return x;
}

function compareHope(a: Hopeful, b: Hopeful): i32 {
  if (a.last != b.last) return a.last < b.last ? -1 : 1;
  if (a.batches != b.batches) return a.batches < b.batches ? -1 : 1;
  return a.sum < b.sum ? -1 : a.sum > b.sum ? 1 : 0;
}

/** Orders: the best of what may become of them first; whatever is nearest to its end; layer by layer. */
export const MORE_HOPEFUL: i32 = 0;
export const NEARER_ITS_END: i32 = 1;
export const FEWEST_FIRST: i32 = 2;

function compare(a: Hopeful, b: Hopeful, order: i32): i32 {
  if (order == FEWEST_FIRST) return a.done - b.done;
  if (a.most != b.most) return a.most > b.most ? -1 : 1;
  if (order == NEARER_ITS_END && a.done != b.done) return b.done - a.done;
  const hope = compareHope(a, b);
  if (hope != 0) return hope;
  return a.done != b.done ? b.done - a.done : a.label.day - b.label.day;
}

/** The smallest first. */
@unmanaged
export class Heap {
  list: usize;
  count: i32;
  room: i32;
  order: i32;
}

export function newHeap(order: i32): Heap {
  const heap = changetype<Heap>(keep(offsetof<Heap>()));
  heap.order = order;
  heap.room = 1024;
  heap.list = keep(<usize>heap.room << 2);
  heap.count = 0;
  return heap;
}

function itemAt(heap: Heap, k: i32): Hopeful {
  return changetype<Hopeful>(at(heap.list, k));
}

export function push(heap: Heap, item: Hopeful): void {
  if (heap.count == heap.room) {
    const list = keep(<usize>heap.room << 3);
    memory.copy(list, heap.list, <usize>heap.room << 2);
    heap.list = list;
    heap.room *= 2;
  }
  let k = heap.count++;
  while (k > 0) {
    const up = (k - 1) >> 1;
    if (compare(itemAt(heap, up), item, heap.order) <= 0) break;
    put(heap.list, k, at(heap.list, up));
    k = up;
  }
  put(heap.list, k, changetype<usize>(item));
}

/** None where nothing is left. */
export function pop(heap: Heap): Hopeful {
  if (heap.count == 0) return changetype<Hopeful>(0);
  const top = itemAt(heap, 0);
  const last = itemAt(heap, --heap.count);
  if (heap.count == 0) return top;
  let k = 0;
  for (;;) {
    let down = 2 * k + 1;
    if (down >= heap.count) break;
    if (down + 1 < heap.count && compare(itemAt(heap, down + 1), itemAt(heap, down), heap.order) < 0) down++;
    if (compare(itemAt(heap, down), last, heap.order) >= 0) break;
    put(heap.list, k, at(heap.list, down));
    k = down;
  }
  put(heap.list, k, changetype<usize>(last));
  return top;
}
