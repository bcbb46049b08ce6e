/** The search for the best plan. A plan is built event by event in the order of the release days: an event is one batch, or several with a load that enter
 *  on one day. Whatever the order of events, the batches in each and the month in which each is bought, every release as early as the rules let it is best
 *  for all that follows; so a partial plan (a label) has its days settled, and of two that placed the same wishes one may be at least as good in every
 *  respect that still counts: the other is dropped. What is left is best-first over the labels, cut off by bounds. docs/planner.md has the proof. */
import { calendarOf, type Calendar } from './calendar';
import {
  DOUBLING_DAYS,
  earliestRelease,
  isHeavy,
  SLACK,
  type Problem,
  type Released,
  type Step,
  type Wish,
} from './problem';

const NONE = -(1 << 30);
const LATE = 1 << 30;
/** With many wishes, batches of a quarantine that are tried together with others. */
const FEW_TOGETHER = 4;

/** How good a plan is, worst last: wishes placed by level, then last release, batches, sum of release days (each the less the better). */
export interface Worth {
  placed: number[];
  last: number;
  batches: number;
  sum: number;
}

export interface Found {
  steps: Step[];
  worth: Worth;
  /** Nothing better exists. */
  proved: boolean;
  /** No plan that places as much ends earlier. */
  lastAtLeast: number;
  /** At most so many can be placed, by level. */
  placedAtMost: number[];
}

/** One batch of an event: who, where, and the month of its purchase where that matters. */
interface Batch {
  quarantine: number;
  wishes: number[];
  loadMgN: number;
  price: number;
  heavy: boolean;
  /** The latest of the days from which each may be released. */
  least: number;
  crew: boolean;
  fish: boolean;
  /** The gentlest and the fiercest fish in it. */
  gentlest: number;
  fiercest: number;
  /** Bought already on this day, and the day it is to be released where that is set. */
  boughtOn: number | null;
  releasedOn: number | null;
}

interface Label {
  placed: boolean[];
  key: string;
  day: number;
  firstHeavy: number;
  lastHeavy: number;
  crewLast: number;
  /** The first day on which a fish of each temperament entered. */
  fishFirst: [number, number, number];
  /** By quarantine, the first day on which may be bought again. */
  free: number[];
  /** Loads that entered, in order: days and running sums. */
  days: number[];
  sums: number[];
  spent: number[];
  worth: Worth;
  parent: Label | null;
  steps: Step[];
}

interface World {
  p: Problem;
  calendar: Calendar;
  /** Earliest release of each wish by itself; null where there is none. */
  least: (number | null)[];
  levels: number[];
  levelOf: number[];
  conflicts: number[][];
  /** Wishes that are alike in everything; the first of them. */
  like: number[];
  quarantinesOf: number[][];
  /** Steps with both days set, and batches bought and not yet released. */
  set: Step[];
  open: Batch[];
  setLoads: Released[];
  setHeavy: number[];
  setFits: boolean[];
  /** Some quarantines are alike. */
  twins: boolean;
}

function worldOf(p: Problem): World {
  const set = p.fixed.flatMap((f): Step[] =>
    f.release === null ? [] : [{ wish: f.wish, buy: f.buy, quarantine: f.quarantine, release: f.release }],
  );
  const isFixed = new Set(p.fixed.map((f) => f.wish));
  const openWishes = new Set(p.fixed.filter((f) => f.release === null).map((f) => f.wish));
  // What is bought comes before any priority.
  const level = (i: number) => (openWishes.has(i) ? 0 : (p.wishes[i] as Wish).priority);
  const levels = [...new Set(p.wishes.map((_, i) => level(i)))].sort((a, b) => a - b);
  const conflicts = p.wishes.map((_, i) =>
    p.forbidden.flatMap(([a, b]) => (a === i ? [b] : b === i ? [a] : [])),
  );
  const alike = (a: number, b: number) => {
    const { id: _a, ...x } = p.wishes[a] as Wish;
    const { id: _b, ...y } = p.wishes[b] as Wish;
    return (
      JSON.stringify(x) === JSON.stringify(y) &&
      conflicts[a]?.length === 0 &&
      conflicts[b]?.length === 0 &&
      !isFixed.has(a) &&
      !isFixed.has(b)
    );
  };
  const setLoads = [
    ...p.released,
    ...set.map((s) => ({ day: s.release, loadMgN: (p.wishes[s.wish] as Wish).loadMgN })),
  ];
  const least = p.wishes.map((w) => earliestRelease(p, w));
  const world: World = {
    p,
    calendar: calendarOf(p),
    least,
    levels,
    levelOf: p.wishes.map((_, i) => levels.indexOf(level(i))),
    conflicts,
    like: p.wishes.map((_, i) => p.wishes.findIndex((__, k) => k === i || (k < i && alike(k, i)))),
    quarantinesOf: p.wishes.map((w) => p.quarantines.flatMap((q, i) => (q.line === w.line ? [i] : []))),
    set,
    open: openBatches(p, least),
    setLoads,
    setHeavy: [...new Set(setLoads.filter((r) => isHeavy(r.loadMgN)).map((r) => r.day))],
    setFits: [],
    twins: new Set(p.quarantines.map(({ id: _, ...q }) => JSON.stringify(q))).size < p.quarantines.length,
  };
  world.setFits = set.map((s) => doubles(world, [], [], s.release) <= SLACK);
  return world;
}

function openBatches(p: Problem, least: World['least']): Batch[] {
  const open = p.fixed.filter((f) => f.release === null);
  const keys = [...new Set(open.map((f) => `${f.quarantine} ${f.buy}`))];
  return keys.map((key) => {
    const wishes = open.filter((f) => `${f.quarantine} ${f.buy}` === key);
    const [first] = wishes as [(typeof open)[number]];
    return batchOf(
      { p, least },
      first.quarantine,
      wishes.map((f) => f.wish),
      first.buy,
      null,
    );
  });
}

