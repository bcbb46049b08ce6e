/** For a wish that is left out, the smallest set of concessions with which a plan was found that has it and loses nobody else. */
import { QUARANTINE } from '../quarantine/limits';
import type { Concession } from './alternatives';
import { bestPlan } from './bought';
import { NEVER_DAYS, PLANNER_SHARE, setsOf, type Problem, type QuarantineWater, type Wish } from './problem';
import { USUAL_QUARANTINE } from './usual';

/** More than three at once is another tank. */
const MOST = 3;
/** A plan that is found is proof enough: a narrow search will do. */
const NARROW = 4;

/** @param placed wishes the plan has, by index
 *  @returns null where none was found, or none is in the person's hands */
export function leastToLetIn(
  p: Problem,
  placed: ReadonlySet<number>,
  wish: number,
  mayGoOn: () => boolean,
): Concession[] | null {
  const candidates = candidatesFor(p, placed, wish);
  for (let size = 1; size <= Math.min(MOST, candidates.length); size++)
    for (const set of setsOf(candidates, size)) {
      if (!mayGoOn()) return null;
      const helped = set.reduce((q, c) => withConcession(q, wish, c), p);
      const steps = bestPlan(helped, { exact: false, width: NARROW, mayGoOn }).steps;
      const now = new Set(steps.map((s) => s.wish));
      const gone = set.flatMap((c) => (c.kind === 'withoutOther' ? [indexOf(p, c.wishId)] : []));
      if (now.has(wish) && [...placed].every((i) => now.has(i) || gone.includes(i))) return set;
    }
  return null;
}

function candidatesFor(p: Problem, placed: ReadonlySet<number>, wish: number): Concession[] {
  const w = p.wishes[wish] as Wish;
  const others = p.forbidden.flatMap(([a, b]) => (a === wish ? [b] : b === wish ? [a] : []));
  return [
    ...(w.jumps && !p.hasLid ? [{ kind: 'lid' as const }] : []),
    { kind: 'quarantine' as const, line: w.line, netL: quarantineLike(p, w).netL },
    ...(p.budget === null ? [] : [{ kind: 'budget' as const, aMonth: Math.ceil(p.budget + w.price) }]),
    ...others
      .filter((i) => placed.has(i))
      .map((i) => ({ kind: 'withoutOther' as const, wishId: (p.wishes[i] as Wish).id })),
  ];
}

/** One more for its line, as large as it needs, like one that is there and takes anybody. */
function quarantineLike(p: Problem, w: Wish): QuarantineWater {
  const those = p.quarantines.filter((q) => q.totalLimitMgN > 0);
  const model = those.find((q) => q.line === w.line) ?? those[0] ?? USUAL_QUARANTINE;
  const netL = Math.max(QUARANTINE.leastL, Math.ceil(w.loadMgN / (PLANNER_SHARE * model.totalLimitMgN)));
  return { ...model, id: `${w.id}-own`, line: w.line, netL };
}

function withConcession(p: Problem, wish: number, c: Concession): Problem {
  const w = p.wishes[wish] as Wish;
  switch (c.kind) {
    case 'lid':
      return { ...p, hasLid: true };
    case 'quarantine':
      return { ...p, quarantines: [...p.quarantines, quarantineLike(p, w)] };
    case 'budget':
      return { ...p, budget: c.aMonth };
    case 'withoutOther': {
      const other = indexOf(p, c.wishId);
      return {
        ...p,
        wishes: p.wishes.map((x, i) => (i === other ? { ...x, needsTankDays: NEVER_DAYS } : x)),
      };
    }
    case 'laterPlan':
    case 'gate':
      return p;
  }
}

const indexOf = (p: Problem, id: string): number => p.wishes.findIndex((w) => w.id === id);
