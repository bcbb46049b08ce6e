/** What may become of a partial plan: who could still be placed, and who is in every plan that places the most (core/planner/prospects.ts, doubling.ts). */
import { at, f64At, i32At, keep, LATE, put, putF64, putI32, SLACK } from './memory';
import { firstFish } from './days';
import { Case, enteredBy, Label, Prospect } from './label';
import * as w from './world';

/** By state, all prospects that were told of it. */
let byState: usize = 0;

export function begin(): void {
  const states = (<usize>1 << w.wishes) * 4 * <usize>(w.released + 2 * w.steps + 1);
  byState = keep(states << 2);
  memory.fill(byState, 0, states << 2);
}

/** All that a prospect hangs on but money. */
function stateOf(label: Label): i32 {
  const passed =
    (label.first2 < label.day ? 2 : 0) + (min(label.first1, label.first2) < label.day ? 1 : 0);
  let there = 0;
  for (let r = 0; r < w.released; r++) if (i32At(w.releasedDays, r) <= label.day) there++;
  // Cleaners come no later than the day before, which counts for them as the day itself.
  for (let s = 0; s < w.steps; s++) {
    const release = i32At(w.stepReleases, s);
    there += release < label.day ? 2 : release == label.day ? 1 : 0;
  }
  return (label.mask * 4 + passed) * (w.released + 2 * w.steps + 1) + there;
}

export function prospectOf(label: Label): Prospect {
  const money: f64 = w.hasBudget ? min(moneyLeft(label), costOfRest(label)) + SLACK : LATE;
  const state = stateOf(label);
  for (let p = at(byState, state); p != 0; p = changetype<usize>(changetype<Prospect>(p).next)) {
    const known = changetype<Prospect>(p);
    if (known.money == money) return known;
  }
  const prospect = reckoned(label, money);
  prospect.money = money;
  prospect.next = changetype<Prospect>(at(byState, state));
  put(byState, state, changetype<usize>(prospect));
  return prospect;
}

/** What all who are not placed cost: more money is of no use. */
function costOfRest(label: Label): f64 {
  let cost: f64 = 0;
  for (let i = 0; i < w.wishes; i++) if (((label.mask >> i) & 1) == 0) cost += f64At(w.prices, i);
  return cost;
}

/** What may still be spent in all, up to the last month whose purchase can be out in time. */
function moneyLeft(label: Label): f64 {
  let k = w.months - 1;
  while (k >= 0 && i32At(w.monthOut, k) >= w.end) k--;
  return k < 0 ? 0 : f64At(label.leftBy, k);
}

/** Who could still be placed after a label, as far as order and company go. */
function possible(label: Label): i32 {
  let out = 0;
  for (let rest = w.ableWishes & ~label.mask; rest != 0; rest &= rest - 1) {
    const i = ctz(rest);
    if ((i32At(w.enemies, i) & label.mask) != 0 || i32At(w.quarantinesOf, i) == 0) continue;
    if (label.day > i32At(w.latests, i)) continue;
    if (w.isCrew(i) && firstFish(label) < LATE) continue;
    if (w.isFish(i)) {
      const t = i32At(w.temperaments, i);
      const fiercer = min(t < 1 ? label.first1 : LATE, t < 2 ? label.first2 : LATE);
      // On the very day of the fiercer it may still come.
      if (fiercer < label.day) continue;
    }
    out |= 1 << i;
  }
  return out;
}

// Whose load may enter after a label (R5).
let always: bool = false;
let there: f64 = 0;
let step: f64 = 0;

function readDoubling(label: Label): void {
  there = enteredBy(label, LATE);
  always = true;
  for (let i = 0; i < w.wishes; i++)
    if (((label.mask >> i) & 1) == 0 && f64At(w.loads, i) > there + SLACK) always = false;
  step = w.firstStep - enteredBy(label, label.day) + SLACK;
}

/** Can one have been there thirty days before another? */
function mayBeBefore(k: i32, i: i32): bool {
  if (!w.isFish(k)) return true;
  return w.isFish(i) ? i32At(w.temperaments, k) <= i32At(w.temperaments, i) : !w.isCrew(i);
}

/** Is one there by the day on which another enters, if both are ever placed? */
function mustBeThere(k: i32, i: i32): bool {
  if (!w.isFish(i)) return false;
  return w.isCrew(k) || (w.isFish(k) && i32At(w.temperaments, k) < i32At(w.temperaments, i));
}

/** Could a load ever enter? @param pool those who could be there; @param sure those who are */
function mayEnter(i: i32, pool: i32, sure: i32): bool {
  if (always) return true;
  const load = f64At(w.loads, i);
  let together = load;
  for (let rest = sure & ~(1 << i); rest != 0; rest &= rest - 1) {
    const k = ctz(rest);
    if (mustBeThere(k, i)) together += f64At(w.loads, k);
  }
  if (together <= step || load <= SLACK) return true;
  let before = there + SLACK;
  for (let rest = pool & ~(1 << i) & ~i32At(w.enemies, i); rest != 0; rest &= rest - 1) {
    const k = ctz(rest);
    if (mayBeBefore(k, i)) before += f64At(w.loads, k);
  }
  return load <= before;
}

/** Those who may enter: first those who need nobody, then those for whom enough can be there. */
function whoMayEnter(left: i32, sure: i32): i32 {
  if (always) return left;
  let reached = 0;
  while (true) {
    let next = reached;
    for (let rest = left & ~reached; rest != 0; rest &= rest - 1) {
      const i = ctz(rest);
      if (mayEnter(i, reached, sure)) next |= 1 << i;
    }
    if (next == reached) return next;
    reached = next;
  }
}

