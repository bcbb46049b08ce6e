/** The earliest day of an event as far as everything but money goes, and when each batch could be bought (core/planner/days.ts). */
import { f64At, i32At, LATE, NONE, SLACK } from './memory';
import { keepsWater } from './ammonia';
import { Batch, batchAt, enteredBy, Event, firstLoad, Label, planned } from './label';
import * as w from './world';

/** Did predicted ammonia turn anything down? */
export let isCut: bool = false;

export function forgetCuts(was: bool): void {
  isCut = was;
}

/** The first day of a span on which everything but money lets an event be; NONE where there is none. */
export function earliest(label: Label, event: Event, from: i32, to: i32): i32 {
  const after = planned(label) + event.load;
  for (let day = from; day <= to; day++) {
    if (event.heavy && w.heavyReleased > 0 && !settles(label, day)) continue;
    if (w.steps > 0 && !inOrder(label, event, day)) continue;
    // R5: nothing of the event itself was there thirty days before.
    let set30 = w.displayLoad;
    let setNow = w.displayLoad;
    for (let r = 0; r < w.released; r++) {
      const then = i32At(w.releasedDays, r);
      if (then <= day) setNow += f64At(w.releasedLoads, r);
      if (then <= day - w.doublingDays) set30 += f64At(w.releasedLoads, r);
    }
    const most = max(2 * (set30 + plannedBy(label, day - w.doublingDays)), w.firstStepBy(day));
    if (setNow + after > most + SLACK) {
      day = nextOld(label, day) - 1;
      continue;
    }
    const buyable = canBuyFrom(label, event, day);
    if (buyable > day) {
      day = buyable - 1;
      continue;
    }
    if (w.steps > 0 && !leavesDoubling(label, day, after)) continue;
    if (w.predicts && !keepsWithin(label, day, after)) continue;
    return day;
  }
  return NONE;
}

/** The first day after one on which more has been there for thirty days; LATE where there is no more to wait for. */
function nextOld(label: Label, day: i32): i32 {
  let next = LATE;
  for (let k = label.entered - 1; k >= 0 && i32At(label.days, k) + w.doublingDays > day; k--)
    next = i32At(label.days, k) + w.doublingDays;
  for (let r = 0; r < w.released; r++) {
    const old = i32At(w.releasedDays, r) + w.doublingDays;
    if (old > day) next = min(next, old);
  }
  return next;
}

/** R7 on a day against what is set; what is planned has given the bounds. */
function inOrder(label: Label, event: Event, day: i32): bool {
  // Whoever is set to be the first fish is to be alone.
  if (event.fish && day == w.setFish && firstFish(label) == LATE) return false;
  for (let s = 0; s < w.steps; s++) {
    const other = i32At(w.stepWishes, s);
    const release = i32At(w.stepReleases, s);
    if (event.crew && w.isFish(other) && release <= day) return false;
    if (!event.fish) continue;
    if (w.isCrew(other) && release >= day) return false;
    if (!w.isFish(other)) continue;
    const theirs = i32At(w.temperaments, other);
    if (theirs > event.gentlest && release < day) return false;
    if (theirs < event.fiercest && release > day) return false;
  }
  return true;
}

/** Does whatever is set on the day or later keep to doubling, where it did before? */
function leavesDoubling(label: Label, day: i32, after: f64): bool {
  for (let s = 0; s < w.steps; s++) {
    const release = i32At(w.stepReleases, s);
    if (release < day || i32At(w.stepFits, s) == 0) continue;
    const most = max(2 * enteredWith(label, day, after, release - w.doublingDays), w.firstStepBy(release));
    if (enteredWith(label, day, after, release) - most > SLACK) return false;
  }
  return true;
}

/** Load that entered by a day, with an event on another after which so much is planned. */
function enteredWith(label: Label, on: i32, after: f64, day: i32): f64 {
  if (on > day) return enteredBy(label, day);
  let sum = w.displayLoad + after;
  for (let r = 0; r < w.released; r++)
    if (i32At(w.releasedDays, r) <= day) sum += f64At(w.releasedLoads, r);
  return sum;
}