function batchOf(
  world: Pick<World, 'p' | 'least'>,
  quarantine: number,
  wishes: number[],
  boughtOn: number | null,
  releasedOn: number | null,
): Batch {
  const { p, least } = world;
  const batch: Batch = {
    quarantine,
    wishes,
    loadMgN: 0,
    price: 0,
    heavy: false,
    least: NONE,
    crew: false,
    fish: false,
    gentlest: LATE,
    fiercest: NONE,
    boughtOn,
    releasedOn,
  };
  for (const i of wishes) {
    const w = p.wishes[i] as Wish;
    batch.loadMgN += w.loadMgN;
    if (!p.fixed.some((f) => f.wish === i)) batch.price += w.price;
    batch.heavy ||= isHeavy(w.loadMgN);
    batch.least = Math.max(batch.least, least[i] ?? LATE);
    batch.crew ||= w.line === 'invertebrate' && w.crew;
    if (w.line !== 'fish') continue;
    batch.fish = true;
    batch.gentlest = Math.min(batch.gentlest, w.temperament ?? 0);
    batch.fiercest = Math.max(batch.fiercest, w.temperament ?? 0);
  }
  return batch;
}

/** The label of nothing planned yet: what is set stands. */
function start(world: World): Label {
  const { p, set, levels, calendar, open } = world;
  const placed = p.wishes.map((_, i) => set.some((s) => s.wish === i));
  const spent = calendar.months.map((m) =>
    p.fixed.reduce(
      (sum, f) => sum + (f.buy >= m.from && f.buy <= m.to ? (p.wishes[f.wish] as Wish).price : 0),
      0,
    ),
  );
  // A month that began before today: what was bought in it earlier counts, too.
  const [first] = calendar.months;
  if (first)
    spent[0] =
      (spent[0] ?? 0) +
      p.fixed.reduce(
        (sum, f) =>
          sum + (f.buy < first.from && sameMonth(f.buy, first.from) ? (p.wishes[f.wish] as Wish).price : 0),
        0,
      );
  return {
    placed,
    key: keyOf(placed),
    day: p.today,
    firstHeavy: NONE,
    lastHeavy: NONE,
    crewLast: NONE,
    fishFirst: [LATE, LATE, LATE],
    free: p.quarantines.map(() => p.today),
    days: [],
    sums: [],
    spent,
    worth: {
      placed: levels.map((_, l) => set.filter((s) => world.levelOf[s.wish] === l).length),
      last: Math.max(NONE, ...set.map((s) => s.release)),
      batches: new Set([
        ...set.map((s) => `${s.quarantine} ${s.buy}`),
        ...open.map((b) => `${b.quarantine} ${b.boughtOn}`),
      ]).size,
      sum: set.reduce((sum, s) => sum + s.release, 0),
    },
    parent: null,
    steps: [],
  };
}

const sameMonth = (a: number, b: number): boolean =>
  new Date(a * 86_400_000).toISOString().slice(0, 7) === new Date(b * 86_400_000).toISOString().slice(0, 7);

const keyOf = (placed: readonly boolean[]): string => placed.map((x) => (x ? '1' : '0')).join('');

/** Below zero where a is better. */
export function compareWorth(a: Worth, b: Worth): number {
  for (let i = 0; i < a.placed.length; i++) {
    const more = (b.placed[i] as number) - (a.placed[i] as number);
    if (more !== 0) return more;
  }
  return a.last - b.last || a.batches - b.batches || a.sum - b.sum;
}

/** Load that entered by a day, of what was planned and what is set. */
function enteredBy(world: World, days: readonly number[], sums: readonly number[], day: number): number {
  let sum = world.p.displayLoadMgN;
  for (let i = days.length - 1; i >= 0; i--)
    if ((days[i] as number) <= day) {
      sum += sums[i] as number;
      break;
    }
  for (const r of world.setLoads) if (r.day <= day) sum += r.loadMgN;
  return sum;
}

/** By how much a day's load is over what doubling allows (R5). */
function doubles(world: World, days: readonly number[], sums: readonly number[], day: number): number {
  const most = Math.max(2 * enteredBy(world, days, sums, day - DOUBLING_DAYS), world.p.firstStepMgN);
  return enteredBy(world, days, sums, day) - most;
}

/** Who could still be placed after a label, as far as order, company and what is set go. */
function possible(world: World, label: Label): number[] {
  const { p } = world;
  const out: number[] = [];
  for (let i = 0; i < p.wishes.length; i++)
    if (!label.placed[i] && world.least[i] !== null && mayStill(world, label, i)) out.push(i);
  return out;
}

function mayStill(world: World, label: Label, i: number): boolean {
  const { p } = world;
  const w = p.wishes[i] as Wish;
  for (const other of world.conflicts[i] as number[]) if (label.placed[other]) return false;
  if ((world.quarantinesOf[i] as number[]).length === 0) return false;
  const [a, b, c] = label.fishFirst;
  if (w.line === 'invertebrate' && w.crew && Math.min(a, b, c) < LATE) return false;
  if (w.line === 'fish') {
    const t = w.temperament ?? 0;
    const fiercer = Math.min(t < 1 ? b : LATE, t < 2 ? c : LATE);
    // On the very day of the fiercer it may still come.
    if (fiercer < label.day) return false;
  }
  return true;
}

