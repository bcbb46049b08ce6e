/** For a wish that is left out, the smallest set of concessions with which a plan was found that has it and loses nobody else. */
import { QUARANTINE } from '../quarantine/limits';
import type { Concession } from './alternatives';
import { bestPlan } from './bought';
import type { Found } from './found';
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
  const helpedBy = (set: readonly Concession[]): Problem =>
    set.reduce((q, c) => withConcession(q, wish, c), p);
  const hasAll = (set: readonly Concession[], { steps }: Found): boolean => {
    const now = new Set(steps.map((s) => s.wish));
    const gone = set.flatMap((c) => (c.kind === 'withoutOther' ? [indexOf(p, c.wishId)] : []));
    return now.has(wish) && [...placed].every((i) => now.has(i) || gone.includes(i));
  };
  const candidates = candidatesFor(p, placed, wish);
  for (let size = 1; size <= Math.min(MOST, candidates.length); size++)
    for (const set of setsOf(candidates, size)) {
      if (!mayGoOn()) return null;
      if (hasAll(set, bestPlan(helpedBy(set), { exact: false, width: NARROW, mayGoOn })))
        return withLeastBudget(p, set, (less, isFirst) => {
          const helped = helpedBy(less);
          const asked = isFirst ? wantedFirst(helped, new Set([...placed, wish])) : helped;
          return mayGoOn() && hasAll(less, bestPlan(asked, { exact: true, width: NARROW, mayGoOn }));
        });
    }
  return null;
}

/** The same set, with no more money a month than it takes, in whole units.
 *  @param set it is enough, and would not be without the budget
 *  @param isEnough is a set, with the wish before all others who are left out, or as they are wanted? */
function withLeastBudget(
  p: Problem,
  set: readonly Concession[],
  isEnough: (set: readonly Concession[], isFirst: boolean) => boolean,
): Concession[] {
  const whole = set.find((c) => c.kind === 'budget');
  if (!whole) return [...set];
  const withBudget = (aMonth: number, isFirst: boolean): Concession[] =>
    set.map((c) => (c.kind === 'budget' ? { ...c, aMonth, isFirst } : c));
  let tooLittle = Math.floor(p.budget ?? 0);
  let enough = whole.aMonth;
  while (enough - tooLittle > 1) {
    const aMonth = Math.floor((tooLittle + enough) / 2);
    if (isEnough(withBudget(aMonth, true), true)) enough = aMonth;
    else tooLittle = aMonth;
  }
  // For the same money another who is left out may come instead.
  const asWanted = withBudget(enough, false);
  return isEnough(asWanted, false) ? asWanted : withBudget(enough, true);
}

/** Some before all others, and alike. */
const wantedFirst = (p: Problem, first: ReadonlySet<number>): Problem => ({
  ...p,
  wishes: p.wishes.map((w, i) => ({ ...w, priority: first.has(i) ? 1 : 2 })),
});

function candidatesFor(p: Problem, placed: ReadonlySet<number>, wish: number): Concession[] {
  const w = p.wishes[wish] as Wish;
  const others = p.forbidden.flatMap(([a, b]) => (a === wish ? [b] : b === wish ? [a] : []));
  return [
    ...(w.jumps && !p.hasLid ? [{ kind: 'lid' as const }] : []),
    { kind: 'quarantine' as const, line: w.line, netL: quarantineLike(p, w).netL },
    ...(p.budget === null ? [] : [enoughMoney(p, placed)]),
    ...others
      .filter((i) => placed.has(i))
      .map((i) => ({ kind: 'withoutOther' as const, wishId: (p.wishes[i] as Wish).id })),
  ];
}

/** For all who are left out, whichever of them is had first. */
function enoughMoney(p: Problem, placed: ReadonlySet<number>): Concession {
  const rest = p.wishes.reduce((sum, w, i) => sum + (placed.has(i) ? 0 : w.price), 0);
  return { kind: 'budget', aMonth: Math.ceil((p.budget ?? 0) + rest), isFirst: false };
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
