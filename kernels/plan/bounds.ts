/** What is asked of partial plans and of events, to be measured by the best plan so far (core/planner/bounds.ts, asked.ts). */
import { at, copyI32, f64At, i32At, keep, putF64, putI32, LATE, NONE, SLACK } from './memory';
import { couldBePaidBeside, couldBeReleased } from './late';
import { isHalfThere, lastAtLeast, lastIn, passedBy, sumAtLeast, tellEntering } from './ends';
import { batchAt, Case, Label, planned, Prospect, Told, toBuyOf } from './label';
import { batchesBeside, batchesIn, daysIn, fewestBy, soonestBy } from './purse';
import * as w from './world';
import { Worth } from './world';

let found = changetype<Told>(0);

export function begin(): void {
  found = changetype<Told>(keep(offsetof<Told>()));
}

/** Can nothing that follows a label be better than what was found? Else its last release, batches and sum of days at the least are in `told`. */
export function isHopeless(label: Label, prospect: Prospect, best: Worth): bool {
  if (label.toldBy != changetype<usize>(best)) {
    label.toldBy = changetype<usize>(best);
    label.isTold = tell(label, prospect, best);
  }
  return !label.isTold;
}

/** The sum of days that is told is reckoned only where it is asked for. */
export function sumOf(label: Label, told: Told): f64 {
  if (told.of != 0) {
    told.sum += sumAtLeast(label, changetype<Case>(told.of));
    told.of = 0;
  }
  return told.sum;
}

function copyTold(to: Told, from: Told): void {
  to.sum = from.sum;
  to.last = from.last;
  to.batches = from.batches;
  to.of = from.of;
}

/** The same whatever is to be paid for, but for what `leftBy` says. What is told of one case is not told again. */
export function isTooLate(label: Label, prospect: Prospect, best: Worth): bool {
  if (prospect.most != best.placed) return prospect.most < best.placed;
  const count = w.total(prospect.most) - w.total(label.worth.placed);
  for (let k = 0; k < prospect.count; k++) {
    if (!couldBeBetter(label, changetype<Case>(at(prospect.cases, k)), count, best)) continue;
    if (prospect.count > 1) return false;
    copyTold(label.told, found);
    label.toldOf = changetype<usize>(prospect);
    label.toldWith = changetype<usize>(best);
    label.useful = useful;
    return false;
  }
  return true;
}

function tell(label: Label, prospect: Prospect, best: Worth): bool {
  if (prospect.most < best.placed) return false;
  if (label.toldOf == changetype<usize>(prospect) && label.toldWith == changetype<usize>(best)) {
    label.toldOf = 0;
    return canPayFor(label, changetype<Case>(at(prospect.cases, 0)), label.useful);
  }
  const told = label.told;
  if (prospect.most > best.placed) {
    told.last = lastAtLeast(label, prospect, LATE);
    told.batches = 0;
    told.sum = 0;
    told.of = 0;
    return true;
  }
  const count = w.total(prospect.most) - w.total(label.worth.placed);
  let isTold = false;
  for (let k = 0; k < prospect.count; k++) {
    if (!toldIn(label, changetype<Case>(at(prospect.cases, k)), count, best)) continue;
    if (!isTold || isBetter(label, found, told)) copyTold(told, found);
    isTold = true;
  }
  return isTold;
}

function isBetter(label: Label, a: Told, b: Told): bool {
  if (a.last != b.last) return a.last < b.last;
  if (a.batches != b.batches) return a.batches < b.batches;
  return sumOf(label, a) < sumOf(label, b);
}

// The fewest batches and the least sum of release days of a plan that has all who are placed and all who are sure, by what the months pay.
let boughtBatches: i32 = 0;
let boughtSum: f64 = 0;

function tellBought(label: Label, c: Case, best: Worth): void {
  boughtBatches = 0;
  boughtSum = 0;
  if (!w.hasBudget || best.last < w.today) return;
  const month = w.lastMonth(best.last);
  const few = fewestBy(month);
  const all = c.sure | label.mask;
  const whole = all & ~w.ownMask;
  const fewest = i32At(few, whole);
  const inAll = w.begun.batches + batchesIn(fewest);
  boughtBatches = max(inAll, label.worth.batches + batchesIn(i32At(few, c.sure & ~w.ownMask)));
  const soonest = inAll == best.batches ? daysIn(fewest) : i32At(soonestBy(month), whole);
  boughtSum = <f64>soonest + <f64>(c.count + w.total(label.worth.placed)) * <f64>w.today;
  for (let own = all & w.ownMask; own != 0; own &= own - 1) boughtSum += <f64>i32At(w.ownDays, ctz(own));
}

