import { useCallback, useEffect, useRef, useState } from 'react';
import type { Document } from '../../../core/document';
import type { Answer, PlanChoice, WhatIf } from '../../../core/forecast';
import { forecastClient, type ForecastClient, type Told } from '../../workers';
import { plannedLoad, sliceFor } from './model';

export type ForecastState =
  | { kind: 'idle' }
  | { kind: 'running'; done: number }
  | { kind: 'answered'; answer: Answer; whatIfs: WhatIf[] | null; varying: boolean }
  | { kind: 'stopped' }
  | { kind: 'failed'; message: string };

/** Results by what they came from: the same readings under the same plan are not fitted twice while the page is open. */
const kept = new Map<string, Answer>();
const KEEP = 12;

/** Identity of the inputs: what the fit reads of the document, the plan, the hour. */
export function signatureOf(slice: Document, tankId: string, plan: PlanChoice, atMs: number): string {
  const parts = [slice.samples, slice.events, slice.animals].map((list) => Object.values(list).map((e) => `${e.id}:${JSON.stringify(e).length}:${'editedAt' in e ? (e.editedAt ?? '') : ''}`).join(','));
  return [tankId, plan, Math.floor(atMs / 3_600_000), JSON.stringify(slice.tanks[tankId] ?? null), JSON.stringify(slice.kits).length, ...parts].join('|');
}

/** Asks the worker on demand; a change of plan or readings makes the old answer stale. */
export function useForecast(doc: Document, tankId: string, plan: PlanChoice, nowMs: number) {
  const [state, setState] = useState<ForecastState>({ kind: 'idle' });
  const client = useRef<ForecastClient | null>(null);
  const signature = useRef('');
  const hear = useCallback((told: Told) => {
    setState((was) => {
      switch (told.kind) {
        case 'progress':
          return { kind: 'running', done: told.done };
        case 'answer':
          kept.set(signature.current, told.answer);
          for (const key of [...kept.keys()].slice(0, Math.max(0, kept.size - KEEP))) kept.delete(key);
          return { kind: 'answered', answer: told.answer, whatIfs: null, varying: false };
        case 'whatIf':
          return was.kind === 'answered' ? { ...was, whatIfs: told.list, varying: !told.complete } : was;
        case 'failed':
          return { kind: 'failed', message: told.message };
      }
    });
  }, []);
  useEffect(() => {
    const made = forecastClient(hear);
    client.current = made;
    return () => made.stop();
  }, [hear]);
  const run = useCallback(() => {
    const slice = sliceFor(doc, tankId);
    signature.current = signatureOf(slice, tankId, plan, nowMs);
    setState({ kind: 'running', done: 0 });
    client.current?.ask(slice, { tankId, atMs: nowMs, seed: 1, horizonDays: 90, plan, loadMgN: plannedLoad(doc, tankId).mgN });
  }, [doc, tankId, plan, nowMs]);
  const stop = useCallback(() => {
    client.current?.stop();
    setState({ kind: 'stopped' });
  }, []);
  const vary = useCallback(() => {
    setState((was) => (was.kind === 'answered' ? { ...was, whatIfs: [], varying: true } : was));
    client.current?.whatIf();
  }, []);
  return { state, run, stop, vary };
}
