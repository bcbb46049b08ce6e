/** Stocking problems of a year, and a twin of the search that knows no bounds: it builds every plan event by event, and drops only what is dominated.
 *  For tests and benchmarks only. */
import { withEvent } from '../planner/after';
import { ANYTHING } from '../planner/asked';
import { eventsOf } from '../planner/events';
import { Kept } from '../planner/kept';
import { type FixedStep, LINES, type Line, type Problem, type Wish } from '../planner/problem';
import { start } from '../planner/start';
import { compareWorth, type Label, type Worth } from '../planner/label';
import { worldOf } from '../planner/world';
import { seededRandom } from '../random';
import { TODAY } from './plans';

/** As a keeper would have it: fish in the main, two quarantines for them, one for each other line. */
export function household(n: number, seed: number, budget: number | null): Problem {
  const random = seededRandom(seed);
  const whole = (a: number, b: number) => a + Math.floor(random() * (b - a + 1));
  return {
    today: TODAY,
    horizonDays: 400,
    gate: TODAY + whole(0, 40),
    coralGate: TODAY + whole(0, 60),
    filled: TODAY - 40,
    hasLid: true,
    displayLoadMgN: whole(0, 4),
    firstStepMgN: whole(3, 8),
    settleDays: 7,
    firstSettleDays: 14,
    quarantines: LINES.flatMap((line) =>
      Array.from({ length: line === 'fish' ? 2 : 1 }, (_, k) => ({
        id: `${line}${k}`,
        line,
        netL: whole(40, 80),
        clockDays: 28,
        totalLimitMgN: 0.3,
        bare: null,
        testsPresent: true,
      })),
    ),
    wishes: Array.from({ length: n }, (_, i): Wish => {
      const line: Line =
        random() < 0.6 ? 'fish' : random() < 0.6 ? 'invertebrate' : random() < 0.8 ? 'coral' : 'anemone';
      return {
        id: `w${i}`,
        line,
        loadMgN: line === 'fish' ? 1 + random() * 5 : random() * 2,
        price: whole(5, 60),
        priority: whole(1, 3),
        temperament: line === 'fish' ? whole(0, 2) : null,
        crew: line === 'invertebrate' && random() < 0.5,
        needsTankDays: random() < 0.2 ? 180 : 0,
        jumps: random() < 0.3,
      };
    }),
    forbidden: random() < 0.5 ? [[0, 1]] : [],
    away: random() < 0.5 ? [[TODAY + 60, TODAY + 70]] : [],
    shopDays: random() < 0.5 ? [6] : [],
    budget,
    released: [],
    fixed: [],
  };
}

/** A household unlike the others: of its calendar, quarantines, prices, what entered lately, who may not meet and who is alike some are drawn anew.
 *  @param count of its wishes; else three to six */
export function unlike(seed: number, count: number | null = null): Problem {
  const random = seededRandom(seed + 2e6);
  const whole = (a: number, b: number) => a + Math.floor(random() * (b - a + 1));
  const some = <T>(most: number, one: () => T): T[] => Array.from({ length: whole(1, most) }, one);
  const often = (share: number, more: () => Partial<Problem>) => (random() < share ? more() : {});
  const budget = random() < 0.3 ? null : whole(20, 150);
  const wishes = count ?? whole(3, 6);
  const base = random() < 0.6 ? household(wishes, seed, budget) : withRoom(wishes, seed, budget);
  const last = base.wishes.length - 1;
  return {
    ...base,
    ...often(0.4, () => ({
      quarantines: base.quarantines.map((q) => ({
        ...q,
        clockDays: whole(0, 40),
        bare: ([true, false, null] as const)[whole(0, 2)] as boolean | null,
        testsPresent: random() < 0.5,
      })),
    })),
    ...often(0.3, () => ({
      away: some(3, () => {
        const from = TODAY + whole(0, 200);
        return [from, from + whole(0, 20)] as const;
      }),
    })),
    ...often(0.3, () => ({ shopDays: some(2, () => whole(0, 6)) })),
    ...often(0.3, () => ({
      released: some(4, () => ({ day: TODAY - whole(0, 29), loadMgN: random() < 0.3 ? 0.3 : whole(1, 5) })),
    })),
    ...often(0.3, () => ({
      forbidden: some(5, () => [whole(0, last), whole(0, last)] as const).filter(([a, b]) => a !== b),
    })),
    ...often(0.3, () => ({
      wishes: base.wishes.map((w, i) => ({
        ...(i > 0 && random() < 0.5 ? (base.wishes[i - 1] as Wish) : w),
        id: w.id,
        price: random() < 0.2 ? 0 : w.price,
      })),
    })),
    ...often(0.2, () => ({ spentThisMonth: whole(0, 60) })),
    ...often(0.2, () => ({ fishGate: random() < 0.3 ? null : TODAY + whole(0, 80) })),
    ...often(0.2, () => ({ horizonDays: whole(10, 700) })),
    ...often(0.2, () => ({ settleDays: whole(0, 10), firstSettleDays: whole(0, 20) })),
    ...often(0.2, () => ({ displayLoadMgN: 0, firstStepMgN: whole(1, 4) })),
  };
}