/** The most that could be placed after a label, by level. */
function mostPlaced(world: World, label: Label, left: readonly number[]): number[] {
  const most = [...label.worth.placed];
  for (const i of left) most[world.levelOf[i] as number]!++;
  return most;
}

/** The earliest last release of a plan that places all of those left. */
function lastAtLeast(world: World, label: Label, left: readonly number[]): number {
  const { p, calendar } = world;
  let last = Math.max(label.worth.last, left.length > 0 ? label.day : NONE);
  let load = 0;
  let heavyLoad = 0;
  const byLine = new Map<string, number>();
  for (const i of left) {
    const w = p.wishes[i] as Wish;
    last = Math.max(last, world.least[i] as number);
    load += w.loadMgN;
    if (isHeavy(w.loadMgN)) heavyLoad += w.loadMgN;
    byLine.set(w.line, (byLine.get(w.line) ?? 0) + w.loadMgN);
  }
  if (left.length === 0) return last;
  // Doubling: half of the whole load must have been there thirty days before the last release.
  const all =
    p.displayLoadMgN +
    world.setLoads.reduce((sum, r) => sum + r.loadMgN, 0) +
    (label.sums[label.sums.length - 1] ?? 0) +
    load;
  if (world.setLoads.length === 0 && load > 0) last = Math.max(last, reachable(world, label, all - SLACK));
  // Quarantines: so many stays, one after the other.
  for (const [line, needed] of byLine) last = Math.max(last, throughput(world, label, line, needed));
  // Settling: so many days on which a load enters.
  if (heavyLoad > 0) {
    const perDay = calendar.quarantines.reduce((sum, q) => sum + q.capacity, 0);
    const days = Math.ceil(heavyLoad / perDay - 1e-9);
    if (label.lastHeavy !== NONE)
      last = Math.max(
        last,
        label.lastHeavy + p.settleDays * days,
        firstLoad(world, label) + p.firstSettleDays,
      );
    else if (days > 1) {
      const firstGap = world.setHeavy.length > 0 ? p.settleDays : Math.max(p.settleDays, p.firstSettleDays);
      last = Math.max(last, label.day + firstGap + p.settleDays * (days - 2));
    }
  }
  return last;
}

/** The earliest day by which a load can have entered, were there only doubling. */
function reachable(world: World, label: Label, load: number): number {
  const { p } = world;
  if (load <= p.displayLoadMgN + SLACK) return NONE;
  const at = label.sums.findIndex((s) => p.displayLoadMgN + s + SLACK >= load);
  if (at >= 0) return label.days[at] as number;
  if (load <= p.firstStepMgN + SLACK) return label.day;
  if (load <= 2 * SLACK) return label.day;
  return Math.max(label.day, reachable(world, label, load / 2 - SLACK) + DOUBLING_DAYS);
}

/** The earliest day by which a line's quarantines can have passed a load on. */
function throughput(world: World, label: Label, line: string, needed: number): number {
  const { p, calendar } = world;
  const stays = p.quarantines.flatMap((q, i) => {
    if (q.line !== line) return [];
    const begun = world.open.filter((b) => b.quarantine === i && !label.placed[b.wishes[0] as number]);
    const from = Math.min(label.free[i] as number, ...begun.map((b) => b.boughtOn as number));
    const capacity = Math.max(
      (calendar.quarantines[i] as Calendar['quarantines'][number]).capacity,
      ...begun.map((b) => b.loadMgN),
    );
    return [{ next: from + q.clockDays, gap: q.clockDays + 1, capacity }];
  });
  if (stays.length === 0) return LATE;
  let passed = 0;
  let day = NONE;
  // Each stay passes on at most what its quarantine holds; the soonest first.
  for (let guard = 0; passed < needed - 1e-6 && guard < 400; guard++) {
    const soonest = stays.reduce((a, b) => (b.next < a.next ? b : a));
    day = soonest.next;
    passed += soonest.capacity;
    soonest.next += soonest.gap;
  }
  return Math.max(day, NONE);
}

/** Fewest batches for those left. */
function batchesAtLeast(world: World, left: readonly number[]): number {
  const { p, calendar } = world;
  const byLine = new Map<string, number>();
  for (const i of left) {
    // What is bought has its batch counted already.
    if (world.levels[world.levelOf[i] as number] === 0) continue;
    const w = p.wishes[i] as Wish;
    byLine.set(w.line, (byLine.get(w.line) ?? 0) + w.loadMgN);
  }
  if (world.open.length + world.set.length > 0) return 0;
  let batches = 0;
  for (const [line, load] of byLine) {
    const most = Math.max(
      ...p.quarantines.flatMap((q, i) =>
        q.line === line ? [(calendar.quarantines[i] as Calendar['quarantines'][number]).capacity] : [],
      ),
    );
    batches += Math.max(1, Math.ceil((load - SLACK) / most - 1e-9));
  }
  return batches;
}

/** The first day on which a load entered, planned or set, once one was planned. */
const firstLoad = (world: World, label: Label): number => Math.min(label.firstHeavy, ...world.setHeavy);

/** Can nothing that follows a label be better than what was found? */
function isHopeless(world: World, label: Label, left: readonly number[], best: Worth | null): boolean {
  if (!best) return false;
  const most = mostPlaced(world, label, left);
  for (let i = 0; i < most.length; i++) {
    if ((most[i] as number) > (best.placed[i] as number)) return false;
    if ((most[i] as number) < (best.placed[i] as number)) return true;
  }
  const last = lastAtLeast(world, label, left);
  if (last !== best.last) return last > best.last;
  const batches = label.worth.batches + batchesAtLeast(world, left);
  if (batches !== best.batches) return batches > best.batches;
  let sum = label.worth.sum;
  for (const i of left) sum += Math.max(label.day, world.least[i] as number, soonestFree(world, label, i));
  return sum >= best.sum;
}

