/** The exact search in WebAssembly (kernels/plan): partial plan by partial plan the same as the plain one of search.ts, without what objects cost an engine,
 *  and quick from its first step on. */
import { compiledOnce } from '../compiled';
import { DEFAULT_PARAMS, warmthOf } from '../nitrogen/model';
import { FREE_AMMONIA } from '../seawater/limits';
import { atFirst, presentMgN, STEP_DAYS } from './ammonia';
import type { Until } from './calendar';
import type { Found } from './found';
import { PLANNER } from './limits';
import { hasMate, mayJoin } from './own';
import { DOUBLING_DAYS, HEAVY_MG_N, LINES, type Problem, type Step, type Wish, isCrew } from './problem';
import { SEARCH_WASM } from './searchBytes';
import { start } from './start';
import { type Batch, NONE, bitOf } from './label';
import type { World } from './world';

interface Kernel {
  memory: { buffer: ArrayBuffer };
  input: (count: number) => number;
  solve: (from: number, wasCut: number) => number;
}

const beginSearch = compiledOnce(SEARCH_WASM);

/** How it keeps its numbers: by sets of wishes in tables, by quarantine and month in bits. */
const MOST_WISHES = 12;
const MOST_QUARANTINES = 12;
const MOST_MONTHS = 60;
const MOST_RELEASED = 60;

/** Has it room for all of a problem? */
const isSuited = ({ p, calendar, setLoads }: World): boolean =>
  p.wishes.length <= MOST_WISHES &&
  p.quarantines.length <= MOST_QUARANTINES &&
  setLoads.length <= MOST_RELEASED &&
  calendar.months.length <= MOST_MONTHS;

/** The best plan of a world's problem; null where it has to be searched for plainly: WebAssembly is missing, the problem is not suited, or memory ran out.
 *  @param known a plan to measure by, found in this world */
export function compiledSearch(world: World, known: Found): Found | null {
  const begin = isSuited(world) ? beginSearch() : null;
  if (!begin) return null;
  const numbers = numbersOf(world, known);
  try {
    const kernel = begin({ planner: { mayGoOn: () => (world.mayGoOn() ? 1 : 0) } }) as Kernel;
    const from = kernel.input(numbers.length);
    new Float64Array(kernel.memory.buffer, from, numbers.length).set(numbers);
    const at = kernel.solve(from, world.ammonia.cut ? 1 : 0);
    return answerAt(world, known, new Float64Array(kernel.memory.buffer, at));
  } catch {
    // It stops of itself only where it is given no more memory.
    return null;
  }
}

/** In the order in which `answer` of kernels/plan/search.ts writes it. */
function answerAt({ p, levels, set }: World, known: Found, out: Float64Array): Found {
  let at = 0;
  const next = () => out[at++] as number;
  const some = (count: number) => Array.from({ length: count }, next);
  const [proved, lastAtLeast, looked, isKnown] = some(4) as [number, number, number, number];
  const [last, batches, sum, entered] = some(4) as [number, number, number, number];
  const placedAtMost = some(levels.length);
  const placed = some(levels.length);
  const steps: Step[] = [...set];
  for (let k = 0; k < entered; k++) {
    const [mask, buy, quarantine, release] = some(4) as [number, number, number, number];
    p.wishes.forEach((_, wish) => {
      if (((mask >> wish) & 1) === 1) steps.push({ wish, buy, quarantine, release });
    });
  }
  return {
    steps: isKnown === 1 ? known.steps : steps.sort((a, b) => a.release - b.release || a.wish - b.wish),
    worth: isKnown === 1 ? known.worth : { placed, last, batches, sum },
    proved: proved === 1,
    lastAtLeast,
    placedAtMost,
    looked: known.looked + looked,
  };
}

