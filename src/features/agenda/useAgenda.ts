import { useMemo } from 'react';
import { useStore } from 'react-redux';
import { agendaOf, type AgendaItem } from '../../../core/agenda';
import { addDays, MINUTE_MS } from '../../../core/time';
import {
  LOCAL,
  localDay,
  selectAssessment,
  selectDocument,
  selectEvidence,
  useAppSelector,
  useNow,
} from '../../store';

type State = Parameters<typeof selectDocument>[0];

/** Everything due up to so many days ahead. */
export function useAgenda(days: number): { items: AgendaItem[]; nowMs: number; today: string } {
  const nowMs = useNow(10 * MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const { getState } = useStore<State>();
  return useMemo(() => {
    const today = localDay(nowMs);
    const items = agendaOf(
      doc,
      {
        nowMs,
        local: LOCAL,
        evidenceOf: (id) => selectEvidence(getState(), id, nowMs),
        assessmentOf: (id) => selectAssessment(getState(), id, nowMs),
      },
      addDays(today, days),
    );
    return { items, nowMs, today };
  }, [doc, nowMs, days, getState]);
}