/** The first day on which a wish could be out of a quarantine. */
function soonestFree(world: World, label: Label, i: number): number {
  const { p } = world;
  let soonest = LATE;
  for (const q of world.quarantinesOf[i] as number[]) {
    const open = world.open.find((b) => b.quarantine === q && !label.placed[b.wishes[0] as number]);
    const from = Math.min(label.free[q] as number, open?.boughtOn ?? LATE);
    soonest = Math.min(soonest, from + (p.quarantines[q] as Problem['quarantines'][number]).clockDays);
  }
  return soonest;
}

/** Is a at least as good as b in all that still counts? Both placed the same wishes. */
function dominates(world: World, a: Label, b: Label): boolean {
  if (a.day > b.day || a.lastHeavy > b.lastHeavy || a.firstHeavy > b.firstHeavy) return false;
  if (a.crewLast > b.crewLast || a.worth.last > b.worth.last) return false;
  if (a.worth.batches > b.worth.batches) return false;
  if (a.worth.batches === b.worth.batches && a.worth.sum > b.worth.sum) return false;
  for (let q = 0; q < a.free.length; q++) if ((a.free[q] as number) > (b.free[q] as number)) return false;
  for (let m = 0; m < a.spent.length; m++)
    if ((a.spent[m] as number) > (b.spent[m] as number) + SLACK) return false;
  for (const t of [1, 2] as const)
    if (b.fishFirst[t] === b.day && a.fishFirst[t] !== b.fishFirst[t]) return false;
  const from = b.day - DOUBLING_DAYS;
  if (enteredBy(world, a.days, a.sums, from) < enteredBy(world, b.days, b.sums, from) - 1e-9) return false;
  for (let i = b.days.length - 1; i >= 0 && (b.days[i] as number) > from; i--) {
    const day = b.days[i] as number;
    if (enteredBy(world, a.days, a.sums, day) < enteredBy(world, b.days, b.sums, day) - 1e-9) return false;
  }
  return true;
}

/** The labels after one, for every event that could come next. @param few only some batches: for many wishes */
function* after(
  world: World,
  label: Label,
  left: readonly number[],
  few: boolean,
  best: Worth | null,
): Generator<Label> {
  // Where only a plan with all that are left is as good, one that ends later is not.
  const all = best !== null && mostPlaced(world, label, left).every((n, i) => n === best.placed[i]);
  const latest = all ? best.last : LATE;
  for (const event of eventsOf(world, label, left, few, all)) yield* atEarliest(world, label, event, latest);
}

/** Every event that could come next: one batch, or one in each of several quarantines with a load in each. */
function* eventsOf(
  world: World,
  label: Label,
  left: readonly number[],
  few: boolean,
  all: boolean,
): Generator<Batch[]> {
  const { p } = world;
  const whole = enteredBy(world, label.days, label.sums, LATE);
  const most = Math.max(2 * whole, p.firstStepMgN) - whole + SLACK;
  // With cleaners still to come no fish can come first.
  const crewFirst = all && left.some((i) => isCrew(p.wishes[i] as Wish));
  const now = crewFirst ? left.filter((i) => (p.wishes[i] as Wish).line !== 'fish') : left;
  const batches = p.quarantines.map((_, q) => batchesIn(world, label, now, q, most, few));
  const twins = world.twins ? twinsOf(world, label) : null;
  const heavy = batches.map((list) => list.filter((b) => b.heavy).slice(0, few ? FEW_TOGETHER : undefined));
  for (let q = 0; q < batches.length; q++)
    if (!twins || twins[q] === -1) for (const b of batches[q] as Batch[]) yield [b];
  yield* together([], 0);

  function* together(chosen: Batch[], from: number): Generator<Batch[]> {
    for (let q = from; q < heavy.length; q++)
      for (const b of heavy[q] as Batch[]) {
        if (chosen.some((c) => c.wishes.some((i) => b.wishes.includes(i) || clash(i, b.wishes)))) continue;
        const twin = twins?.[q] ?? -1;
        if (twin >= 0) {
          const first = chosen.find((c) => c.quarantine === twin);
          if (!first || (first.wishes[0] as number) > (b.wishes[0] as number)) continue;
        }
        const next = [...chosen, b];
        if (next.reduce((sum, x) => sum + x.loadMgN, 0) > most) continue;
        if (next.length > 1) yield next;
        yield* together(next, q + 1);
      }
  }
  function clash(i: number, wishes: readonly number[]): boolean {
    return (world.conflicts[i] as number[]).some((other) => wishes.includes(other));
  }
}

const isCrew = (w: Wish): boolean => w.line === 'invertebrate' && w.crew;

