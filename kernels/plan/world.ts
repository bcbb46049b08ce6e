/** What a search is about (core/planner/world.ts), read from what core/planner/compiled.ts wrote. */
import { f64At, i32At, keep, LATE, lay, NONE, putF64, putI32, SLACK } from './memory';

/** What a search asks of money. */
export const EVERY: i32 = 0;
export const ONE: i32 = 1;
export const MONTHS: i32 = 2;
export const SETS: i32 = 3;

/** A wish above this is a load. */
export let heavyMgN: f64 = 0;
export let doublingDays: i32 = 0;

export let wishes: i32 = 0;
export let quarantines: i32 = 0;
export let months: i32 = 0;
export let levels: i32 = 0;
export let lanes: i32 = 0;
export let released: i32 = 0;
export let heavyReleased: i32 = 0;

export let today: i32 = 0;
/** The first day after the horizon. */
export let end: i32 = 0;
export let settleDays: i32 = 0;
export let firstSettleDays: i32 = 0;
export let displayLoad: f64 = 0;
export let firstStep: f64 = 0;
export let perDay: f64 = 0;
/** Of loads that entered before, or enter on days that are set, those that are there today, and all. */
export let setThere: f64 = 0;
export let setInAll: f64 = 0;
/** Does one wish of few come before all other fish? And the first day on which a fish that is set enters; late where there is none. */
export let fewFirst: bool = false;
export let setFish: i32 = 0;
export let hasBudget: bool = false;
export let aMonth: f64 = 0;
/** The same with the slack. */
export let budget: f64 = 0;
export let hasWater: bool = false;
/** Is ammonia predicted? Then the water, and the nitrogen model with its usual rates. */
export let predicts: bool = false;
export let netL: f64 = 0;
export let freeShare: f64 = 0;
export let mostFree: f64 = 0;
export let ammoniaDays: i32 = 0;
export let presentLoad: f64 = 0;
export let firstCapacity: f64 = 0;
export let firstAlkalinity: f64 = 0;
export let modelStep: f64 = 0;
export let modelKa: f64 = 0;
export let modelKn: f64 = 0;
export let modelMuA: f64 = 0;
export let modelMuN: f64 = 0;
export let modelDecay: f64 = 0;
export let modelMaxA: f64 = 0;
export let modelMaxN: f64 = 0;
export let modelWarmth: f64 = 0;
let hasAlikeQuarantines: bool = false;
/** Was anything bought or set by the person? */
export let hasOwn: bool = false;
let span: i32 = 0;

// By wish.
export let loads: usize = 0;
export let prices: usize = 0;
export let lines: usize = 0;
export let temperaments: usize = 0;
let crews: usize = 0;
let fews: usize = 0;
/** NONE for whoever can never be bought or released. */
export let leasts: usize = 0;
/** The last day of each, by what is set. */
export let latests: usize = 0;
export let enemies: usize = 0;
export let likes: usize = 0;
let levelsOf: usize = 0;
/** A bit for each quarantine of its line. */
export let quarantinesOf: usize = 0;
export let laneOf: usize = 0;
// By quarantine.
export let lineOf: usize = 0;
export let capacities: usize = 0;
export let clocks: usize = 0;
/** The first that is like it in all but its name. */
export let plain: usize = 0;
// By lane.
export let laneLines: usize = 0;
export let laneMasks: usize = 0;
export let laneQuarantines: usize = 0;
// Loads that entered before, or enter on days that are set.
export let releasedDays: usize = 0;
export let releasedLoads: usize = 0;
export let heavyDays: usize = 0;
// Steps that are set, and whether doubling let each of them be.
export let steps: i32 = 0;
export let stepWishes: usize = 0;
export let stepBuys: usize = 0;
export let stepQuarantines: usize = 0;
export let stepReleases: usize = 0;
export let stepFits: usize = 0;
// What was bought and is still to be released: by batch its quarantine, wishes, day, the day from which it can go, and may others join it?
export let bought: i32 = 0;
export let boughtQuarantines: usize = 0;
export let boughtMasks: usize = 0;
export let boughtDays: usize = 0;
export let boughtLeasts: usize = 0;
export let boughtLoads: usize = 0;
export let boughtOpen: usize = 0;
/** All of those wishes. */
export let boughtWishes: i32 = 0;
// Stays that end on a day that is set and may be joined: quarantine, purchase, release, and the load in them.
export let stays: i32 = 0;
export let stayQuarantines: usize = 0;
export let stayBuys: usize = 0;
export let stayReleases: usize = 0;
export let stayLoads: usize = 0;
/** All that was bought or set. */
export let ownMask: i32 = 0;
/** By wish the first day, counted from today, on which it can be released, of what was bought or set. */
export let ownDays: usize = 0;
/** A bit for each lane of which something is bought and still to be released, or may be joined. */
export let ownLanes: i32 = 0;
// What may be joined: by batch its line, what it has room for, and the month in which it is bought.
export let joins: i32 = 0;
export let joinLines: usize = 0;
export let joinRooms: usize = 0;
export let joinMonths: usize = 0;
/** A bit for each quarantine with anything bought or set in it. */
export let usedQuarantines: i32 = 0;
// The calendar, by day from today.
let firstSteps: usize = 0;
let lastBuys: usize = 0;
/** By day which of the kinds of last months, and by kind these: of all, and by line. */
let untils: usize = 0;
let lastMonths: usize = 0;
let monthOf: usize = 0;
let releases: usize = 0;
export let monthFrom: usize = 0;
export let monthTo: usize = 0;
export let monthOut: usize = 0;
let allowed: usize = 0;
let buysMost: usize = 0;
let buysLeast: usize = 0;
let outs: usize = 0;
// Money by month, and by set of wishes the month in which the last can be bought.
export let spent: usize = 0;
export let income: usize = 0;
let needed: usize = 0;
/** By level, the wishes of it. */
export let levelMasks: usize = 0;
/** Whoever can be released at all. */
export let ableWishes: i32 = 0;
export let fishWishes: i32 = 0;
export let crewWishes: i32 = 0;
/** Those who may be the first fish. */
export let fewWishes: i32 = 0;
export let heavyWishes: i32 = 0;
export let hasForbidden: bool = false;

