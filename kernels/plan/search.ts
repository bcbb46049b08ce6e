/** The search of core/planner for the best plan of few wishes, in AssemblyScript: partial plan by partial plan the same. The plain TypeScript there
 *  (search.ts, exhaust.ts) is the definition; tests hold this to it. Built by `npm run kernels`. */
import { at, bytesInUse, copyI32, i32At, keep, lay, LATE, mark, put, putF64, takeBack } from './memory';
import * as bounds from './bounds';
import { Aim, isHopeless, newAim, sumOf, takeAim } from './bounds';
import { lastAtLeast } from './ends';
import * as events from './events';
import { eventAt, findEvents, mayGoOn, sizeOfEvent } from './events';
import * as kept from './kept';
import { FEWEST_FIRST, Heap, hopeful, MORE_HOPEFUL, NEARER_ITS_END, newHeap, pop, push } from './kept';
import { buyOf, forgetCuts, isCut } from './days';
import * as known from './known';
import { batchAt, Label, Paid, Prospect, wayAt } from './label';
import * as money from './money';
import { payAll } from './pay';
import { addStep, Place, placeOf, standIn, standsFor, stepAt, Way } from './paths';
import * as prospects from './prospects';
import { prospectOf } from './prospects';
import * as purchase from './purchase';
import { childAt, start, withEvent } from './purchase';
import * as purse from './purse';
import * as rests from './rests';
import { bestAlong, keepWaysOn, leadsOn, wantsAt } from './rests';
import * as rooms from './rooms';
import * as w from './world';
import { compareWorth, readWorld, Worth } from './world';

/** Room for so many numbers, which the caller fills. */
export function input(count: i32): usize {
  return keep(<usize>count << 3);
}

// The best plan so far: none of these where it is the one that was known. How it is paid for where that is not the label's own way.
let best = changetype<Worth>(0);
let bestLabel = changetype<Label>(0);
let bestPaid = changetype<Paid>(0);
let aim = changetype<Aim>(0);
let laterAim = changetype<Aim>(0);

/** How partial plans are followed: everywhere, noting what could follow each, or along what was noted. */
const EVERYWHERE: i32 = 0;
const NOTING: i32 = 1;
const ALONG: i32 = 2;
let mode: i32 = EVERYWHERE;
let heaps: usize = 0;
let heapCount: i32 = 0;
/** Labels looked at, for the tests: as many as the plain search does. */
let looked: i32 = 0;

/** More memory than this is not taken; what is found by then is not all there is. */
const MOST_BYTES: usize = 2000 << 20;

/** Is there a plan better than the best, as if only sets counted? More is not asked. */
let refuted: bool = false;

function isCutShort(): bool {
  return refuted || !mayGoOn() || bytesInUse() > MOST_BYTES;
}

function pushAll(label: Label, prospect: Prospect, last: i32, batches: i32, sum: f64): void {
  const x = hopeful(label, prospect, last, batches, sum);
  for (let k = 0; k < heapCount; k++) push(changetype<Heap>(at(heaps, k)), x);
}

/** All labels but those that cannot lead to anything better. True where none is left. */
function exhaust(root: Label): bool {
  kept.forgetAll();
  heapCount = mode == NOTING ? 1 : 2;
  put(heaps, 0, changetype<usize>(newHeap(mode == NOTING ? FEWEST_FIRST : MORE_HOPEFUL)));
  if (mode != NOTING) put(heaps, 1, changetype<usize>(newHeap(NEARER_ITS_END)));
  kept.add(root);
  const first = prospectOf(root);
  pushAll(root, first, lastAtLeast(root, first, LATE), 0, 0);
  let turn = 0;
  while (true) {
    const next = pop(changetype<Heap>(at(heaps, turn++ % heapCount)));
    // Cut short, what could follow the last was not all looked at.
    if (isCutShort()) return false;
    if (changetype<usize>(next) == 0) return true;
    const label = next.label;
    const wasTaken = next.taken;
    // What it could still pay for may have changed since.
    const prospect = prospectOf(label);
    next.taken = true;
    if (wasTaken || !label.isKept || isHopeless(label, prospect, best)) continue;
    if (!(mode == ALONG ? followAlong(label, prospect) : follow(label, prospect))) return false;
  }
}

/** False where there is no time left. */
function follow(label: Label, prospect: Prospect): bool {
  takeAim(aim, label, prospect, best);
  findEvents(label, prospect, aim);
  const place = mode == NOTING ? placeOf(label) : changetype<Place>(0);
  const count = events.eventCount;
  for (let k = 0; k < count; k++) {
    const before = mark();
    withEvent(label, eventAt(k), sizeOfEvent(k), aim, 0);
    const children = purchase.childCount;
    if (children == 0) continue;
    // What is tried of one, once it must be paid for, has children of its own.
    const own = lay(<usize>children << 2);
    copyI32(own, purchase.children, children);
    let stays = false;
    for (let j = 0; j < children; j++) {
      const child = changetype<Label>(at(own, j));
      if (mode == NOTING) addStep(place, child);
      if (isCutShort()) return false;
      if (take(child)) stays = true;
    }
    if (!stays) takeBack(before);
  }
  return true;
}