/** The batches that could be formed in a quarantine, from wishes that are left. */
function batchesIn(
  world: World,
  label: Label,
  left: readonly number[],
  q: number,
  most: number,
  few: boolean,
): Batch[] {
  const { p, calendar } = world;
  const capacity = (calendar.quarantines[q] as Calendar['quarantines'][number]).capacity + SLACK;
  const bought = new Set(world.open.flatMap((b) => b.wishes));
  const mine = left.filter((i) => !bought.has(i) && (world.quarantinesOf[i] as number[]).includes(q));
  const out: Batch[] = [];
  const grow = (base: Batch, capacityLeft: number, loadLeft: number) => {
    for (const wishes of few
      ? fewSets(world, mine, capacityLeft, loadLeft)
      : allSets(world, mine, capacityLeft, loadLeft, base.wishes))
      out.push(batchOf(world, q, [...base.wishes, ...wishes], base.boughtOn, base.releasedOn));
  };
  grow(batchOf(world, q, [], null, null), capacity, most);
  const joinable = (buy: number) => buy >= p.today && calendar.lastBuyUpTo(buy) === buy;
  for (const b of world.open) {
    if (b.quarantine !== q || label.placed[b.wishes[0] as number]) continue;
    if (b.wishes.some((i) => !left.includes(i))) continue;
    out.push(b);
    if (joinable(b.boughtOn as number)) grow(b, capacity - b.loadMgN, most - b.loadMgN);
  }
  for (const day of new Set(world.set.filter((s) => s.quarantine === q).map((s) => s.release)))
    for (const buy of new Set(
      world.set.filter((s) => s.quarantine === q && s.release === day).map((s) => s.buy),
    )) {
      if (!joinable(buy)) continue;
      const load = world.set.reduce(
        (sum, s) => sum + (s.quarantine === q && s.buy === buy ? (p.wishes[s.wish] as Wish).loadMgN : 0),
        0,
      );
      grow({ ...batchOf(world, q, [], buy, day) }, capacity - load - joinedLoad(label, q, buy, p), most);
    }
  return out;
}

/** What has joined a batch that is set. */
function joinedLoad(label: Label, q: number, buy: number, p: Problem): number {
  let sum = 0;
  for (let l: Label | null = label; l; l = l.parent)
    for (const s of l.steps)
      if (s.quarantine === q && s.buy === buy) sum += (p.wishes[s.wish] as Wish).loadMgN;
  return sum;
}

/** Quarantines that are like an earlier one in the same state: whichever is taken first is the earlier. */
function twinsOf(world: World, label: Label): number[] {
  const { p } = world;
  const plain = (q: number) => {
    const { id: _, ...rest } = p.quarantines[q] as Problem['quarantines'][number];
    return JSON.stringify(rest);
  };
  const used = (q: number) => p.fixed.some((f) => f.quarantine === q);
  return p.quarantines.map((_, q) => {
    for (let k = q - 1; k >= 0; k--)
      if (label.free[k] === label.free[q] && !used(k) && !used(q) && plain(k) === plain(q)) return k;
    return -1;
  });
}

/** Every set of wishes that a batch can hold. */
function allSets(
  world: World,
  mine: readonly number[],
  capacity: number,
  most: number,
  base: readonly number[],
): number[][] {
  const out: number[][] = [];
  const room = Math.min(capacity, most);
  const walk = (at: number, chosen: number[], load: number, skipped: ReadonlySet<number>) => {
    if (at === mine.length) {
      if (chosen.length > 0) out.push(chosen);
      return;
    }
    const i = mine[at] as number;
    const like = world.like[i] as number;
    const w = world.p.wishes[i] as Wish;
    const fits =
      load + w.loadMgN <= room &&
      !skipped.has(like) &&
      !(world.conflicts[i] as number[]).some((other) => chosen.includes(other) || base.includes(other));
    if (fits) walk(at + 1, [...chosen, i], load + w.loadMgN, skipped);
    // Of those alike the first comes first.
    walk(at + 1, chosen, load, like === i && !isShared(world, i) ? skipped : new Set([...skipped, like]));
  };
  walk(0, [], 0, new Set());
  return out;
}

const isShared = (world: World, i: number): boolean => world.like.some((l, k) => k !== i && l === i);

/** Some sets of wishes: filled up in a few orders, and one by one. */
function fewSets(world: World, mine: readonly number[], capacity: number, most: number): number[][] {
  const { p } = world;
  const room = Math.min(capacity, most);
  const wish = (i: number) => p.wishes[i] as Wish;
  const orders: ((a: number, b: number) => number)[] = [
    (a, b) => wish(a).priority - wish(b).priority || wish(a).loadMgN - wish(b).loadMgN,
    (a, b) => (wish(a).temperament ?? 0) - (wish(b).temperament ?? 0) || wish(a).priority - wish(b).priority,
    (a, b) => (world.least[a] as number) - (world.least[b] as number) || wish(b).loadMgN - wish(a).loadMgN,
    (a, b) => (wish(a).temperament ?? 0) - (wish(b).temperament ?? 0) || wish(b).loadMgN - wish(a).loadMgN,
    (a, b) => wish(a).price - wish(b).price,
  ];
  const seen = new Map<string, number[]>();
  const keep = (set: number[]) => {
    if (set.length > 0) seen.set([...set].sort((a, b) => a - b).join(), set);
  };
  for (const order of orders) {
    const chosen: number[] = [];
    let load = 0;
    for (const i of [...mine].sort(order)) {
      if (load + wish(i).loadMgN > room) continue;
      if ((world.conflicts[i] as number[]).some((other) => chosen.includes(other))) continue;
      // Only those that could come on one day, roughly.
      chosen.push(i);
      load += wish(i).loadMgN;
      if (chosen.length === 1 || chosen.length === 2 || chosen.length === 4) keep([...chosen]);
    }
    keep(chosen);
    // And only those that need not wait longer than the first.
    const first = chosen[0];
    if (first !== undefined)
      keep(
        chosen.filter((i) => (world.least[i] as number) <= Math.max(world.least[first] as number, p.today)),
      );
  }
  return [...seen.values()];
}

/** What an event is as a whole. */
interface Event {
  batches: readonly Batch[];
  loadMgN: number;
  heavy: boolean;
  crew: boolean;
  fish: boolean;
  gentlest: number;
  fiercest: number;
}

/** A label with an event on its earliest day, for each month its batches could be bought in and each place among what is set.
 *  @param latest days after it are of no use */
