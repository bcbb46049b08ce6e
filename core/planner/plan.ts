/** The plan of a problem: its steps with what binds each, who is left out and why, what of the person's own steps breaks a rule, and how good it
 *  is known to be. */
import { dayFromNumber } from '../time';
import { concessionFor, type Concession } from './alternatives';
import { Ammonia, presentMgN } from './ammonia';
import { PLANNER } from './limits';
import { ammoniaOf, type Reason } from './reasons';
import { TEST_DAYS, type Problem, type QuarantineWater, type Step, type Wish } from './problem';
import { breachesOf, type Rule } from './rules';
import { bestPlan } from './bought';
import type { Found } from './found';
import { compareWorth } from './label';
import { asTold } from './told';
import { bindingOf, leftOutBy } from './why';

export interface PlannedStep {
  wishId: string;
  buyDay: string;
  quarantineId: string;
  releaseDay: string;
  testDays: string[];
  binding: Reason[];
  /** Free ammonia predicted after it, mg N/L; null where nothing can be predicted. */
  freeMgN: number | null;
}

export interface StockingPlan {
  status: 'optimal' | 'best found' | 'none';
  steps: PlannedStep[];
  leftOut: { wishId: string; rule: Rule; concession: Concession | null }[];
  /** Of steps that were bought or set: what they break in this plan, kept all the same. */
  concessions: { rule: Rule; wishIds: string[] }[];
  lastRelease: string | null;
  batches: number;
  /** What no plan can better: wishes placed by priority, and the last release of one that places as many. */
  bound: { placed: number; lastRelease: string | null; gapDays: number };
  /** The plan of a day before could be followed still, and of more wishes than can all be tried a better one was found. */
  outdoesTold?: true;
}

/** Up to so many wishes a plan is proved the best. */
export const EXACT_WISHES = PLANNER.exactWishes;
const BEAM_WIDTH = 2;
/** With more wishes, first a narrow beam, then a wide one, round after round as long as there is time. */
const NARROW = 4;
const WIDE = 32;
const LATER_ROUNDS: readonly number[] = Array.from({ length: 7 }, () => WIDE);

/** @param mayGoOn false once the time is over; up to EXACT_WISHES it is asked only where the person set a time */
export function stockingPlan(p: Problem, mayGoOn: () => boolean): StockingPlan {
  const exact = p.wishes.length <= EXACT_WISHES;
  const found = asTold(
    p,
    exact ? bestPlan(p, { exact, width: BEAM_WIDTH, mayGoOn }) : bestOfMany(p, mayGoOn),
    mayGoOn,
  );
  const { steps } = found;
  const id = (i: number) => (p.wishes[i] as Wish).id;
  const ammonia = new Ammonia(p);
  const own = new Set(p.fixed.map((f) => f.wish));
  const releases = steps.map((s) => s.release);
  const last = releases.length > 0 ? Math.max(...releases) : null;
  const placed = new Set(steps.map((s) => s.wish));
  return {
    status: steps.length === 0 ? 'none' : found.proved ? 'optimal' : 'best found',
    steps: steps.map((s) => stepOf(p, steps, s, ammonia)),
    leftOut: p.wishes.flatMap((w, i) => (placed.has(i) ? [] : [leftOut(p, steps, w, i, ammonia)])),
    // In the plan as a whole: what comes before a step that is set may be what it doubles.
    concessions: breachesOf(p, steps)
      .map((b) => ({ rule: b.rule, wishIds: b.wishes.filter((w) => own.has(w)).map(id) }))
      .filter((b) => b.wishIds.length > 0),
    lastRelease: last === null ? null : dayFromNumber(last),
    batches: new Set(steps.map((s) => `${s.quarantine} ${s.buy}`)).size,
    bound: {
      placed: found.placedAtMost.reduce((sum, n) => sum + n, 0),
      lastRelease: last === null ? null : dayFromNumber(Math.min(last, found.lastAtLeast)),
      gapDays: last === null ? 0 : Math.max(0, last - found.lastAtLeast),
    },
    ...(found.outdoesTold ? { outdoesTold: true } : {}),
  };
}

/** Load once all that have a day are in, mg N a day. */
export function endMgN(p: Problem, { steps }: StockingPlan): number {
  const placed = new Set(steps.map((s) => s.wishId));
  return p.wishes.reduce((sum, w) => sum + (placed.has(w.id) ? w.loadMgN : 0), presentMgN(p));
}

/** The narrow beam alone is done for every set of what was bought that could be left where it is, too. */
function bestOfMany(p: Problem, mayGoOn: () => boolean): Found {
  const soon = bestPlan(p, { exact: false, width: NARROW, mayGoOn });
  if (!mayGoOn()) return soon;
  const found = bestPlan(p, { exact: false, width: WIDE, wider: LATER_ROUNDS, mayGoOn });
  return compareWorth(found.worth, soon.worth) < 0 ? found : soon;
}

function leftOut(
  p: Problem,
  steps: readonly Step[],
  w: Wish,
  i: number,
  ammonia: Ammonia,
): StockingPlan['leftOut'][number] {
  const rule = leftOutBy(p, steps, i, ammonia);
  return { wishId: w.id, rule, concession: concessionFor(p, i, rule) };
}

const stepOf = (p: Problem, steps: readonly Step[], s: Step, ammonia: Ammonia): PlannedStep => ({
  wishId: (p.wishes[s.wish] as Wish).id,
  buyDay: dayFromNumber(s.buy),
  quarantineId: (p.quarantines[s.quarantine] as QuarantineWater).id,
  releaseDay: dayFromNumber(s.release),
  testDays: TEST_DAYS.map((after) => dayFromNumber(s.release + after)),
  binding: bindingOf(p, steps, s, ammonia),
  freeMgN: ammoniaOf(p, steps, s.release, ammonia),
});