/** Only where the paths lead to something better than what was known. */
function followAlong(label: Label, prospect: Prospect): bool {
  const measure = best;
  takeAim(aim, label, prospect, measure);
  const here = standsFor(changetype<Place>(label.place));
  let leading = 0;
  const steps = keep(<usize>here.stepCount << 2);
  const lives = keep(<usize>here.stepCount << 2);
  for (let k = 0; k < here.stepCount; k++) {
    const live = leadsOn(label, here, stepAt(here, k), measure);
    if (live == 0) continue;
    put(lives, leading, live);
    put(steps, leading++, changetype<usize>(stepAt(here, k)));
  }
  // Those of one event, in each of the spans that are set, follow one another.
  for (let k = 0, next = 0; k < leading; k = next) {
    const step = changetype<Way>(at(steps, k));
    for (next = k + 1; next < leading && changetype<Way>(at(steps, next)).batches == step.batches; ) next++;
    const before = mark();
    const wants = next == k + 1 ? wantsAt(step.to, measure) : 0;
    withEvent(label, step.batches, step.batchCount, aim, wants);
    const children = purchase.childCount;
    let stays = false;
    for (let j = 0; j < children; j++) {
      const child = childAt(j);
      const then = stepUntil(steps, k, next, w.spanEnd(child.day));
      if (then < 0) continue;
      const to = changetype<Way>(at(steps, then)).to;
      if (!keepWaysOn(child, to, measure, at(lives, then))) continue;
      child.place = changetype<usize>(to);
      if (isCutShort()) return false;
      if (take(child)) stays = true;
    }
    if (!stays) takeBack(before);
  }
  return true;
}

function stepUntil(steps: usize, from: i32, to: i32, until: i32): i32 {
  for (let k = from; k < to; k++) if (changetype<Way>(at(steps, k)).until == until) return k;
  return -1;
}

/** Does a label stay in memory? */
function take(child: Label): bool {
  looked++;
  let stays = mode == NOTING;
  if (compareWorth(child.worth, best) < 0) {
    if (w.money == w.SETS) {
      refuted = true;
      return stays;
    }
    if (mode == NOTING) payFor(child);
    else {
      best = child.worth;
      bestLabel = child;
      bestPaid = changetype<Paid>(0);
      stays = true;
    }
  }
  if (!kept.add(child)) return stays;
  const prospect = prospectOf(child);
  if (!isHopeless(child, prospect, best))
    pushAll(child, prospect, child.told.last, child.told.batches, sumOf(child, child.told));
  // With a bill that it takes over it may be of use.
  else if (w.money == w.MONTHS) pushAll(child, prospect, 0, 0, 0);
  return true;
}

/** Plans tried in a row that are no better once they are paid for, before they are only noted. */
const MOST_TRIED: i32 = 10;
let tried: i32 = 0;

/** Where money is only a matter of months: a plan counts once a way to pay for it is found, as it stands or a little later. */
function payFor(label: Label): void {
  const paid = payAll(label);
  if (changetype<usize>(paid) != 0) {
    best = label.worth;
    bestLabel = label;
    bestPaid = paid;
    tried = 0;
    return;
  }
  if (tried++ >= MOST_TRIED) return;
  const wasCut = isCut;
  w.askOfMoney(w.EVERY);
  const later = paidLater(label);
  w.askOfMoney(w.MONTHS);
  forgetCuts(wasCut);
  if (changetype<usize>(later) == 0) return;
  best = later.worth;
  bestLabel = later;
  bestPaid = changetype<Paid>(0);
  tried = 0;
}

/** The same events, each on the first day on which it can be paid for; none where that is no better than the best. */
function paidLater(plan: Label): Label {
  const label = carriedOut(plan);
  return changetype<usize>(label) != 0 && compareWorth(label.worth, best) < 0 ? label : changetype<Label>(0);
}

function carriedOut(plan: Label): Label {
  if (changetype<usize>(plan.parent) == 0) return start();
  const label = carriedOut(plan.parent);
  if (changetype<usize>(label) == 0) return label;
  takeAim(laterAim, label, prospectOf(label), best);
  withEvent(label, plan.batches, plan.batchCount, laterAim, 0);
  if (purchase.childCount == 0) return changetype<Label>(0);
  let soonest = childAt(0);
  for (let k = 1; k < purchase.childCount; k++) if (childAt(k).day < soonest.day) soonest = childAt(k);
  return soonest;
}

// What is told in the end.
let proved: bool = false;
let leastLast: i32 = 0;
let most: u64 = 0;