function* atEarliest(
  world: World,
  label: Label,
  batches: readonly Batch[],
  latest: number,
): Generator<Label> {
  const { calendar } = world;
  const event: Event = {
    batches,
    loadMgN: batches.reduce((sum, b) => sum + b.loadMgN, 0),
    heavy: batches.some((b) => b.heavy),
    crew: batches.some((b) => b.crew),
    fish: batches.some((b) => b.fish),
    gentlest: Math.min(...batches.map((b) => b.gentlest)),
    fiercest: Math.max(...batches.map((b) => b.fiercest)),
  };
  const [from, to] = boundsOf(world, label, event);
  const last = Math.min(to, latest, calendar.end - 1);
  if (from > last) return;
  const spans = spansOf(world, event, from, last);
  if (spans.length === 0) return;
  if (world.p.budget === null) {
    for (const [a, b] of spans) {
      const next = earliest(world, label, event, null, a, b);
      if (next) yield next;
    }
    return;
  }
  for (const months of monthsFor(world, label, batches, 0, []))
    for (const [a, b] of spans) {
      const next = earliest(world, label, event, months, a, b);
      if (next) yield next;
    }
}

/** First and last day that order (R7), settling (R4), clocks and ages leave an event, as far as they hang on no other day. */
function boundsOf(world: World, label: Label, event: Event): [number, number] {
  const { p } = world;
  let from = label.day;
  let to = LATE;
  const [, middling, fierce] = label.fishFirst;
  if (event.crew && (event.fish || Math.min(...label.fishFirst) < LATE)) return [0, -1];
  if (event.fish) {
    from = Math.max(from, label.crewLast + 1);
    // On the very day of a fiercer one, no later.
    if (event.gentlest < 1) to = Math.min(to, middling);
    if (event.gentlest < 2) to = Math.min(to, fierce);
  }
  const isSet = event.batches.some((b) => b.releasedOn !== null);
  if (event.heavy && label.lastHeavy !== NONE && !isSet)
    from = Math.max(from, label.lastHeavy + p.settleDays, firstLoad(world, label) + p.firstSettleDays);
  for (const b of event.batches) {
    const clock = (p.quarantines[b.quarantine] as Problem['quarantines'][number]).clockDays;
    from = Math.max(from, b.least, b.boughtOn === null ? (label.free[b.quarantine] as number) + clock : NONE);
  }
  return [from, to];
}

/** Before, on and after each release that is set. */
function spansOf(world: World, event: Event, from: number, to: number): (readonly [number, number])[] {
  if (world.set.length === 0) return [[from, to]];
  const forced = event.batches.find((b) => b.releasedOn !== null)?.releasedOn ?? null;
  if (forced !== null) return forced >= from && forced <= to ? [[forced, forced]] : [];
  const edges = [...new Set(world.set.map((s) => s.release))]
    .filter((d) => d >= from && d <= to)
    .sort((a, b) => a - b);
  const spans: [number, number][] = [];
  let next = from;
  for (const edge of edges) {
    if (edge > next) spans.push([next, edge - 1]);
    spans.push([edge, edge]);
    next = edge + 1;
  }
  if (next <= to) spans.push([next, to]);
  return spans;
}

/** By batch the month it is bought in; null where the month does not matter. */
function* monthsFor(
  world: World,
  label: Label,
  event: readonly Batch[],
  at: number,
  chosen: (number | null)[],
): Generator<(number | null)[]> {
  const { p, calendar } = world;
  const batch = event[at];
  if (!batch) {
    yield chosen;
    return;
  }
  const { price } = batch;
  const { budget } = p;
  if (budget === null || price === 0) {
    yield* monthsFor(world, label, event, at + 1, [...chosen, null]);
    return;
  }
  for (let m = 0; m < calendar.months.length; m++) {
    const others = chosen.reduce<number>((sum, c, k) => sum + (c === m ? (event[k] as Batch).price : 0), 0);
    if ((label.spent[m] as number) + others + price > budget + SLACK) continue;
    const month = calendar.months[m] as Calendar['months'][number];
    if (batch.boughtOn !== null && (batch.boughtOn < month.from || batch.boughtOn > month.to)) continue;
    if (month.to < (label.free[batch.quarantine] as number)) continue;
    yield* monthsFor(world, label, event, at + 1, [...chosen, m]);
  }
}

function earliest(
  world: World,
  label: Label,
  event: Event,
  months: readonly (number | null)[] | null,
  from: number,
  to: number,
): Label | null {
  const { p, set } = world;
  const before = label.sums[label.sums.length - 1] ?? 0;
  const after = before + event.loadMgN;
  for (let day = from; day <= to; day++) {
    if (event.heavy && world.setHeavy.length > 0 && !settles(world, label, day)) continue;
    if (set.length > 0 && !inOrder(world, event, day)) continue;
    // R5: nothing of the event itself was there thirty days before.
    let set30 = p.displayLoadMgN;
    let setNow = p.displayLoadMgN;
    for (const r of world.setLoads) {
      if (r.day <= day) setNow += r.loadMgN;
      if (r.day <= day - DOUBLING_DAYS) set30 += r.loadMgN;
    }
    const most = Math.max(2 * (set30 + sumBy(label, day - DOUBLING_DAYS)), p.firstStepMgN);
    if (setNow + after > most + SLACK) {
      // With all of it thirty days old there is no more to wait for.
      if (day - DOUBLING_DAYS >= label.day && world.setLoads.every((r) => r.day <= day - DOUBLING_DAYS))
        return null;
      continue;
    }
    const buys = buysFor(world, label, event.batches, months, day);
    if (!buys) continue;
    const days = [...label.days, day];
    const sums = [...label.sums, after];
    if (
      set.length > 0 &&
      set.some(
        (s, i) => s.release >= day && world.setFits[i] && doubles(world, days, sums, s.release) > SLACK,
      )
    )
      continue;
    if (p.fits && !p.fits(withSums(days, sums))) continue;
    return labelAt(world, label, event, months, day, buys, days, sums);
  }
  return null;
}