/** How good a plan is. Wishes placed by level, four bits each, the first level in the highest, so that more is more. */
@unmanaged
export class Worth {
  placed: u64;
  last: i32;
  batches: i32;
  sum: f64;
}

export function newWorth(placed: u64, last: i32, batches: i32, sum: f64): Worth {
  const worth = changetype<Worth>(lay(offsetof<Worth>()));
  worth.placed = placed;
  worth.last = last;
  worth.batches = batches;
  worth.sum = sum;
  return worth;
}

/** What is set, as a plan. */
export let begun: Worth = changetype<Worth>(0);
export let begunMask: i32 = 0;
/** What a search begins with to measure by. */
export let known: Worth = changetype<Worth>(0);

// What this search asks of money, and what hangs on it.
export let money: i32 = EVERY;
/** Are two batches that would go into one never taken apart? */
export let merges: bool = false;
export let twins: bool = false;

export function askOfMoney(asked: i32): void {
  money = asked;
  merges = !hasBudget || asked == ONE || asked == SETS;
  twins = hasAlikeQuarantines && asked != MONTHS;
}

let place: usize = 0;

function num(): f64 {
  const value = load<f64>(place);
  place += 8;
  return value;
}

function int(): i32 {
  return <i32>num();
}

function ints(count: i32): usize {
  const p = keep(<usize>count << 2);
  for (let k = 0; k < count; k++) putI32(p, k, int());
  return p;
}

function nums(count: i32): usize {
  const p = keep(<usize>count << 3);
  for (let k = 0; k < count; k++) putF64(p, k, num());
  return p;
}