/** Some of it bought or set, on days before and after today. */
export function withOwn(p: Problem, seed: number): Problem {
  const random = seededRandom(seed + 3e6);
  const whole = (a: number, b: number) => a + Math.floor(random() * (b - a + 1));
  const fixed: FixedStep[] = [];
  const count = whole(1, 4);
  for (let k = 0; k < count; k++) {
    const wish = whole(0, p.wishes.length - 1);
    const inLine = p.quarantines.flatMap((q, i) => (q.line === p.wishes[wish]?.line ? [i] : []));
    if (inLine.length === 0 || fixed.some((f) => f.wish === wish)) continue;
    const quarantine = inLine[whole(0, inLine.length - 1)] as number;
    const mate = fixed.find((f) => f.quarantine === quarantine);
    const buy = mate && random() < 0.5 ? mate.buy : p.today + whole(-25, random() < 0.3 ? 20 : 3);
    const release = random() < 0.35 ? Math.max(p.today, buy) + whole(1, 60) : null;
    fixed.push({ wish, buy, quarantine, release, closed: random() < 0.2 });
  }
  return { ...p, fixed };
}

/** A keeper with one to three quarantines for fish, large or small, of short or long clocks, and little of each: much of it could be bought at once. */
export function withRoom(n: number, seed: number, budget: number | null): Problem {
  const base = household(n, seed, budget);
  const random = seededRandom(seed + 1e6);
  const whole = (a: number, b: number) => a + Math.floor(random() * (b - a + 1));
  const clock = 7 * whole(0, 5);
  return {
    ...base,
    quarantines: (['fish', 'invertebrate'] as const).flatMap((line) =>
      Array.from({ length: whole(1, line === 'fish' ? 3 : 1) }, (_, k) => ({
        id: `${line}${k}`,
        line,
        netL: 20 * whole(1, 5),
        clockDays: clock + (random() < 0.3 ? 7 : 0),
        totalLimitMgN: 0.3,
        bare: null,
        testsPresent: true,
      })),
    ),
    wishes: base.wishes.map((w, i): Wish => {
      if (w.line === 'invertebrate') return w;
      const loadMgN = 0.3 + random() * 3;
      return {
        ...w,
        line: 'fish',
        loadMgN,
        temperament: whole(0, 2),
        needsTankDays: i === 0 ? whole(40, 200) : 0,
      };
    }),
    firstStepMgN: 3 * whole(1, 4),
    displayLoadMgN: whole(0, 8),
    settleDays: whole(3, 7),
  };
}

/** How good the best plan is, without any bound. */
export function bestWithoutBounds(p: Problem): Worth {
  const world = worldOf(p, false, () => true);
  const root = start(world);
  world.needed = null;
  world.merges = false;
  const kept = new Kept(world);
  let best = root.worth;
  const labels: Label[] = [root];
  for (let label = labels.pop(); label; label = labels.pop()) {
    if (label !== root && !kept.has(label)) continue;
    const { placed } = label;
    const left = placed.flatMap((done, i) => (done || world.least[i] === null ? [] : [i]));
    for (const event of eventsOf(world, label, { left, most: [], sure: [], cases: [] }, false, ANYTHING))
      for (const child of withEvent(world, label, event, ANYTHING)) {
        if (!companyKept(world.conflicts, child) || !orderKept(p, child)) continue;
        if (compareWorth(child.worth, best) < 0) best = child.worth;
        if (kept.add(child)) labels.push(child);
      }
  }
  return best;
}

const companyKept = (conflicts: readonly number[][], { placed }: Label): boolean =>
  placed.every((in_, i) => !in_ || !(conflicts[i] as number[]).some((other) => placed[other]));

/** R7, looked at afresh: a cleaner before every fish, the gentler no later than the fiercer. */
function orderKept(p: Problem, label: Label): boolean {
  const days: { w: Wish; day: number }[] = [];
  for (let l: Label = label; l.parent; l = l.parent)
    for (const b of l.batches) for (const i of b.wishes) days.push({ w: p.wishes[i] as Wish, day: l.day });
  const fish = days.filter((d) => d.w.line === 'fish');
  return (
    days.every((c) => !(c.w.line === 'invertebrate' && c.w.crew) || fish.every((f) => c.day < f.day)) &&
    fish.every((a) => fish.every((b) => (a.w.temperament ?? 0) >= (b.w.temperament ?? 0) || a.day <= b.day))
  );
}
