/** Makes a stocking plan off the main thread: one problem, one plan. */
import { EXACT_WISHES, stockingPlan } from '../../core/planner';
import type { PlanAsk, PlanTold } from './messages';

/** Beyond these the best so far is given, ms. */
const EXACT_MS = 4000;
const MANY_MS = 4000;

self.onmessage = ({ data }: MessageEvent<PlanAsk>) => {
  const began = performance.now();
  const most = data.problem.wishes.length <= EXACT_WISHES ? EXACT_MS : MANY_MS;
  const plan = stockingPlan(data.problem, () => performance.now() - began < most);
  self.postMessage({ plan } satisfies PlanTold);
};