export function readWorld(from: usize): void {
  place = from;
  heavyMgN = num();
  doublingDays = int();
  wishes = int();
  quarantines = int();
  months = int();
  span = int();
  levels = int();
  lanes = int();
  released = int();
  heavyReleased = int();
  today = int();
  end = int();
  settleDays = int();
  firstSettleDays = int();
  displayLoad = num();
  firstStep = num();
  perDay = num();
  setThere = num();
  setInAll = num();
  hasBudget = int() == 1;
  aMonth = num();
  budget = aMonth + SLACK;
  hasWater = int() == 1;
  hasAlikeQuarantines = int() == 1;
  fewFirst = int() == 1;
  setFish = int();
  predicts = int() == 1;
  if (predicts) readWater();
  loads = nums(wishes);
  prices = nums(wishes);
  lines = ints(wishes);
  temperaments = ints(wishes);
  crews = ints(wishes);
  fews = ints(wishes);
  leasts = ints(wishes);
  latests = ints(wishes);
  enemies = ints(wishes);
  likes = ints(wishes);
  levelsOf = ints(wishes);
  lineOf = ints(quarantines);
  capacities = nums(quarantines);
  clocks = ints(quarantines);
  plain = ints(quarantines);
  laneLines = ints(lanes);
  steps = int();
  stepWishes = ints(steps);
  stepBuys = ints(steps);
  stepQuarantines = ints(steps);
  stepReleases = ints(steps);
  stepFits = ints(steps);
  bought = int();
  boughtQuarantines = ints(bought);
  boughtMasks = ints(bought);
  boughtDays = ints(bought);
  boughtLeasts = ints(bought);
  boughtOpen = ints(bought);
  boughtLoads = nums(bought);
  stays = int();
  stayQuarantines = ints(stays);
  stayBuys = ints(stays);
  stayReleases = ints(stays);
  stayLoads = nums(stays);
  ownDays = ints(wishes);
  for (let k = 0; k < lanes; k++) ownLanes |= int() << k;
  joins = int();
  joinLines = ints(joins);
  joinRooms = nums(joins);
  joinMonths = ints(joins);
  releasedDays = ints(released);
  releasedLoads = nums(released);
  heavyDays = ints(heavyReleased);
  firstSteps = nums(span);
  lastBuys = ints(span);
  untils = ints(span);
  lastMonths = ints(int() * KINDS);
  monthOf = ints(span);
  releases = ints(span);
  monthFrom = ints(months);
  monthTo = ints(months);
  monthOut = ints(months);
  allowed = ints(span * quarantines);
  buysMost = ints(span * quarantines);
  buysLeast = ints(span * quarantines);
  outs = ints(span * quarantines);
  if (hasBudget) {
    spent = nums(months);
    income = nums(months);
    needed = ints(1 << wishes);
  }
  begun = readWorth();
  known = readWorth();
  tell();
}

function readWater(): void {
  netL = num();
  freeShare = num();
  mostFree = num();
  ammoniaDays = int();
  presentLoad = num();
  firstCapacity = num();
  firstAlkalinity = num();
  modelStep = num();
  modelKa = num();
  modelKn = num();
  modelMuA = num();
  modelMuN = num();
  modelDecay = num();
  modelMaxA = num();
  modelMaxN = num();
  modelWarmth = num();
}

function readWorth(): Worth {
  const worth = changetype<Worth>(keep(offsetof<Worth>()));
  worth.placed = 0;
  for (let level = 0; level < levels; level++) worth.placed += <u64>int() * unitOf(level);
  worth.last = int();
  worth.batches = int();
  worth.sum = num();
  return worth;
}

/** What follows from what was read. */
function tell(): void {
  quarantinesOf = keep(<usize>wishes << 2);
  laneOf = keep(<usize>wishes << 2);
  levelMasks = keep(<usize>levels << 2);
  laneMasks = keep(<usize>lanes << 2);
  laneQuarantines = keep(<usize>lanes << 2);
  for (let level = 0; level < levels; level++) putI32(levelMasks, level, 0);
  for (let k = 0; k < lanes; k++) {
    putI32(laneMasks, k, 0);
    let mask = 0;
    for (let q = 0; q < quarantines; q++) if (i32At(lineOf, q) == i32At(laneLines, k)) mask |= 1 << q;
    putI32(laneQuarantines, k, mask);
  }
  hasOwn = steps + bought > 0;
  for (let s = 0; s < steps; s++) {
    begunMask |= 1 << i32At(stepWishes, s);
    usedQuarantines |= 1 << i32At(stepQuarantines, s);
  }
  for (let k = 0; k < bought; k++) {
    boughtWishes |= i32At(boughtMasks, k);
    usedQuarantines |= 1 << i32At(boughtQuarantines, k);
  }
  ownMask = begunMask | boughtWishes;
  for (let i = 0; i < wishes; i++) {
    const bit = 1 << i;
    let mask = 0;
    for (let q = 0; q < quarantines; q++) if (i32At(lineOf, q) == i32At(lines, i)) mask |= 1 << q;
    putI32(quarantinesOf, i, mask);
    for (let k = 0; k < lanes; k++)
      if (i32At(laneLines, k) == i32At(lines, i)) {
        putI32(laneMasks, k, i32At(laneMasks, k) | bit);
        putI32(laneOf, i, k);
      }
    const level = i32At(levelsOf, i);
    putI32(levelMasks, level, i32At(levelMasks, level) | bit);
    if (i32At(leasts, i) != NONE) ableWishes |= bit;
    if (isFish(i)) fishWishes |= bit;
    if (isCrew(i)) crewWishes |= bit;
    if (i32At(fews, i) != 0) fewWishes |= bit;
    if (f64At(loads, i) > heavyMgN) heavyWishes |= bit;
    if (i32At(enemies, i) != 0) hasForbidden = true;
  }
}

