/** Small random stocking problems, and a twin of the search that tries every release day and purchase day. For tests only. */
import type { Random } from '../random';
import { breachesOf, type Breach } from '../planner/rules';
import { compareWorth, type Worth } from '../planner/label';
import type { FixedStep, Line, Problem, QuarantineWater, Step, Wish } from '../planner/problem';

/** The day every problem here begins on: 2026-03-03. */
export const TODAY = 20515;

/** A gentle fish for nothing. */
export const aWish = (id: string, more: Partial<Wish> = {}): Wish => ({
  id,
  line: 'fish',
  loadMgN: 2,
  price: 0,
  priority: 1,
  temperament: 0,
  crew: false,
  needsTankDays: 0,
  jumps: false,
  ...more,
});
/** One quarantine for fish, a display that fish may join, no limits. */
export const aProblem = (wishes: Problem['wishes'], more: Partial<Problem> = {}): Problem => ({
  today: TODAY,
  horizonDays: 400,
  gate: TODAY,
  coralGate: TODAY,
  filled: TODAY - 40,
  hasLid: true,
  displayLoadMgN: 10,
  firstStepMgN: 5,
  settleDays: 7,
  firstSettleDays: 14,
  quarantines: [
    { id: 'q', line: 'fish', netL: 60, clockDays: 28, totalLimitMgN: 0.3, bare: null, testsPresent: true },
  ],
  wishes,
  forbidden: [],
  away: [],
  shopDays: [],
  budget: null,
  released: [],
  fixed: [],
  ...more,
});

const pick = <T>(random: Random, from: readonly T[]): T => from[Math.floor(random() * from.length)] as T;
const whole = (random: Random, low: number, high: number): number =>
  low + Math.floor(random() * (high - low + 1));

/** The same with two quarantines, mostly alike, and two or three wishes of at most two kinds; now and then one is bought or set. */
export function alikeProblem(random: Random): Problem {
  const count = whole(random, 2, 3);
  const isFish = random() < 0.8;
  const kinds = [1, 2].map((priority) => ({
    line: isFish ? ('fish' as const) : ('invertebrate' as const),
    loadMgN: pick(random, [0.2, 0.5, 1, 2, 3, 4.5, 6]),
    price: pick(random, [0, 10, 20]),
    priority: random() < 0.5 ? 1 : priority,
    temperament: isFish ? whole(random, 0, 2) : null,
    crew: !isFish && random() < 0.5,
  }));
  const wishes = Array.from({ length: count }, (_, i) => aWish(`w${i}`, pick(random, kinds)));
  const quarantine: QuarantineWater = {
    id: 'a',
    line: isFish ? 'fish' : 'invertebrate',
    netL: 60,
    clockDays: whole(random, 1, 5),
    totalLimitMgN: 0.3,
    bare: null,
    testsPresent: false,
  };
  const other =
    random() < 0.5 ? {} : { netL: pick(random, [20, 30, 40, 100]), clockDays: whole(random, 1, 6) };
  const isOwn = random() < 0.3;
  const own: FixedStep = {
    wish: whole(random, 0, count - 1),
    buy: TODAY - whole(random, 0, 6),
    quarantine: whole(random, 0, 1),
    release: random() < 0.6 ? null : TODAY + whole(random, 2, 9),
  };
  return aProblem(wishes, {
    quarantines: [quarantine, { ...quarantine, ...other, id: 'b' }],
    horizonDays: count === 3 ? whole(random, 7, 10) : whole(random, 10, 24),
    displayLoadMgN: pick(random, [0, 2, 8, 20]),
    firstStepMgN: pick(random, [2, 5, 10]),
    settleDays: pick(random, [2, 3, 7]),
    firstSettleDays: pick(random, [3, 7]),
    budget: pick(random, [null, null, 10, 20, 30]),
    forbidden: random() < 0.2 ? [[0, 1]] : [],
    fixed: isOwn ? [own] : [],
  });
}

/** The same, some of its lines without any quarantine. */
export const withoutQuarantine = (p: Problem, random: Random): Problem => ({
  ...p,
  quarantines: p.quarantines.map((q, i) =>
    p.fixed.some((f) => f.quarantine === i) || random() < 0.4
      ? q
      : { ...q, netL: 1000, clockDays: 0, bare: null, sameDay: true },
  ),
});