/** The same in one case. @param count how many are still to be placed */
function toldIn(label: Label, c: Case, count: i32, best: Worth): bool {
  return couldBeBetter(label, c, count, best) && canPayFor(label, c, useful);
}

/** The last release that is of use. */
let useful: i32 = 0;

/** The same whatever is to be paid for: `found`, `useful`. */
function couldBeBetter(label: Label, c: Case, count: i32, best: Worth): bool {
  const last = lastIn(label, c, best.last);
  if (last > best.last) return false;
  tellBought(label, c, best);
  const batches = max(boughtBatches, label.worth.batches + batchesBeside(c.sure));
  const isSooner = last < best.last;
  if (!isSooner && batches > best.batches) return false;
  // Those of whom one goes come on some day, too.
  const others = <f64>((count - c.count) * label.day);
  if (!isSooner && batches == best.batches && boughtSum + others >= best.sum) return false;
  found.last = last;
  found.batches = batches;
  found.sum = label.worth.sum + others;
  found.of = changetype<usize>(c);
  const isLess = batches < best.batches || (batches == best.batches && sumOf(label, found) < best.sum);
  if (!isLess && !isSooner) return false;
  // With no less of either it has to end sooner.
  useful = best.last - (isLess ? 0 : 1);
  return !asksMonths(useful) || couldBeReleased(label, c, useful);
}

/** Could all that are sure be paid for beside the batches that were bought? @param last the last release that is of use */
function canPayFor(label: Label, c: Case, last: i32): bool {
  return !asksMonths(last) || couldBePaidBeside(label, c, last);
}

function asksMonths(last: i32): bool {
  return w.hasBudget && (w.money == w.ONE || w.money == w.MONTHS) && last >= w.today;
}

/** What is asked of events in one case of who is placed. */
@unmanaged
class Asked {
  whole: f64;
  of: Case;
  from: usize;
  atLeast: i32;
  halfIsThere: bool;
}

const MOST_CASES: i32 = 4;

/** What a look at the events that could follow a label is for. */
@unmanaged
export class Aim {
  /** What is no better is of no use; none where anything is. */
  best: usize;
  /** Where only a plan that places the most is as good as the best; then one that ends later is of no use. */
  isWhole: bool;
  /** Days after it are of no use. */
  latest: i32;
  label: Label;
  cases: usize;
  count: i32;
  /** Is more to be asked of a part of an event? */
  asksParts: bool;
  first: i32;
  bought: usize;
  stillToPlace: i32;
}

export function newAim(): Aim {
  const aim = changetype<Aim>(keep(offsetof<Aim>()));
  aim.cases = keep(<usize>MOST_CASES * offsetof<Asked>());
  for (let k = 0; k < MOST_CASES; k++) askedAt(aim, k).from = keep(<usize>w.wishes << 2);
  return aim;
}

function askedAt(aim: Aim, k: i32): Asked {
  return changetype<Asked>(aim.cases + <usize>k * offsetof<Asked>());
}

export function takeAim(aim: Aim, label: Label, prospect: Prospect, best: Worth): void {
  aim.best = changetype<usize>(best);
  aim.label = label;
  aim.count = 0;
  aim.asksParts = false;
  aim.isWhole = prospect.most == best.placed;
  aim.latest = aim.isWhole ? best.last : LATE;
  if (!aim.isWhole) return;
  aim.count = prospect.count;
  aim.first = label.firstHeavy == NONE && w.heavyReleased == 0 ? w.firstSettleDays : 0;
  aim.bought = w.hasBudget && best.last >= w.today ? fewestBy(w.lastMonth(best.last)) : 0;
  aim.stillToPlace = w.total(prospect.most) - w.total(label.worth.placed);
  aim.asksParts = true;
  const there = w.displayLoad + planned(label);
  for (let k = 0; k < prospect.count; k++) {
    const asked = askedAt(aim, k);
    const c = changetype<Case>(at(prospect.cases, k));
    asked.of = c;
    asked.atLeast = lastIn(label, c, best.last);
    if (asked.atLeast < best.last) aim.asksParts = false;
    tellEntering(label, c);
    copyI32(asked.from, label.from, w.wishes);
    asked.whole = there;
    for (let j = 0; j < c.count; j++) asked.whole += f64At(w.loads, i32At(c.order, j));
    asked.halfIsThere = isHalfThere(there, asked.whole);
  }
}

