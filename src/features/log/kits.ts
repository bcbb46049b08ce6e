import { MINUTE_MS } from '../../../core/time';
import { useCallback } from 'react';
import type { Kit, Parameter } from '../../../core/document';
import { selectEvidence, useAppSelector, useNow } from '../../store';

/** The kit for a parameter: the one last used on this tank, else the first that is not put away. */
export function useKitFor(waterId: string): (p: Parameter) => Kit | undefined {
  const now = useNow(MINUTE_MS);
  const kits = useAppSelector((s) => s.document.entities.kits);
  const series = useAppSelector((s) => selectEvidence(s, waterId, now).series);
  return useCallback(
    (p) => {
      const last = series[p][series[p].length - 1]?.kit;
      if (last && !last.archived) return last;
      return Object.values(kits).find((k) => k.parameter === p && !k.archived);
    },
    [kits, series],
  );
}