/** The same, of a filter that keeps less and less of what it has shown. */
export const withFading = (p: Problem, random: Random): Problem => ({
  ...p,
  fades: {
    ofMgN: p.firstStepMgN * pick(random, [0.8, 1, 1.5]),
    toMgN: p.firstStepMgN * pick(random, [0, 0.3, 0.6]),
    from: p.today + whole(random, -3, 8),
    perDay: pick(random, [0.02, 0.05, 0.2]),
  },
});

/** A problem that can be tried out whole: few wishes, or few days. */
export function smallProblem(random: Random, withFixed = false): Problem {
  const n = whole(random, 1, 4);
  const many = random() < 0.5;
  const horizonDays =
    n >= 4 ? whole(random, 7, 10) : n === 3 ? whole(random, 10, many ? 12 : 34) : whole(random, 10, 60);
  const lines: Line[] = random() < 0.5 ? ['fish'] : ['fish', 'invertebrate', 'coral'];
  const wishes = Array.from({ length: n }, (_, i): Wish => {
    const line = pick(random, lines);
    return {
      id: `w${i}`,
      line,
      loadMgN: pick(random, [0.2, 0.5, 1, 2, 2, 3, 4]),
      price: pick(random, [0, 10, 20, 30]),
      priority: whole(random, 1, 2),
      temperament: line === 'fish' ? whole(random, 0, 2) : null,
      crew: line === 'invertebrate' && random() < 0.6,
      needsTankDays: random() < 0.2 ? whole(random, 30, 50) : 0,
      jumps: random() < 0.2,
    };
  });
  const quarantines = lines.flatMap((line) =>
    Array.from({ length: many && n <= 3 && horizonDays <= 12 ? whole(random, 1, 2) : 1 }, (_, k) => ({
      id: `${line}${k}`,
      line,
      netL: pick(random, [20, 40]),
      clockDays: whole(random, 1, 6),
      totalLimitMgN: pick(random, [0.2, 0.3, 0.5]),
      bare: pick(random, [null, true, false]),
      testsPresent: random() < 0.3,
    })),
  );
  const away = Array.from({ length: random() < 0.4 ? 1 : 0 }, (): [number, number] => {
    const from = TODAY + whole(random, 0, horizonDays);
    return [from, from + whole(random, 0, 4)];
  });
  const fixed: Problem['fixed'][number][] = [];
  for (const [i, w] of withFixed ? wishes.slice(0, whole(random, 1, Math.min(2, n))).entries() : []) {
    const quarantine = quarantines.findIndex((x) => x.line === w.line);
    const buy = TODAY + whole(random, -6, Math.min(8, horizonDays - 4));
    const release = random() < 0.5 ? null : Math.max(buy, TODAY - 2) + whole(random, 0, 8);
    const mate = fixed.find((f) => f.quarantine === quarantine);
    if (!mate) fixed.push({ wish: i, buy, quarantine, release });
    // Bought together. Two stays that overlap in one quarantine are the person's own muddle, not the planner's.
    else if (random() < 0.5) fixed.push({ ...mate, wish: i });
    else if (lines.length > 1) fixed.push({ wish: i, buy, quarantine, release });
  }
  return {
    today: TODAY,
    horizonDays,
    gate: random() < 0.05 ? null : TODAY + whole(random, -3, 6),
    coralGate: random() < 0.05 ? null : TODAY + whole(random, -3, 8),
    filled: TODAY - 30,
    hasLid: random() < 0.7,
    displayLoadMgN: pick(random, [0, 0, 1, 3]),
    firstStepMgN: pick(random, [0.5, 2, 3, 5]),
    settleDays: whole(random, 2, 7),
    firstSettleDays: whole(random, 2, 9),
    quarantines,
    wishes,
    forbidden: n >= 2 && random() < 0.3 ? [[0, 1]] : [],
    away,
    shopDays: random() < 0.4 ? [whole(random, 0, 6), whole(random, 0, 6)] : [],
    budget: random() < 0.4 ? pick(random, [0, 20, 40]) : null,
    released:
      random() < 0.3 ? [{ day: TODAY - whole(random, 1, 25), loadMgN: pick(random, [0.3, 1, 2]) }] : [],
    fixed,
  };
}

