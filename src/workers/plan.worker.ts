/** Makes stocking plans off the main thread, one after the other, and tells each as soon as it is made. */
import { EXACT_WISHES, stockingPlan } from '../../core/planner';
import type { PlanAsk, PlanTold } from './messages';

/** Beyond this the best so far is given, ms. */
const MOST_MS = 4000;

self.onmessage = ({ data }: MessageEvent<PlanAsk>) => {
  for (const { name, problem } of data.asked) {
    const began = performance.now();
    const many = problem.wishes.length > EXACT_WISHES;
    const plan = stockingPlan(problem, () => performance.now() - began < (many ? MANY_SHARE : 1) * MOST_MS);
    self.postMessage({ name, plan } satisfies PlanTold);
  }
};

/** With many wishes the reasons take a while after the search. */
const MANY_SHARE = 0.8;
