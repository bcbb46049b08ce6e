/** The page's end of the planner: a plan for a problem, made in a worker; another problem ends the one before. */
import { useEffect, useState } from 'react';
import type { Problem, StockingPlan } from '../../core/planner';
import type { PlanTold } from './messages';

/** @returns the plan, or null while it is made; `failed` where the worker could not be had */
export function usePlan(problem: Problem): { plan: StockingPlan | null; failed: boolean } {
  const key = JSON.stringify(problem);
  const [made, setMade] = useState<{ key: string; plan: StockingPlan | null } | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('./plan.worker.ts', window.location.href));
    worker.onmessage = ({ data }: MessageEvent<PlanTold>) => setMade({ key, plan: data.plan });
    worker.onerror = () => setMade({ key, plan: null });
    worker.postMessage({ problem: JSON.parse(key) as Problem });
    return () => worker.terminate();
  }, [key]);
  const here = made?.key === key ? made : null;
  return { plan: here?.plan ?? null, failed: here !== null && here.plan === null };
}