/** What one wish of a level counts. */
export function unitOf(level: i32): u64 {
  return <u64>1 << (60 - 4 * <u64>level);
}

export function unitOfWish(i: i32): u64 {
  return unitOf(i32At(levelsOf, i));
}

/** The last day of those that lie alike among the releases that are set. */
export function spanEnd(day: i32): i32 {
  let last = LATE;
  for (let s = 0; s < steps; s++) {
    const release = i32At(stepReleases, s);
    if (release >= day) last = min(last, release == day ? day : release - 1);
  }
  return last;
}

/** How many are placed in all. */
export function total(placed: u64): i32 {
  let sum = 0;
  for (let p = placed; p != 0; p >>= 4) sum += <i32>(p & 15);
  return sum;
}

/** Below zero where a is better. */
export function compareWorth(a: Worth, b: Worth): i32 {
  if (a.placed != b.placed) return a.placed > b.placed ? -1 : 1;
  if (a.last != b.last) return a.last < b.last ? -1 : 1;
  if (a.batches != b.batches) return a.batches < b.batches ? -1 : 1;
  return a.sum < b.sum ? -1 : a.sum > b.sum ? 1 : 0;
}

/** The lines of wishes: 0 is fish, as in core/planner/problem.ts. */
export const FISH: i32 = 0;

export function isFish(i: i32): bool {
  return i32At(lines, i) == FISH;
}

/** What a wish is bought as: its line, or one of the cleaners. */
export function boughtAs(i: i32): i32 {
  return isCrew(i) ? CLEANERS : i32At(lines, i);
}

/** A cleaner that comes before the fish. */
export function isCrew(i: i32): bool {
  return i32At(crews, i) == 1;
}

/** The first step on a day, of one outside the plan that of its first or last. */
export function firstStepBy(day: i32): f64 {
  return f64At(firstSteps, max(0, min(day, end - 1) - today));
}

export function lastBuyUpTo(day: i32): i32 {
  return day < today ? today - 1 : i32At(lastBuys, min(day, end - 1) - today);
}

/** Kinds of what is bought: the lines, and cleaners that come before a fish. */
export const LINES: i32 = 5;
export const INVERTEBRATES: i32 = 1;
export const CLEANERS: i32 = 4;
/** Cleaners are of a line, too. */
@inline
export function lineOfKind(kind: i32): i32 {
  return kind == CLEANERS ? INVERTEBRATES : kind;
}

/** The last month of all, and one for each of them. */
const KINDS: i32 = 6;

/** Days for which the last months in which may be bought are the same have the same. */
export function untilBy(day: i32): i32 {
  return day < today ? -1 : i32At(untils, min(day, end - 1) - today);
}

/** The last month in which may be bought for a release by a day; of a day before today none. */
export function lastMonth(day: i32): i32 {
  const until = untilBy(day);
  return until < 0 ? -1 : i32At(lastMonths, until * KINDS);
}

/** The same of a line. */
export function lastMonthOf(day: i32, line: i32): i32 {
  const until = untilBy(day);
  return until < 0 ? -1 : i32At(lastMonths, until * KINDS + 1 + line);
}

export function monthAt(day: i32): i32 {
  return i32At(monthOf, max(0, min(day, end - 1) - today));
}

export function releaseFrom(day: i32): i32 {
  return day < end ? i32At(releases, max(0, day - today)) : LATE;
}

export function releaseAllowed(q: i32, day: i32): bool {
  return i32At(allowed, q * span + day - today) == 1;
}

export function buyMost(q: i32, day: i32): i32 {
  return i32At(buysMost, q * span + day - today);
}

export function buyLeast(q: i32, day: i32): i32 {
  return i32At(buysLeast, q * span + day - today);
}

/** The first release of what is bought for a quarantine on a day or later. */
export function firstOut(q: i32, free: i32): i32 {
  return free < end ? i32At(outs, q * span + max(0, free - today)) : LATE;
}

/** The first release, anywhere, of what is bought in a month or later. */
export function outOfMonth(month: i32): i32 {
  return month < months ? i32At(monthOut, month) : LATE;
}

/** The earliest last release by which a set of wishes can have been paid for, month by month. */
export function paidFrom(mask: i32): i32 {
  if (!hasBudget) return NONE;
  const month = i32At(needed, mask);
  return month == 0 ? NONE : outOfMonth(month);
}
