/** Typed hooks and the selectors that several features share. */
import { MINUTE_MS } from '../../core/time';
import { createSelector, createSelectorCreator, lruMemoize } from '@reduxjs/toolkit';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { DEFAULT_SETTINGS, inOrder, type Document, type Settings } from '../../core/document';
import { assessmentOf, type Assessment } from '../../core/readiness';
import { gatherEvidence, type WaterEvidence } from '../../core/evidence';
import type { WithKinds } from '../../core/species';
import { netVolume, type NetVolume } from '../../core/volume';
import { onPracticeClock } from './practiceClock';
import type { AppDispatch, RootState } from './store';
import { LOCAL } from './time';

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();

/** What a water is judged from. */
interface WithDocument {
  document: Pick<RootState['document'], 'entities'>;
}
export const selectDocument = (state: WithDocument): Document => state.document.entities;
/** The log as it is judged where a screen goes on meanwhile: what was just saved is shown and stored first, and judged in a task of its own that
 *  gives way. @param waterId a water that is in it in any case */
export function useLaterLog(waterId: string): WithDocument {
  const now = useAppSelector(selectDocument);
  const later = useDeferredValue(now);
  const entities = Object.hasOwn(later.waters, waterId) ? later : now;
  return useMemo(() => ({ document: { entities } }), [entities]);
}
/** The person's own kinds, for whatever looks a species up. */
export function useKinds(): WithKinds {
  const species = useAppSelector((s) => s.document.entities.species);
  return useMemo(() => ({ species }), [species]);
}
export const selectSettings = (state: RootState): Settings =>
  state.document.entities.settings.person ?? DEFAULT_SETTINGS;
/** Displays first, then what serves them, what is out of use last. */
export const selectWaters = createSelector([(s: RootState) => s.document.entities.waters], (waters) =>
  inOrder(Object.values(waters)),
);

/** The water last looked at, or the first display; undefined when there is none. */
export const selectLastWater = createSelector(
  [selectWaters, (s: RootState) => s.drafts.lastWaterId],
  (waters, id) => waters.find((t) => t.id === id) ?? waters[0],
);

const minute = (_s: WithDocument, _id: string, nowMs: number): number =>
  Math.floor(nowMs / MINUTE_MS) * MINUTE_MS;
const waterIdOf = (_s: WithDocument, id: string): string => id;

/** Answers kept: a few waters at the present minute. Minutes gone by are let go, or an idle day would hold each of them. */
const KEPT = 6;
const createBoundedSelector = createSelectorCreator({
  memoize: lruMemoize,
  memoizeOptions: { maxSize: KEPT },
  argsMemoize: lruMemoize,
  argsMemoizeOptions: { maxSize: KEPT },
});

/** What is known of a water, laid out anew once a minute at most. */
export const selectEvidence: (s: WithDocument, waterId: string, nowMs: number) => WaterEvidence =
  createBoundedSelector([selectDocument, waterIdOf, minute], (doc, id, now) =>
    gatherEvidence(doc, id, now + 59_999),
  );
/** Judgement of a water over that evidence. */
export const selectAssessment: (s: WithDocument, waterId: string, nowMs: number) => Assessment =
  createBoundedSelector([selectDocument, selectEvidence, minute], (doc, evidence, now) =>
    assessmentOf(doc, evidence, now, LOCAL),
  );
export const selectVolume: (s: RootState, waterId: string) => NetVolume = createBoundedSelector(
  [(s: RootState, id: string) => s.document.entities.waters[id]],
  (water) => {
    if (!water) throw new RangeError('"waterId" must be a water of the document');
    return netVolume(water);
  },
);

/** The present time, renewed every `everyMs`. */
export function useNow(everyMs = 30_000): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const look = () => setNow(Date.now());
    // What is drawn in slices may be drawn for a while, and a device may sleep meanwhile.
    setNow((drawn) => (Math.abs(Date.now() - drawn) < everyMs ? drawn : Date.now()));
    const timer = setInterval(look, everyMs);
    const deaf = onPracticeClock(look);
    return () => {
      clearInterval(timer);
      deaf();
    };
  }, [everyMs]);
  return now;
}