/** What was planned to enter by a day. */
function sumBy({ days, sums }: Label, day: number): number {
  for (let i = days.length - 1; i >= 0; i--) if ((days[i] as number) <= day) return sums[i] as number;
  return 0;
}

const withSums = (days: readonly number[], sums: readonly number[]): Released[] =>
  days.map((day, i) => ({ day, loadMgN: (sums[i] as number) - (i > 0 ? (sums[i - 1] as number) : 0) }));

/** R4 for a load that enters on a day: against what is planned and what is set. */
function settles(world: World, label: Label, day: number): boolean {
  const { p, setHeavy } = world;
  if (label.lastHeavy !== NONE && day !== label.lastHeavy && day - label.lastHeavy < p.settleDays)
    return false;
  let first = label.firstHeavy === NONE ? day : Math.min(day, label.firstHeavy);
  for (const h of setHeavy) {
    if (h !== day && Math.abs(h - day) < p.settleDays) return false;
    first = Math.min(first, h);
  }
  if (day !== first && day - first < p.firstSettleDays) return false;
  return day !== first || setHeavy.every((h) => h === first || h - first >= p.firstSettleDays);
}

/** R7 on a day against what is set; what is planned has given the bounds. */
function inOrder({ p, set }: World, event: Event, day: number): boolean {
  for (const s of set) {
    const other = p.wishes[s.wish] as Wish;
    if (event.crew && other.line === 'fish' && s.release <= day) return false;
    if (!event.fish) continue;
    if (isCrew(other) && s.release >= day) return false;
    if (other.line !== 'fish') continue;
    const theirs = other.temperament ?? 0;
    if (theirs > event.gentlest && s.release < day) return false;
    if (theirs < event.fiercest && s.release > day) return false;
  }
  return true;
}

/** The purchase day of each batch for a release on a day, as late as the clock lets it; null where one has none. */
function buysFor(
  world: World,
  label: Label,
  event: readonly Batch[],
  months: readonly (number | null)[] | null,
  day: number,
): number[] | null {
  const { p, calendar, set, open } = world;
  const buys: number[] = [];
  for (let k = 0; k < event.length; k++) {
    const batch = event[k] as Batch;
    const stay = calendar.quarantines[batch.quarantine] as Calendar['quarantines'][number];
    if (batch.releasedOn !== null) {
      // It joins a batch that is set; its own stay must pass as any other.
      const buy = batch.boughtOn as number;
      if (!stay.releaseAllowed(day) || buy > stay.buyMost(day) || buy < stay.buyLeast(day)) return null;
      buys.push(buy);
      continue;
    }
    if (!stay.releaseAllowed(day)) return null;
    const m = months?.[k];
    const month = m === null || m === undefined ? null : (calendar.months[m] as Calendar['months'][number]);
    let from = Math.max(label.free[batch.quarantine] as number, stay.buyLeast(day), month?.from ?? p.today);
    const to = Math.min(stay.buyMost(day), month?.to ?? LATE);
    if (batch.boughtOn !== null) {
      const buy = batch.boughtOn;
      if (buy > stay.buyMost(day) || buy < stay.buyLeast(day)) return null;
      buys.push(buy);
      continue;
    }
    for (const s of set) {
      if (s.quarantine !== batch.quarantine || s.buy > day) continue;
      if (s.release >= day) return null;
      from = Math.max(from, s.release + 1);
    }
    for (const o of open)
      if (
        o.quarantine === batch.quarantine &&
        !label.placed[o.wishes[0] as number] &&
        (o.boughtOn as number) <= day
      )
        return null;
    const buy = calendar.lastBuyUpTo(to);
    if (buy < from) return null;
    buys.push(buy);
  }
  return buys;
}

function labelAt(
  world: World,
  label: Label,
  event: Event,
  months: readonly (number | null)[] | null,
  day: number,
  buys: readonly number[],
  days: number[],
  sums: number[],
): Label {
  const { p } = world;
  const placed = [...label.placed];
  const free = [...label.free];
  const fishFirst: Label['fishFirst'] = [...label.fishFirst];
  const spent = p.budget === null ? label.spent : [...label.spent];
  const worth: Worth = {
    placed: [...label.worth.placed],
    last: Math.max(label.worth.last, day),
    batches: label.worth.batches,
    sum: label.worth.sum,
  };
  let { crewLast } = label;
  const steps: Step[] = [];
  event.batches.forEach((batch, k) => {
    free[batch.quarantine] = Math.max(free[batch.quarantine] as number, day + 1);
    if (batch.boughtOn === null) worth.batches++;
    for (const i of batch.wishes) {
      const w = p.wishes[i] as Wish;
      placed[i] = true;
      worth.placed[world.levelOf[i] as number]!++;
      worth.sum += day;
      if (w.line === 'fish') {
        const t = (w.temperament ?? 0) as 0 | 1 | 2;
        fishFirst[t] = Math.min(fishFirst[t], day);
      }
      if (w.line === 'invertebrate' && w.crew) crewLast = Math.max(crewLast, day);
      const m = months?.[k];
      if (m !== null && m !== undefined && !p.fixed.some((f) => f.wish === i))
        spent[m] = (spent[m] as number) + w.price;
      steps.push({ wish: i, buy: buys[k] as number, quarantine: batch.quarantine, release: day });
    }
  });
  return {
    placed,
    key: keyOf(placed),
    day,
    firstHeavy: event.heavy && label.firstHeavy === NONE ? day : label.firstHeavy,
    lastHeavy: event.heavy ? day : label.lastHeavy,
    crewLast,
    fishFirst,
    free,
    days,
    sums,
    spent,
    worth,
    parent: label,
    steps,
  };
}