/** One search. */
function searched(asked: i32, root: Label): void {
  forgetCuts(false);
  const hope = prospectOf(root);
  const isWhole = exhaust(root);
  // With one way of paying something as good may have been dropped. What predicted ammonia turned down was left where it stood.
  proved = isWhole && asked != w.ONE && !isCut;
  leastLast = proved ? best.last : lastAtLeast(root, hope, LATE);
  most = proved ? best.placed : hope.most;
}

/** Is nothing better, were money only a matter of which wishes are in by a day (core/planner/sets.ts)? */
function isBestBySets(): bool {
  w.askOfMoney(w.SETS);
  forgetCuts(false);
  refuted = false;
  const isWhole = exhaust(start());
  refuted = false;
  return isWhole && !isCut;
}

function begin(from: usize): void {
  readWorld(from);
  prospects.begin();
  purse.begin();
  money.begin();
  bounds.begin();
  events.begin();
  kept.begin();
  known.begin();
  rests.begin();
  rooms.begin();
  purchase.begin();
  aim = newAim();
  laterAim = newAim();
  heaps = keep(8);
  best = w.known;
}

/** @param from what `input` gave, filled; @param wasCut did predicted ammonia turn anything down before?
 *  @returns where the answer stands: is it the best, the last release at the least, by level how many at the most, worth, and its batches */
export function solve(from: usize, wasCut: i32): usize {
  begin(from);
  if (!w.hasBudget) {
    mode = EVERYWHERE;
    w.askOfMoney(w.EVERY);
    searched(w.EVERY, start());
    if (wasCut == 1 && proved) {
      proved = false;
      const root = start();
      const hope = prospectOf(root);
      leastLast = lastAtLeast(root, hope, LATE);
      most = hope.most;
    }
    return answer();
  }
  mode = EVERYWHERE;
  w.askOfMoney(w.ONE);
  searched(w.ONE, start());
  const roughLast = leastLast;
  const roughMost = most;
  if (isBestBySets()) {
    proved = true;
    leastLast = best.last;
    most = best.placed;
    return answer();
  }
  // Where a better one could lie, were money only a matter of months.
  mode = NOTING;
  w.askOfMoney(w.MONTHS);
  forgetCuts(false);
  kept.tellDropped(standIn);
  tried = 0;
  const root = start();
  const isWhole = exhaust(root);
  kept.tellDropped((_dropped: Label, _by: Label): void => {});
  proved = false;
  if (!isWhole) return answer();
  const cutByMonths = isCut;
  const place = placeOf(root);
  const bound = bestAlong(place, best);
  proved = bound == best;
  if (!proved) {
    // And there every way of paying.
    mode = ALONG;
    w.askOfMoney(w.EVERY);
    const first = start();
    first.place = changetype<usize>(place);
    searched(w.EVERY, first);
  }
  if (cutByMonths) {
    proved = false;
    leastLast = roughLast;
    most = roughMost;
  } else {
    leastLast = proved ? best.last : bound.last;
    most = proved ? best.placed : bound.placed;
  }
  return answer();
}

/** Numbers: proved, last at least, looked at, is it the one that was known, last, batches, sum, how many batches follow; by level how many at the most and
 *  how many are placed; by batch its wishes, a bit each, purchase, quarantine and release. */
function answer(): usize {
  const isKnown = changetype<usize>(bestLabel) == 0;
  const out = keep(<usize>(8 + 2 * w.levels + 4 * 16) << 3);
  putF64(out, 0, proved ? 1 : 0);
  putF64(out, 1, leastLast);
  putF64(out, 2, looked);
  putF64(out, 3, isKnown ? 1 : 0);
  putF64(out, 4, best.last);
  putF64(out, 5, best.batches);
  putF64(out, 6, best.sum);
  let to = 8;
  for (let level = 0; level < w.levels; level++) putF64(out, to++, countOf(most, level));
  for (let level = 0; level < w.levels; level++) putF64(out, to++, countOf(best.placed, level));
  let count = 0;
  if (!isKnown) {
    let paid = changetype<usize>(bestPaid) != 0 ? bestPaid : wayAt(bestLabel, 0);
    for (let l = bestLabel; changetype<usize>(l.parent) != 0; l = l.parent) {
      for (let k = 0; k < l.batchCount; k++) {
        const batch = batchAt(l.batches, k);
        const month = paid.months == 0 ? -1 : i32At(paid.months, k);
        putF64(out, to++, batch.mask);
        putF64(out, to++, buyOf(l.parent, batch, month, l.day));
        putF64(out, to++, batch.quarantine);
        putF64(out, to++, l.day);
        count++;
      }
      if (changetype<usize>(paid.before) != 0) paid = paid.before;
    }
  }
  putF64(out, 7, count);
  return out;
}

function countOf(placed: u64, level: i32): i32 {
  return <i32>((placed >> (60 - 4 * <u64>level)) & 15);
}