/** As it is told from what is planned in all: by the difference. */
function keepsWithin(label: Label, day: i32, after: f64): bool {
  if (keepsWater(label, day, after - planned(label))) return true;
  isCut = true;
  return false;
}

function plannedBy(label: Label, day: i32): f64 {
  for (let k = label.entered - 1; k >= 0; k--)
    if (i32At(label.days, k) <= day) return f64At(label.sums, k);
  return 0;
}

/** R4 for a load that enters on a day: against what is planned and what entered before. */
function settles(label: Label, day: i32): bool {
  if (label.lastHeavy != NONE && day != label.lastHeavy && day - label.lastHeavy < w.settleDays) return false;
  let first = label.firstHeavy == NONE ? day : min(day, label.firstHeavy);
  for (let k = 0; k < w.heavyReleased; k++) {
    const h = i32At(w.heavyDays, k);
    if (h != day && abs(h - day) < w.settleDays) return false;
    first = min(first, h);
  }
  if (day != first && day - first < w.firstSettleDays) return false;
  if (day != first) return true;
  for (let k = 0; k < w.heavyReleased; k++) {
    const h = i32At(w.heavyDays, k);
    if (h != first && h - first < w.firstSettleDays) return false;
  }
  return true;
}

/** The day itself where each batch can be bought in time for a release on it; else a later one, with none between them on which each could. */
function canBuyFrom(label: Label, event: Event, day: i32): i32 {
  for (let k = 0; k < event.count; k++) {
    const batch = batchAt(event.batches, k);
    const q = batch.quarantine;
    if (w.hasOwn) {
      if (buyOf(label, batch, -1, day) != NONE) continue;
    } else if (w.releaseAllowed(q, day) && w.lastBuyUpTo(w.buyMost(q, day)) >= firstBuy(label, q, day)) continue;
    return max(day + 1, batch.boughtOn == NONE ? w.firstOut(q, i32At(label.free, q)) : NONE);
  }
  return day;
}

/** The first day on which could be bought for a quarantine and a release on a day. */
function firstBuy(label: Label, q: i32, day: i32): i32 {
  return max(max(i32At(label.free, q), w.buyLeast(q, day)), w.today);
}

/** The day of purchase for a release on a day, as late as the clock lets it, in a month or, at -1, in any; NONE where there is none. */
export function buyOf(label: Label, batch: Batch, month: i32, day: i32): i32 {
  if (!readWindow(label, batch, day)) return NONE;
  const first = month < 0 ? NONE : i32At(w.monthFrom, month);
  const last = month < 0 ? LATE : i32At(w.monthTo, month);
  if (batch.boughtOn != NONE) return batch.boughtOn < first || batch.boughtOn > last ? NONE : batch.boughtOn;
  const buy = w.lastBuyUpTo(min(windowTo, last));
  return buy < max(windowFrom, first) ? NONE : buy;
}

/** First and last day on which a batch could be bought, shop days aside. */
export let windowFrom: i32 = 0;
export let windowTo: i32 = 0;

/** Tells them for a release on a day; false where it cannot be released. */
export function readWindow(label: Label, batch: Batch, day: i32): bool {
  const q = batch.quarantine;
  if (!w.releaseAllowed(q, day)) return false;
  const most = w.buyMost(q, day);
  if (batch.boughtOn != NONE) {
    // Bought already, or joining a batch that is set: its own stay must pass as any other.
    const buy = batch.boughtOn;
    if (buy > most || buy < w.buyLeast(q, day)) return false;
    windowFrom = buy;
    windowTo = buy;
    return batch.isOwn || !overlapsAnother(label, batch, day);
  }
  windowFrom = firstBuy(label, q, day);
  windowTo = most;
  for (let s = 0; s < w.steps; s++) {
    if (i32At(w.stepQuarantines, s) != q || i32At(w.stepBuys, s) > day) continue;
    const release = i32At(w.stepReleases, s);
    if (release >= day) return false;
    windowFrom = max(windowFrom, release + 1);
  }
  for (let k = 0; k < w.bought; k++)
    if (i32At(w.boughtQuarantines, k) == q && !isOut(label, k) && i32At(w.boughtDays, k) <= day) return false;
  return true;
}

