/** Makes stocking plans off the main thread, one after the other, and tells each as soon as it is made. */
import type { Concession, Problem, StockingPlan } from '../../core/planner';
// Not by way of the room's door: behind it lies all that makes a problem from the log, which a worker would read before it begins.
import { apartOf } from '../../core/planner/apart';
import { leastToLetIn } from '../../core/planner/least';
import { EXACT_WISHES, stockingPlan } from '../../core/planner/plan';
import type { PlanAsk, PlanTold } from './messages';

/** Beyond this the best so far is given, ms. */
const MOST_MS = 4000;

/** With many wishes the reasons take a while after the search. */
const MANY_SHARE = 0.8;
/** For what would let one wish in, ms. */
const LET_MS = 1500;
/** For who could come sooner without the others of their batch, ms. */
const APART_MS = 1000;

self.onmessage = ({ data }: MessageEvent<PlanAsk>) => {
  const plans = data.asked.map(({ name, problem, plan: known }) => {
    if (known) return { problem, plan: known };
    const many = problem.wishes.length > EXACT_WISHES;
    const plan = stockingPlan(problem, within((many ? MANY_SHARE : 1) * MOST_MS));
    self.postMessage({ name, plan } satisfies PlanTold);
    return { problem, plan };
  });
  const [first] = plans;
  const wanted = data.withLets ? first : undefined;
  const apart = wanted ? apartOf(wanted.problem, wanted.plan, within(APART_MS)) : [];
  const lets = wanted ? letsOf(wanted.problem, wanted.plan) : {};
  self.postMessage({ lets, apart } satisfies PlanTold);
};

/** Asked so often that looking at the clock each time would be a fiftieth of the work. */
const EVERY = 32;

function within(ms: number): () => boolean {
  const end = performance.now() + ms;
  let asked = 0;
  let isOver = false;
  return () => {
    if (asked++ % EVERY === 0) isOver = performance.now() >= end;
    return !isOver;
  };
}

function letsOf(problem: Problem, plan: StockingPlan): Record<string, Concession[]> {
  const at = (id: string) => problem.wishes.findIndex((w) => w.id === id);
  const placed = new Set(plan.steps.map((s) => at(s.wishId)));
  return Object.fromEntries(
    plan.leftOut.flatMap((l) => {
      const least = leastToLetIn(problem, placed, at(l.wishId), within(LET_MS));
      return least ? [[l.wishId, least]] : [];
    }),
  );
}