function stepsOf(world: World, label: Label): Step[] {
  const steps: Step[] = [...world.set];
  for (let l: Label | null = label; l; l = l.parent) steps.push(...l.steps);
  return steps.sort((a, b) => a.release - b.release || a.wish - b.wish);
}

/** Labels kept so far by who is placed in them: one that is no better than another in anything is dropped. */
class Kept {
  private readonly byKey = new Map<string, Label[]>();
  constructor(private readonly world: World) {}

  /** False where it is dominated. */
  add(label: Label): boolean {
    const list = this.byKey.get(label.key);
    if (!list) {
      this.byKey.set(label.key, [label]);
      return true;
    }
    if (list.some((other) => dominates(this.world, other, label))) return false;
    const rest = list.filter((other) => !dominates(this.world, label, other));
    rest.push(label);
    this.byKey.set(label.key, rest);
    return true;
  }

  has(label: Label): boolean {
    return this.byKey.get(label.key)?.includes(label) === true;
  }
}

/** The best plan. Exact unless it is told to stop; a beam finds a good one first, which the rest is measured by.
 *  @param o.exact false for many wishes: then only some batches are tried and nothing is proved
 *  @param o.mayGoOn asked now and then */
export function bestPlan(p: Problem, o: { exact: boolean; width: number; mayGoOn: () => boolean }): Found {
  const world = worldOf(p);
  const root = start(world);
  const rootLeft = possible(world, root);
  let best: Label = root;
  const consider = (label: Label) => {
    if (compareWorth(label.worth, best.worth) < 0) best = label;
  };
  beam(world, root, o.width, !o.exact, o.mayGoOn, consider);
  let proved = false;
  if (o.exact) proved = exhaust(world, root, () => best.worth, o.mayGoOn, consider);
  return {
    steps: stepsOf(world, best),
    worth: best.worth,
    proved,
    lastAtLeast: proved ? best.worth.last : lastAtLeast(world, root, rootLeft),
    placedAtMost: proved ? best.worth.placed : mostPlaced(world, root, rootLeft),
  };
}

/** Layer by layer the most promising labels only. */
function beam(
  world: World,
  root: Label,
  width: number,
  few: boolean,
  mayGoOn: () => boolean,
  consider: (label: Label) => void,
): void {
  const promise = (label: Label, left: readonly number[]) => ({
    label,
    most: mostPlaced(world, label, left),
    last: lastAtLeast(world, label, left),
    batches: label.worth.batches + batchesAtLeast(world, left),
  });
  type Promised = ReturnType<typeof promise>;
  const better = (a: Promised, b: Promised): number => {
    for (let i = 0; i < a.most.length; i++) {
      const more = (b.most[i] as number) - (a.most[i] as number);
      if (more !== 0) return more;
    }
    const done = (x: Promised) => x.label.worth.placed.reduce((s, n) => s + n, 0);
    return (
      a.last - b.last || done(b) - done(a) || a.batches - b.batches || a.label.worth.sum - b.label.worth.sum
    );
  };
  let layer: Label[] = [root];
  while (layer.length > 0 && mayGoOn()) {
    const kept = new Kept(world);
    const next: Promised[] = [];
    for (const label of layer) {
      if (!mayGoOn()) break;
      const left = possible(world, label);
      for (const child of after(world, label, left, few, null)) {
        consider(child);
        if (kept.add(child)) next.push(promise(child, possible(world, child)));
      }
    }
    layer = next
      .filter((x) => kept.has(x.label))
      .sort(better)
      .slice(0, width)
      .map((x) => x.label);
  }
}

/** All labels in the order of their days, but those that cannot lead to anything better. True where none is left. */
function exhaust(
  world: World,
  root: Label,
  best: () => Worth,
  mayGoOn: () => boolean,
  consider: (label: Label) => void,
): boolean {
  const kept = new Kept(world);
  const heap = new Heap<Label>((a, b) => a.day - b.day);
  kept.add(root);
  heap.push(root);
  for (let label = heap.pop(); label; label = heap.pop()) {
    if (!mayGoOn()) return false;
    if (!kept.has(label)) continue;
    const left = possible(world, label);
    if (isHopeless(world, label, left, best())) continue;
    for (const child of after(world, label, left, false, best())) {
      consider(child);
      if (isHopeless(world, child, possible(world, child), best())) continue;
      if (kept.add(child)) heap.push(child);
    }
  }
  return true;
}

/** The smallest first. */
class Heap<T> {
  private readonly items: T[] = [];
  constructor(private readonly compare: (a: T, b: T) => number) {}

  push(item: T): void {
    const { items } = this;
    let i = items.length;
    items.push(item);
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (this.compare(items[up] as T, item) <= 0) break;
      items[i] = items[up] as T;
      i = up;
    }
    items[i] = item;
  }

  pop(): T | undefined {
    const { items } = this;
    const top = items[0];
    const last = items.pop();
    if (items.length === 0 || last === undefined) return top;
    let i = 0;
    for (;;) {
      let down = 2 * i + 1;
      if (down >= items.length) break;
      if (down + 1 < items.length && this.compare(items[down + 1] as T, items[down] as T) < 0) down++;
      if (this.compare(items[down] as T, last) >= 0) break;
      items[i] = items[down] as T;
      i = down;
    }
    items[i] = last;
    return top;
  }
}