/** The same where no fish lives in the display: some wishes may be the first fish. */
export function withFirstFish(p: Problem, random: Random): Problem {
  return { ...p, fewFirst: true, wishes: p.wishes.map((w) => ({ ...w, few: random() < 0.6 })) };
}

/** By level: what is bought and still to be released first, by its priorities, then the others by theirs. */
export function worthOf(p: Problem, steps: readonly Step[]): Worth {
  const open = new Set(p.fixed.filter((f) => f.release === null).map((f) => f.wish));
  const level = (i: number) => (p.wishes[i] as Wish).priority - (open.has(i) ? 1000 : 0);
  const levels = [...new Set(p.wishes.map((_, i) => level(i)))].sort((a, b) => a - b);
  return {
    placed: levels.map((l) => steps.filter((s) => level(s.wish) === l).length),
    last: Math.max(-(1 << 30), ...steps.map((s) => s.release)),
    batches: new Set([
      ...steps.map((s) => `${s.quarantine} ${s.buy}`),
      ...p.fixed.map((f) => `${f.quarantine} ${f.buy}`),
    ]).size,
    sum: steps.reduce((sum, s) => sum + s.release, 0),
  };
}

/** Breaches that are not the person's own: those of steps that were bought or set are kept as they are. */
export function plannedBreaches(p: Problem, steps: readonly Step[]): Breach[] {
  const own = new Set(p.fixed.map((f) => f.wish));
  const set = steps.filter((s) => p.fixed.some((f) => f.wish === s.wish && f.release !== null));
  const already = new Set(breachesOf(p, set).map((b) => JSON.stringify(b)));
  return breachesOf(p, steps).filter((b) => {
    if (already.has(JSON.stringify(b))) return false;
    const openStays = b.wishes.every((w) => own.has(w));
    // A purchase that is made is made: its day, price and company in the quarantine are no longer the planner's.
    const of = b.wishes.map((w) => p.fixed.find((f) => f.wish === w));
    const boughtOnly =
      (of.every((f) => f !== undefined) &&
        (b.rule === 'R10' || (b.rule === 'R3' && !parted(p, steps, b.wishes)))) ||
      (b.rule === 'R10' && b.wishes.every((w) => own.has(w) || (p.wishes[w] as Wish).price === 0));
    const boughtDay =
      openStays && b.rule === 'R9' && of.every((f) => f?.release === null) && !releaseBreaks(p, steps, b);
    return !boughtOnly && !boughtDay;
  });
}

/** Were some bought together and go on unlike days, which is for the plan to say? */
function parted(p: Problem, steps: readonly Step[], wishes: readonly number[]): boolean {
  const open = steps.filter(
    (s) => wishes.includes(s.wish) && p.fixed.some((f) => f.wish === s.wish && f.release === null),
  );
  return open.some((a) =>
    open.some((b) => a.quarantine === b.quarantine && a.buy === b.buy && a.release !== b.release),
  );
}

/** Is it the release, not the purchase, that breaks R9? */
function releaseBreaks(p: Problem, steps: readonly Step[], b: Breach): boolean {
  const moved = steps
    .filter((s) => b.wishes.includes(s.wish))
    .map((s) => ({
      ...s,
      buy: s.release - (p.quarantines[s.quarantine] as Problem['quarantines'][number]).clockDays,
    }));
  const plain = { ...p, shopDays: [], fixed: [] };
  const shut = (day: number) => p.away.some(([a, z]) => day >= a - 3 && day <= z);
  return moved.some((s) => {
    const q = plain.quarantines[s.quarantine] as Problem['quarantines'][number];
    const original = steps.find((x) => x.wish === s.wish) as Step;
    const absentInStay = p.away.some(([a, z]) => a <= original.release && z >= original.buy);
    const tests =
      q.testsPresent &&
      [1, 3, 7].some((t) => p.away.some(([a, z]) => s.release + t >= a && s.release + t <= z));
    return shut(s.release) || tests || (q.bare === true && absentInStay);
  });
}

