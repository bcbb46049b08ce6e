/** The page's end of the planner: plans for problems, made in a worker; other problems end the ones before. A worker that has made its plans makes the
 *  next, on whatever page it is asked for: its code is fast by then. What was planned is not planned again. */
import { startTransition, useEffect, useMemo, useState } from 'react';
import type { Apart, Concession, Problem, StockingPlan } from '../../core/planner';
import type { PlanAsk, PlanTold } from './messages';

export interface Plans {
  /** By the name each was asked under, as far as they are made. */
  made: Readonly<Record<string, StockingPlan>>;
  /** By wish that is left out, what together would let it in; known last. */
  lets: Readonly<Record<string, readonly Concession[]>>;
  /** Who of the first plan's batches could come sooner by themselves; known last. */
  apart: readonly Apart[];
  /** The worker could not be had. */
  failed: boolean;
}

type Asked = readonly { name: string; problem: Problem }[];

/** One that has told all, for whoever asks next. */
let idle: Worker | null = null;
/** By problem, of which alone a plan hangs, the plans that were made last. */
const plans = new Map<string, StockingPlan>();
/** As many as a page asks for, of a few waters. */
const KEPT = 16;

function keep(problem: string, plan: StockingPlan): void {
  plans.delete(problem);
  plans.set(problem, plan);
  const [oldest] = plans.keys();
  if (plans.size > KEPT && oldest !== undefined) plans.delete(oldest);
}

/** What is known of what is asked. */
function knownOf(asked: Asked): Plans {
  const made: Record<string, StockingPlan> = {};
  for (const { name, problem } of asked) {
    const plan = plans.get(JSON.stringify(problem));
    if (plan) made[name] = plan;
  }
  return { made, lets: {}, apart: [], failed: false };
}

/** Forgets all plans, and ends the worker that waits. */
export function closePlanner(): void {
  idle?.terminate();
  idle = null;
  plans.clear();
}

/** @param asked in the order they are wanted
 *  @param withLets whether it is also wanted what would let in whoever the first leaves out, and who of it could come sooner apart */
export function usePlans(asked: Asked, withLets = true): Plans {
  const key = JSON.stringify(asked);
  const known = useMemo(() => knownOf(JSON.parse(key) as Asked), [key]);
  const [told, setTold] = useState({ key, plans: known });
  useEffect(() => {
    const wanted = JSON.parse(key) as Asked;
    const isKnown = wanted.every(({ name }) => name in known.made);
    if (wanted.length === 0 || (isKnown && !withLets)) return;
    const worker = idle ?? new Worker(new URL('./plan.worker.ts', window.location.href));
    idle = null;
    let isDone = false;
    // A plan is a long page to draw: in slices, so that a touch comes through.
    const put = (change: (plans: Plans) => Plans) =>
      startTransition(() => setTold((was) => ({ key, plans: change(was.key === key ? was.plans : known) })));
    worker.onmessage = ({ data }: MessageEvent<PlanTold>) => {
      if ('lets' in data) {
        isDone = true;
        if (idle === null) idle = worker;
        else worker.terminate();
        put((plans) => ({ ...plans, lets: data.lets, apart: data.apart }));
        return;
      }
      const { name, plan } = data;
      keep(JSON.stringify(wanted.find((a) => a.name === name)?.problem), plan);
      put((plans) => ({ ...plans, made: { ...plans.made, [name]: plan } }));
    };
    worker.onerror = () => put((plans) => ({ ...plans, failed: true }));
    const ask = wanted.map((a) => ({ ...a, plan: known.made[a.name] ?? null }));
    worker.postMessage({ asked: ask, withLets } satisfies PlanAsk);
    return () => {
      if (!isDone) worker.terminate();
    };
  }, [key, known, withLets]);
  return told.key === key ? told.plans : known;
}
