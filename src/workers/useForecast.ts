import { HOUR_MS } from '../../core/time';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Document } from '../../core/document';
import {
  inputsOf,
  plannedLoad,
  sliceFor,
  type Answer,
  type PlanChoice,
  type WhatIf,
} from '../../core/forecast';
import { forecastClient, type ForecastClient } from './forecastClient';
import type { Told } from './messages';

export type ForecastState =
  | { kind: 'idle' }
  | { kind: 'running'; done: number }
  | { kind: 'answered'; answer: Answer; whatIfs: WhatIf[] | null; varying: boolean }
  | { kind: 'stopped' }
  | { kind: 'failed'; message: string };

const HORIZON_DAYS = 90;
const SEED = 1;

/** Asked as of the coming full hour, so that two screens that ask within the same hour get the same answer; what was logged so far counts. */
const asOf = (nowMs: number): number => Math.ceil(nowMs / HOUR_MS) * HOUR_MS;

const questionFor = (doc: Document, waterId: string, plan: PlanChoice, nowMs: number) => ({
  waterId,
  atMs: asOf(nowMs),
  seed: SEED,
  horizonDays: HORIZON_DAYS,
  plan,
  loadMgN: plannedLoad(doc, waterId).mgN,
});

/** Asks the worker on demand. */
export function useForecast(doc: Document, waterId: string, nowMs: number) {
  const [state, setState] = useState<ForecastState>({ kind: 'idle' });
  const client = useRef<ForecastClient | null>(null);
  const hear = useCallback((told: Told) => {
    setState((was) => {
      switch (told.kind) {
        case 'progress':
          return { kind: 'running', done: told.done };
        case 'answer':
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
  const run = useCallback(
    (plan: PlanChoice) => {
      setState({ kind: 'running', done: 0 });
      client.current?.ask(sliceFor(doc, waterId), questionFor(doc, waterId, plan, nowMs));
    },
    [doc, waterId, nowMs],
  );
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

/** A log larger than this is no cycle any more; reading it for its identity would take too long for a screen that waits for nobody. */
const MOST_ENTRIES = 1500;
/** The screen stands first. */
const PAUSE_MS = 700;

/** Works the forecast out by itself, once the screen has been standing for a moment, when nothing is kept for these inputs. Silent on
 *  failure: it is an addition, and the forecast's own page says what went wrong. Returns the inputs' identity, null while off. */
export function useQuietForecast(o: {
  doc: Document;
  waterId: string;
  nowMs: number;
  on: boolean;
  keptInputs: string | null;
  onAnswer: (inputs: string, answer: Answer) => void;
}): string | null {
  const { doc, waterId, nowMs, on, keptInputs, onAnswer } = o;
  const hour = asOf(nowMs);
  const asked = useMemo(() => {
    if (!on) return null;
    const slice = sliceFor(doc, waterId);
    if (Object.keys(slice.samples).length + Object.keys(slice.events).length > MOST_ENTRIES) return null;
    return { slice, inputs: inputsOf(slice, 'asSoFar', hour) };
  }, [doc, waterId, hour, on]);
  const tell = useRef(onAnswer);
  useEffect(() => {
    tell.current = onAnswer;
  }, [onAnswer]);
  useEffect(() => {
    if (!asked || asked.inputs === keptInputs) return;
    const client = forecastClient((told) => {
      if (told.kind === 'answer') tell.current(asked.inputs, told.answer);
    });
    const timer = setTimeout(
      () => client.ask(asked.slice, questionFor(asked.slice, waterId, 'asSoFar', hour)),
      PAUSE_MS,
    );
    return () => {
      clearTimeout(timer);
      client.stop();
    };
  }, [asked, keptInputs, waterId, hour]);
  return asked?.inputs ?? null;
}
