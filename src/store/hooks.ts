/** Typed hooks and the selectors that several features share. */
import { MINUTE_MS } from '../../core/time';
import { createSelector, createSelectorCreator, lruMemoize } from '@reduxjs/toolkit';
import { useEffect, useState } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { DEFAULT_SETTINGS, type Document, type Settings, type Tank } from '../../core/document';
import { assess, type Assessment } from '../../core/readiness';
import { gatherEvidence, type TankEvidence } from '../../core/evidence';
import { netVolume, type NetVolume } from '../../core/volume';
import type { AppDispatch, RootState } from './store';

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();

export const selectDocument = (state: RootState): Document => state.document.entities;
export const selectSettings = (state: RootState): Settings =>
  state.document.entities.settings.person ?? DEFAULT_SETTINGS;
export const selectTanks = createSelector([(s: RootState) => s.document.entities.tanks], (tanks): Tank[] =>
  Object.values(tanks).sort((a, b) =>
    a.startDay < b.startDay ? -1 : a.startDay > b.startDay ? 1 : a.name < b.name ? -1 : 1,
  ),
);

/** The tank last looked at, or the oldest; undefined when there is none. */
export const selectLastTank = createSelector(
  [selectTanks, (s: RootState) => s.drafts.lastTankId],
  (tanks, id) => tanks.find((t) => t.id === id) ?? tanks[0],
);

const minute = (_s: RootState, _id: string, nowMs: number): number =>
  Math.floor(nowMs / MINUTE_MS) * MINUTE_MS;
const tankIdOf = (_s: RootState, id: string): string => id;

/** Answers kept: a few tanks at the present minute. Minutes gone by are let go, or an idle day would hold each of them. */
const KEPT = 6;
const createBoundedSelector = createSelectorCreator({
  memoize: lruMemoize,
  memoizeOptions: { maxSize: KEPT },
  argsMemoize: lruMemoize,
  argsMemoizeOptions: { maxSize: KEPT },
});

/** What is known of a tank, laid out anew once a minute at most. */
export const selectEvidence: (s: RootState, tankId: string, nowMs: number) => TankEvidence =
  createBoundedSelector([selectDocument, tankIdOf, minute], (doc, id, now) =>
    gatherEvidence(doc, id, now + 59_999),
  );
/** Judgement of a tank over that evidence. */
export const selectAssessment: (s: RootState, tankId: string, nowMs: number) => Assessment =
  createBoundedSelector([selectEvidence], (evidence) => assess(evidence));
export const selectVolume: (s: RootState, tankId: string) => NetVolume = createBoundedSelector(
  [(s: RootState, id: string) => s.document.entities.tanks[id]],
  (tank) => {
    if (!tank) throw new RangeError('"tankId" must be a tank of the document');
    return netVolume(tank);
  },
);

/** The present time, renewed every `everyMs`. */
export function useNow(everyMs = 30_000): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