/** The best plan by trying all. */
export function bruteForce(p: Problem): Step[] {
  const days = Array.from({ length: p.horizonDays + 1 }, (_, i) => p.today + i);
  type Choice = { quarantine: number; release: number } | null;
  const setSteps = p.fixed.flatMap((f): Step[] => (f.release === null ? [] : [{ ...f, release: f.release }]));
  const choices = p.wishes.map((w, i): Choice[] => {
    const fixed = p.fixed.find((f) => f.wish === i);
    if (fixed && fixed.release !== null) return [{ quarantine: fixed.quarantine, release: fixed.release }];
    const here = p.quarantines.flatMap((q, k) =>
      q.line === w.line && (!fixed || fixed.quarantine === k) ? [k] : [],
    );
    const alone = { ...p, budget: null, fixed: [] };
    return [
      ...here.flatMap((quarantine) =>
        days.flatMap((release): Choice[] => {
          const broken = breachesOf(alone, [{ wish: i, buy: release, quarantine, release }]).map(
            (b) => b.rule,
          );
          const day = broken.includes('R1') || broken.includes('R8');
          return day ? [] : [{ quarantine, release }];
        }),
      ),
      null,
    ];
  });
  let best: Step[] = setSteps;
  let bestWorth = worthOf(p, best);
  const stays: Stays = new Map();
  /** Were all of the rest placed, at once: would it be better? */
  const hopeless = (i: number, chosen: readonly Choice[]): boolean => {
    const rest = p.wishes.flatMap((_, k): Step[] =>
      k < i ? [] : [{ wish: k, buy: 0, quarantine: 0, release: 0 }],
    );
    const draft = chosen.flatMap((c, wish): Step[] => (c ? [{ wish, ...c, buy: 0 }] : []));
    const most = { ...worthOf(p, [...draft, ...rest]), batches: 0, sum: 0, last: worthOf(p, draft).last };
    return compareWorth(most, bestWorth) > 0;
  };
  const walk = (i: number, chosen: Choice[]): void => {
    if (hopeless(i, chosen)) return;
    if (i === p.wishes.length) {
      const draft = chosen.flatMap((c, wish): Step[] =>
        c ? [{ wish, ...c, buy: p.fixed.find((f) => f.wish === wish)?.buy ?? c.release }] : [],
      );
      const worth = worthOf(p, joined(p, draft));
      if (compareWorth(worth, bestWorth) >= 0) return;
      const full = withPurchases(p, stays, draft, (steps) => compareWorth(worthOf(p, steps), bestWorth) < 0);
      if (!full) return;
      best = full;
      bestWorth = worthOf(p, full);
      return;
    }
    for (const c of choices[i] as Choice[]) {
      if (c && !fitsPairs(p, chosen, i, c)) continue;
      walk(i + 1, [...chosen, c]);
    }
  };
  walk(0, []);
  return best;
}

/** Batches at least: those of one quarantine and release are one, and may be one with what was bought. */
function joined(p: Problem, draft: readonly Step[]): Step[] {
  return draft.map((s) => {
    const mate = draft.find(
      (x) =>
        x.quarantine === s.quarantine && x.release === s.release && p.fixed.some((f) => f.wish === x.wish),
    );
    return mate && !p.fixed.some((f) => f.wish === s.wish) ? { ...s, buy: mate.buy } : s;
  });
}

/** What no third can mend. */
function fitsPairs(
  p: Problem,
  chosen: readonly ({ quarantine: number; release: number } | null)[],
  i: number,
  c: { quarantine: number; release: number },
): boolean {
  const w = p.wishes[i] as Wish;
  return chosen.every((other, k) => {
    if (!other) return true;
    const o = p.wishes[k] as Wish;
    if (p.fixed.some((f) => f.wish === k) && p.fixed.some((f) => f.wish === i)) return true;
    if (p.forbidden.some(([a, b]) => (a === k && b === i) || (a === i && b === k))) return false;
    const gap = Math.abs(c.release - other.release);
    if (w.loadMgN > 0.5 && o.loadMgN > 0.5 && gap > 0 && gap < p.settleDays) return false;
    if (w.crew && o.line === 'fish' && c.release >= other.release) return false;
    if (o.crew && w.line === 'fish' && other.release >= c.release) return false;
    if (w.line === 'fish' && o.line === 'fish') {
      const gentler = (w.temperament ?? 0) - (o.temperament ?? 0);
      if ((gentler < 0 && c.release > other.release) || (gentler > 0 && c.release < other.release))
        return false;
    }
    return true;
  });
}