/** Those who could be there together with all that are sure, and these. */
function besides(pool: i32, sure: i32): i32 {
  let met = pool;
  for (let rest = pool; rest != 0; rest &= rest - 1) {
    const i = ctz(rest);
    if ((i32At(w.enemies, i) & sure) != 0) met &= ~(1 << i);
  }
  if (always) return met;
  const able = whoMayEnter(met, sure);
  let out = able & sure;
  for (let rest = able & ~sure; rest != 0; rest &= rest - 1) {
    const i = ctz(rest);
    let all = true;
    for (let others = sure; others != 0 && all; others &= others - 1)
      all = mayEnter(ctz(others), able, sure | (1 << i));
    if (all) out |= 1 << i;
  }
  return out;
}

const MOST_WISHES: i32 = 16;
// Pairs of whom one is lost, of all levels.
const pairA = memory.data(MOST_WISHES * 4);
const pairB = memory.data(MOST_WISHES * 4);
let pairs = 0;
const sorted = memory.data(MOST_WISHES * 8);

/** Of some at a level, who are paired: by bits. They are put behind the pairs there are. */
function pairsAmong(pool: i32, here: i32, sure: i32): i32 {
  let paired = 0;
  if (!w.hasForbidden && always) return paired;
  for (let first = here; first != 0; first &= first - 1) {
    const a = ctz(first);
    for (let second = first & (first - 1); second != 0; second &= second - 1) {
      const b = ctz(second);
      if (((paired >> a) & 1) != 0 || ((paired >> b) & 1) != 0) continue;
      if (
        ((i32At(w.enemies, a) >> b) & 1) != 0 ||
        !mayEnter(b, pool, sure | (1 << a)) ||
        !mayEnter(a, pool, sure | (1 << b))
      ) {
        putI32(pairA, pairs, a);
        putI32(pairB, pairs, b);
        pairs++;
        paired |= (1 << a) | (1 << b);
      }
    }
  }
  return paired;
}

/** What the cheapest of some cost, as many as money is there for; their number is told beside it. */
let paidCount = 0;

function paidFor(here: i32, money: f64, most: i32): f64 {
  let count = 0;
  for (let rest = here; rest != 0; rest &= rest - 1) {
    const price = f64At(w.prices, ctz(rest));
    let k = count++;
    for (; k > 0 && f64At(sorted, k - 1) > price; k--) putF64(sorted, k, f64At(sorted, k - 1));
    putF64(sorted, k, price);
  }
  let price: f64 = 0;
  paidCount = 0;
  while (paidCount < most && price + f64At(sorted, paidCount) <= money) price += f64At(sorted, paidCount++);
  return price;
}

function caseOf(left: i32, sure: i32, order: usize, count: i32, chosen: i32): Case {
  const c = changetype<Case>(keep(offsetof<Case>()));
  c.left = left;
  c.sure = sure;
  c.order = keep(<usize>(count + 1) << 2);
  memory.copy(c.order, order, <usize>count << 2);
  c.count = count;
  if (chosen >= 0) {
    putI32(c.order, c.count++, chosen);
    c.sure |= 1 << chosen;
    c.left &= ~i32At(w.enemies, chosen);
  }
  return c;
}

const sureOrder = memory.data(MOST_WISHES * 4);

function reckoned(label: Label, budget: f64): Prospect {
  readDoubling(label);
  const left = whoMayEnter(possible(label), 0);
  let most = label.worth.placed;
  let sure = 0;
  let count = 0;
  let money = budget;
  let pool = left;
  pairs = 0;
  for (let level = 0; level < w.levels; level++) {
    const here = pool & i32At(w.levelMasks, level);
    if (here == 0) continue;
    const before = pairs;
    const paired = pairsAmong(pool, here, sure);
    const able = popcnt(here) - (pairs - before);
    if (w.hasBudget) {
      money -= paidFor(here, money, able);
      if (paidCount < able) {
        most += <u64>paidCount * w.unitOf(level);
        pairs = before;
        continue;
      }
    }
    most += <u64>able * w.unitOf(level);
    for (let rest = here & ~paired; rest != 0; rest &= rest - 1) {
      putI32(sureOrder, count++, ctz(rest));
      sure |= rest & -rest;
    }
    if (level + 1 < w.levels) pool = besides(pool, sure);
  }
  const prospect = changetype<Prospect>(keep(offsetof<Prospect>()));
  prospect.most = most;
  prospect.own = caseOf(left, sure, sureOrder, count, -1);
  casesOf(prospect);
  return prospect;
}

/** With more pairs than this the others are left open. */
const MOST_PAIRS: i32 = 2;

/** By who of each pair is placed. */
function casesOf(prospect: Prospect): void {
  prospect.cases = keep(4 << 2);
  put(prospect.cases, 0, changetype<usize>(prospect.own));
  prospect.count = 1;
  const most = min(pairs, MOST_PAIRS);
  for (let k = 0; k < most; k++) {
    const before = prospect.count;
    // From the last on: two stand where one stood.
    for (let j = before - 1; j >= 0; j--) {
      const c = changetype<Case>(at(prospect.cases, j));
      const a = caseOf(c.left, c.sure, c.order, c.count, i32At(pairA, k));
      const b = caseOf(c.left, c.sure, c.order, c.count, i32At(pairB, k));
      put(prospect.cases, 2 * j, changetype<usize>(a));
      put(prospect.cases, 2 * j + 1, changetype<usize>(b));
    }
    prospect.count = before * 2;
  }
}