/** All of a problem in the order in which kernels/plan/world.ts reads it. */
function numbersOf(world: World, { worth: known }: Found): Float64Array {
  const { p, calendar } = world;
  const { quarantines: stays, months } = calendar;
  const all: number[] = [];
  const put = (numbers: Iterable<number>) => {
    for (const number of numbers) all.push(number);
  };
  const span = calendar.end - p.today;
  const byDay = (numberOn: (day: number) => number) => {
    for (let day = p.today; day < calendar.end; day++) all.push(numberOn(day));
  };
  const byWish = (numberOf: (w: Wish, i: number) => number) => put(p.wishes.map(numberOf));
  put([HEAVY_MG_N, DOUBLING_DAYS, p.wishes.length, p.quarantines.length, months.length, span]);
  put([world.levels.length, world.lanes.length, world.setLoads.length, world.setHeavy.length]);
  put([p.today, calendar.end, p.settleDays, p.firstSettleDays]);
  put([p.displayLoadMgN, p.firstStepMgN, world.perDay, world.setThere, world.setInAll]);
  put([p.budget === null ? 0 : 1, p.budget ?? 0, p.water ? 1 : 0, world.twins ? 1 : 0]);
  put([p.fewFirst ? 1 : 0, world.setFish]);
  putWater(p, put);
  byWish((w) => w.loadMgN);
  byWish((_, i) => world.prices[i] as number);
  byWish((w) => LINES.indexOf(w.line));
  byWish((w) => w.temperament ?? 0);
  byWish((w) => (isCrew(w) ? 1 : 0));
  byWish((w) => (w.few ? 1 : 0));
  byWish((_, i) => world.least[i] ?? NONE);
  byWish((_, i) => world.latest[i] as number);
  byWish((_, i) => (world.conflicts[i] as number[]).reduce((mask, other) => mask | (1 << other), 0));
  byWish((_, i) => world.like[i] as number);
  byWish((_, i) => world.levelOf[i] as number);
  put(p.quarantines.map((q) => LINES.indexOf(q.line)));
  put(stays.map((q) => q.capacity));
  put(p.quarantines.map((q) => q.clockDays));
  put(world.plain.map((words) => world.plain.indexOf(words)));
  put(world.lanes.map(({ line }) => LINES.indexOf(line)));
  putOwn(world, put);
  put(world.setLoads.map((r) => r.day));
  put(world.setLoads.map((r) => r.loadMgN));
  put(world.setHeavy);
  byDay(calendar.firstStepBy);
  byDay(calendar.lastBuyUpTo);
  const untils = new Map<Until, number>();
  byDay((day) => {
    const until = calendar.untilBy(day);
    if (!untils.has(until)) untils.set(until, untils.size);
    return untils.get(until) as number;
  });
  put([untils.size]);
  for (const { last, of } of untils.keys()) put([last, ...of]);
  byDay(calendar.monthAt);
  byDay(calendar.releaseFrom);
  put(months.map((m) => m.from));
  put(months.map((m) => m.to));
  put(months.map((m) => m.out));
  for (const q of stays) byDay((day) => (q.releaseAllowed(day) ? 1 : 0));
  for (const q of stays) byDay(q.buyMost);
  for (const q of stays) byDay(q.buyLeast);
  for (const q of stays) byDay(q.firstOut);
  if (p.budget !== null) for (const list of [world.spent, world.income, world.needed ?? []]) put(list);
  for (const { placed, last, batches, sum } of [start(world).worth, known])
    put([...placed, last, batches, sum]);
  return Float64Array.from(all);
}

/** What ammonia is predicted by. */
function putWater(p: Problem, put: (numbers: Iterable<number>) => void): void {
  const { water } = p;
  const predicts = water !== undefined && water.nearZeroMgN !== null;
  put([predicts ? 1 : 0]);
  if (!predicts) return;
  const { capacityA, alkalinityDkh } = atFirst(water);
  const { kaMgNPerL, knMgNPerL, muA, muN, decayPerDay, maxA, maxN } = DEFAULT_PARAMS;
  put([water.netL, water.freeShare, FREE_AMMONIA.longTerm, PLANNER.ammoniaDays]);
  put([presentMgN(p), capacityA, alkalinityDkh, STEP_DAYS]);
  put([kaMgNPerL, knMgNPerL, muA, muN, decayPerDay, maxA, maxN]);
  put([warmthOf(DEFAULT_PARAMS)]);
}

/** What was bought or set. */
function putOwn(
  { p, calendar, set, setFits, open, own, lanes }: World,
  put: (numbers: Iterable<number>) => void,
): void {
  put([set.length]);
  put(set.map((s) => s.wish));
  put(set.map((s) => s.buy));
  put(set.map((s) => s.quarantine));
  put(set.map((s) => s.release));
  put(setFits.map((fits) => (fits ? 1 : 0)));
  put([open.length]);
  put(open.map((b) => b.quarantine));
  put(open.map((b) => b.wishes.reduce((mask, wish) => mask | bitOf(wish), 0)));
  put(open.map((b) => b.boughtOn as number));
  put(open.map((b) => b.least));
  const isOpen = (b: Batch) => mayJoin(p, calendar, b.quarantine, b.boughtOn as number) && !hasMate(open, b);
  put(open.map((b) => (isOpen(b) ? 1 : 0)));
  put(open.map((b) => b.loadMgN));
  const stays = staysOf(set).filter((s) => mayJoin(p, calendar, s.quarantine, s.buy));
  put([stays.length]);
  put(stays.map((s) => s.quarantine));
  put(stays.map((s) => s.buy));
  put(stays.map((s) => s.release));
  put(stays.map((s) => loadOfStay(p, set, s)));
  put(own.days);
  put(lanes.map(({ line }) => (own.lines.includes(line) ? 1 : 0)));
  put([own.joins.length]);
  put(own.joins.map(({ line }) => LINES.indexOf(line)));
  put(own.joins.map(({ room }) => room));
  put(own.joins.map(({ month }) => month));
}

/** Of steps that are set each stay once, by the day of its release. */
const staysOf = (set: readonly Step[]): Step[] =>
  [...new Set(set.map((s) => s.release))].flatMap((day) => [
    ...new Map(
      set.filter((s) => s.release === day).map((s) => [`${s.quarantine} ${s.buy}`, s] as const),
    ).values(),
  ]);

const loadOfStay = (p: Problem, set: readonly Step[], stay: Step): number =>
  set.reduce(
    (sum, s) =>
      sum + (s.quarantine === stay.quarantine && s.buy === stay.buy ? (p.wishes[s.wish] as Wish).loadMgN : 0),
    0,
  );