/** Was a batch that was bought released? */
export function isOut(label: Label, k: i32): bool {
  const mask = i32At(w.boughtMasks, k);
  return (label.mask & mask & -mask) != 0;
}

/** Does another stay of the same quarantine, bought or set, overlap that of a bought batch? */
function overlapsAnother(label: Label, batch: Batch, day: i32): bool {
  const q = batch.quarantine;
  const buy = batch.boughtOn;
  for (let s = 0; s < w.steps; s++) {
    const from = i32At(w.stepBuys, s);
    if (i32At(w.stepQuarantines, s) == q && from != buy && from <= day && i32At(w.stepReleases, s) >= buy) return true;
  }
  for (let k = 0; k < w.bought; k++) {
    const from = i32At(w.boughtDays, k);
    if (i32At(w.boughtQuarantines, k) == q && from != buy && from <= day && releaseOf(label, k) >= buy) return true;
  }
  return false;
}

/** The day on which a batch that was bought was released; late where it was not. */
function releaseOf(label: Label, k: i32): i32 {
  const mask = i32At(w.boughtMasks, k);
  for (let l = label; changetype<usize>(l) != 0; l = l.parent)
    for (let j = 0; j < l.batchCount; j++) if ((batchAt(l.batches, j).mask & mask) != 0) return l.day;
  return LATE;
}

/** First day that order (R7), settling (R4), clocks and ages leave a batch, as far as they hang on no other day. */
export function soonestOf(label: Label, b: Batch): i32 {
  const settled =
    b.heavy && label.lastHeavy != NONE && b.releasedOn == NONE
      ? max(label.lastHeavy + w.settleDays, firstLoad(label) + w.firstSettleDays)
      : NONE;
  const free = b.boughtOn == NONE ? i32At(label.free, b.quarantine) + i32At(w.clocks, b.quarantine) : NONE;
  const soonest = max(max(label.day, b.least), max(free, settled));
  if (!b.fish) return soonest;
  const mayBeFirst = (b.mask & (b.mask - 1)) == 0 && (b.mask & w.fewWishes) != 0 && firstFish(label) == LATE;
  return max(soonest, max(label.crewLast + 1, mayBeFirst ? NONE : afterFirstFish(label)));
}

/** The day on which the first fish was planned; late where none was. */
export function firstFish(label: Label): i32 {
  return min(min(label.first0, label.first1), label.first2);
}

/** The day from which fish may come in any number, where one wish of few is to come first. */
export function afterFirstFish(label: Label): i32 {
  return w.fewFirst ? min(firstFish(label), w.setFish) + 1 : NONE;
}

/** The last day on which a quarantine is still empty of what was bought for it and is not released yet. */
function untilBought(label: Label, q: i32): i32 {
  let last = LATE;
  if (((w.usedQuarantines >> q) & 1) != 0)
    for (let k = 0; k < w.bought; k++)
      if (i32At(w.boughtQuarantines, k) == q && !isOut(label, k)) last = min(last, i32At(w.boughtDays, k) - 1);
  return last;
}

/** And the last; before the first where there is none. */
export function latestOf(label: Label, b: Batch): i32 {
  if (b.crew && firstFish(label) < LATE) return NONE;
  const last = min(b.latest, b.boughtOn == NONE ? untilBought(label, b.quarantine) : LATE);
  if (!b.fish) return last;
  // On the very day of a fiercer one, no later.
  return min(last, min(b.gentlest < 1 ? label.first1 : LATE, b.gentlest < 2 ? label.first2 : LATE));
}
