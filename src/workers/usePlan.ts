/** The page's end of the planner: plans for problems, made in a worker; other problems end the ones before. */
import { useEffect, useState } from 'react';
import type { StockingPlan } from '../../core/planner';
import type { PlanAsk, PlanTold } from './messages';

export interface Plans {
  /** By the name each was asked under, as far as they are made. */
  made: Readonly<Record<string, StockingPlan>>;
  /** The worker could not be had. */
  failed: boolean;
}

const NONE: Plans = { made: {}, failed: false };

/** @param asked in the order they are wanted */
export function usePlans(asked: PlanAsk['asked']): Plans {
  const key = JSON.stringify(asked);
  const [told, setTold] = useState<{ key: string; plans: Plans }>({ key, plans: NONE });
  useEffect(() => {
    const worker = new Worker(new URL('./plan.worker.ts', window.location.href));
    const put = (change: (plans: Plans) => Plans) =>
      setTold((was) => ({ key, plans: change(was.key === key ? was.plans : NONE) }));
    worker.onmessage = ({ data }: MessageEvent<PlanTold>) =>
      put((plans) => ({ ...plans, made: { ...plans.made, [data.name]: data.plan } }));
    worker.onerror = () => put((plans) => ({ ...plans, failed: true }));
    worker.postMessage({ asked: JSON.parse(key) as PlanAsk['asked'] } satisfies PlanAsk);
    return () => worker.terminate();
  }, [key]);
  return told.key === key ? told.plans : NONE;
}
