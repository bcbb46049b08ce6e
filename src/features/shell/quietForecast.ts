/** The forecast that screens ask for in passing: worked out quietly, kept with the identity of the log, and read from there. */
import { useCallback } from 'react';
import type { Answer } from '../../../core/forecast';
import type { AdditionPeaks } from '../../../core/stocking';
import { DAY_MS } from '../../../core/time';
import { expectedWords } from '../../../core/words/forecast';
import { forecastKept, selectDocument, useAppDispatch, useAppSelector, type KeptForecast } from '../../store';
import type { KeptAnswer } from '../../store/answers';
import { keepDates, keepForecast } from '../../store/said';
import { useQuietForecast } from '../../workers';

/** What is kept of an answer: the two dates Today speaks of, the test that tells most, what an addition would do, what
 *  surprised. */
export function keptOf(inputs: string, a: Answer): KeptForecast {
  if (a.status === 'cannotSay') return { inputs, cannotSay: true };
  return {
    inputs,
    atMs: a.atMs,
    horizonDays: a.forecast.horizonDays,
    proved: a.proved,
    ready: a.forecast.ready,
    bothClear: a.forecast.nitriteClear,
    luck: { ready: a.forecast.luck.ready, bothClear: a.forecast.luck.bothClear },
    nextTest: a.nextTest,
    additions: { addedMgN: [...a.additions.addedMgN], peakMgN: [...a.additions.peakMgN] },
    surprises: a.surprises.map((s) => ({
      what: s.what,
      atMs: a.startMs + s.day * DAY_MS,
      expected: expectedWords(s),
    })),
  };
}

/** What is kept of a water's forecast when it is that of the log as it stands; worked out meanwhile where it is not. */
export type QuietForecast =
  { kind: 'off' } | { kind: 'working' } | { kind: 'said'; said: Extract<KeptForecast, { atMs: number }> };

export function useKeptForecast(waterId: string, now: number, on: boolean): QuietForecast {
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const kept = useAppSelector((s) => s.drafts.forecasts[waterId]);
  const looked = useAppSelector((s) => s.drafts.read);
  const onAnswer = useCallback(
    (inputs: string, answer: Answer) => {
      dispatch(forecastKept({ waterId, forecast: keptOf(inputs, answer) }));
      // Now, not with the courses some seconds later: a page closed meanwhile would leave the day without what was said.
      if (answer.status === 'ok') void dispatch(keepDates(waterId, answer));
    },
    [dispatch, waterId],
  );
  const onSettled = useCallback(
    (whole: KeptAnswer) => void dispatch(keepForecast(waterId, whole)),
    [dispatch, waterId],
  );
  const inputs = useQuietForecast({ doc, waterId, nowMs: now, on: on && looked, kept, onAnswer, onSettled });
  if (on && !looked) return { kind: 'working' };
  if (inputs === null) return { kind: 'off' };
  if (kept?.inputs !== inputs) return { kind: 'working' };
  // One of some hours ago stands until the next is there.
  return 'atMs' in kept ? { kind: 'said', said: kept } : { kind: 'off' };
}

/** What additions to a water would do to its ammonia; null until it is worked out, or where nothing can be said. */
export function useAdditionPeaks(waterId: string, now: number, on = true): AdditionPeaks | null {
  const state = useKeptForecast(waterId, now, on);
  return state.kind === 'said' ? state.said.additions : null;
}