/** Purchase days for a draft, tried all: those of one quarantine and release are bought on one day. */
type Stays = Map<string, Step[][]>;

function withPurchases(
  p: Problem,
  stays: Stays,
  draft: readonly Step[],
  better: (steps: Step[]) => boolean,
): Step[] | null {
  const groups = [...new Set(draft.map((s) => `${s.quarantine} ${s.release}`))].map((key) =>
    draft.filter((s) => `${s.quarantine} ${s.release}` === key),
  );
  // What is bought and finds no release stays where it is, and nobody follows it there.
  const stuck = p.fixed.filter((f) => f.release === null && !draft.some((s) => s.wish === f.wish));
  if (
    stuck.some((f) =>
      draft.some(
        (s) => s.quarantine === f.quarantine && s.release >= f.buy && !p.fixed.some((x) => x.wish === s.wish),
      ),
    )
  )
    return null;
  const ofReleases = ['R1', 'R4', 'R5', 'R7', 'R8'];
  if (plannedBreaches(p, draft).some((b) => ofReleases.includes(b.rule))) return null;
  const options = groups.map((group) => {
    const key = group.map((s) => `${s.wish} ${s.quarantine} ${s.release}`).join();
    const known = stays.get(key);
    if (known) return known;
    const bought = group.map((s) => p.fixed.find((f) => f.wish === s.wish)).find((f) => f);
    const [first] = group as [Step];
    const all = bought
      ? [bought.buy]
      : Array.from({ length: first.release - p.today + 1 }, (_, k) => first.release - k);
    const found = all
      .map((buy) => group.map((s) => ({ ...s, buy: p.fixed.find((f) => f.wish === s.wish)?.buy ?? buy })))
      .filter((steps) => {
        const rules = plannedBreaches({ ...p, budget: null }, steps).map((b) => b.rule);
        return !rules.some((r) => r === 'R2' || r === 'R3' || r === 'R9' || r === 'horizon');
      });
    stays.set(key, found);
    return found;
  });
  if (options.some((o) => o.length === 0)) return null;
  const walk = (k: number, steps: Step[]): Step[] | null => {
    if (k === options.length) return better(steps) && plannedBreaches(p, steps).length === 0 ? steps : null;
    for (const o of options[k] as Step[][]) {
      const next = [...steps, ...o];
      if (clashes(p, next)) continue;
      const found = walk(k + 1, next);
      if (found) return found;
    }
    return null;
  };
  return walk(0, []);
}

/** Two stays at once in one quarantine, or a month over its budget: what more purchases do not mend. */
function clashes(p: Problem, steps: readonly Step[]): boolean {
  const own = new Set(p.fixed.map((f) => f.wish));
  for (const a of steps)
    for (const b of steps)
      if (
        a.quarantine === b.quarantine &&
        a.buy < b.buy &&
        b.buy <= a.release &&
        !(own.has(a.wish) && own.has(b.wish))
      )
        return true;
  const { budget } = p;
  if (budget === null) return false;
  const month = (day: number) => new Date(day * 86_400_000).toISOString().slice(0, 7);
  const spent = new Map([[month(p.today), p.spentThisMonth ?? 0]]);
  const stuck = p.fixed.filter((f) => !steps.some((s) => s.wish === f.wish));
  for (const s of [...steps, ...stuck]) {
    spent.set(month(s.buy), (spent.get(month(s.buy)) ?? 0) + (p.wishes[s.wish] as Wish).price);
  }
  return steps.some(
    (s) =>
      !own.has(s.wish) &&
      (p.wishes[s.wish] as Wish).price > 0 &&
      (spent.get(month(s.buy)) ?? 0) > budget + 1e-6,
  );
}