/** Would no plan with an event be better than the best so far? Less sharp than what is asked of the label it leads to, and cheap.
 *  @param day before it the event cannot be */
export function isUseless(aim: Aim, batches: usize, count: i32, mask: i32, isLoad: bool, day: i32): bool {
  if (aim.count == 0) return false;
  const best = changetype<Worth>(aim.best);
  for (let k = 0; k < aim.count; k++) {
    const asked = askedAt(aim, k);
    const end = max(asked.atLeast, endBy(aim, asked, batches, count, mask, isLoad, day, best.last));
    if (end > best.last || (end == best.last && isNoBetterIn(aim, asked, toBuyOf(batches, count), mask, day))) continue;
    return false;
  }
  return true;
}

/** Would no plan with a part of an event, with more beside it or not, be better? */
export function isNoBetter(aim: Aim, toBuy: i32, mask: i32, day: i32): bool {
  if (!aim.asksParts || aim.count == 0) return false;
  for (let k = 0; k < aim.count; k++) if (!isNoBetterIn(aim, askedAt(aim, k), toBuy, mask, day)) return false;
  return true;
}

const LANES: i32 = 4;
const laneLoads = memory.data(LANES * 8);
const then = memory.data(32 * 4);

/** When a plan that has all who are sure ends at the earliest, were an event released on a day. */
function endBy(
  aim: Aim,
  asked: Asked,
  batches: usize,
  count: i32,
  mask: i32,
  isLoad: bool,
  day: i32,
  over: i32,
): i32 {
  const label = aim.label;
  const c = asked.of;
  let end = day;
  let heavy: f64 = 0;
  let load: f64 = 0;
  for (let k = 0; k < w.lanes; k++) putF64(laneLoads, k, 0);
  for (let k = 0; k < c.count; k++) {
    const i = i32At(c.order, k);
    if (((mask >> i) & 1) != 0) continue;
    end = max(end, i32At(asked.from, i));
    const brings = f64At(w.loads, i);
    if (brings > w.heavyMgN) heavy += brings;
    load += brings;
    const lane = i32At(w.laneOf, i);
    putF64(laneLoads, lane, f64At(laneLoads, lane) + brings);
  }
  const lastHeavy = isLoad ? day : label.lastHeavy;
  if (heavy > 0 && lastHeavy != NONE) {
    const days = <i32>Math.ceil(heavy / w.perDay - 1e-9);
    end = max(end, lastHeavy + max(w.settleDays, aim.first) + w.settleDays * (days - 1));
  }
  // Doubling: half of the whole load is there thirty days before the last.
  if (!asked.halfIsThere && load > SLACK) end = max(end, day + w.doublingDays);
  if (end > over) return end;
  copyI32(then, label.outs, w.quarantines);
  if (w.bought == 0)
    for (let k = 0; k < count; k++) {
      const q = batchAt(batches, k).quarantine;
      putI32(then, q, w.firstOut(q, day + 1));
    }
  for (let k = 0; k < w.lanes && end <= over; k++)
    if (f64At(laneLoads, k) > 0) end = max(end, passedBy(label, k, then, day, f64At(laneLoads, k)));
  return end;
}

function batchesOfRest(aim: Aim, rest: i32): i32 {
  const byRoom = batchesBeside(rest);
  return aim.bought == 0 ? byRoom : max(byRoom, batchesIn(i32At(aim.bought, rest & ~w.ownMask)));
}

/** Would a plan with an event, or with more beside it, that ends no sooner than the best take too many batches, or as many and too long in all? */
function isNoBetterIn(aim: Aim, asked: Asked, toBuy: i32, mask: i32, day: i32): bool {
  const best = changetype<Worth>(aim.best);
  const label = aim.label;
  const c = asked.of;
  const rest = c.sure & ~mask;
  const batches = label.worth.batches + toBuy + batchesOfRest(aim, rest);
  if (batches != best.batches) return batches > best.batches;
  // Whoever is not in it comes with it or later.
  let sum = label.worth.sum + <f64>aim.stillToPlace * <f64>day;
  for (let left = rest; left != 0; left &= left - 1) sum += <f64>max(0, i32At(asked.from, ctz(left)) - day);
  return sum >= best.sum;
}
