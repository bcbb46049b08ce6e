/** The page's end of the planner: plans for problems, made in a worker; other problems end the ones before. A worker that has made its plans makes the
 *  next, too: its code is fast by then. */
import { startTransition, useEffect, useRef, useState } from 'react';
import type { Concession, StockingPlan } from '../../core/planner';
import type { PlanAsk, PlanTold } from './messages';

export interface Plans {
  /** By the name each was asked under, as far as they are made. */
  made: Readonly<Record<string, StockingPlan>>;
  /** By wish that is left out, what together would let it in; known last. */
  lets: Readonly<Record<string, readonly Concession[]>>;
  /** The worker could not be had. */
  failed: boolean;
}

const NONE: Plans = { made: {}, lets: {}, failed: false };

/** @param asked in the order they are wanted */
export function usePlans(asked: PlanAsk['asked']): Plans {
  const key = JSON.stringify(asked);
  const [told, setTold] = useState<{ key: string; plans: Plans }>({ key, plans: NONE });
  const idle = useRef<Worker | null>(null);
  useEffect(() => {
    const worker = idle.current ?? new Worker(new URL('./plan.worker.ts', window.location.href));
    idle.current = null;
    let isDone = false;
    // A plan is a long page to draw: in slices, so that a touch comes through.
    const put = (change: (plans: Plans) => Plans) =>
      startTransition(() => setTold((was) => ({ key, plans: change(was.key === key ? was.plans : NONE) })));
    worker.onmessage = ({ data }: MessageEvent<PlanTold>) => {
      isDone = 'lets' in data;
      put((plans) =>
        'lets' in data
          ? { ...plans, lets: data.lets }
          : { ...plans, made: { ...plans.made, [data.name]: data.plan } },
      );
    };
    worker.onerror = () => put((plans) => ({ ...plans, failed: true }));
    worker.postMessage({ asked: JSON.parse(key) as PlanAsk['asked'] } satisfies PlanAsk);
    return () => {
      if (isDone) idle.current = worker;
      else worker.terminate();
    };
  }, [key]);
  useEffect(() => () => idle.current?.terminate(), []);
  return told.key === key ? told.plans : NONE;
}
