import { MINUTE_MS } from '../../../core/time';
import { useMemo } from 'react';
import type { Water } from '../../../core/document';
import {
  clockTime,
  localDay,
  newId,
  selectDocument,
  selectEvidence,
  selectVolume,
  shortWrittenDay,
  useAppSelector,
  useNow,
} from '../../store';
import { useUnits } from '../shell';
import type { ToolContext } from '../../../core/bench';

/** What the tools start from; without a tank only the person's units and the fields. */
export function useToolContext(water: Water | null): ToolContext {
  const now = useNow(MINUTE_MS);
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const volume = useAppSelector((s) => (water ? selectVolume(s, water.id) : null));
  const evidence = useAppSelector((s) => (water ? selectEvidence(s, water.id, now) : null));
  return useMemo(
    () => ({
      water,
      volume,
      evidence,
      doc,
      units,
      nowMs: now,
      today: localDay(now),
      newId,
      dayLabel: shortWrittenDay,
      clockLabel: clockTime,
    }),
    [water, volume, evidence, doc, units, now],
  );
}
