/** Whether a dose of ammonia does any good: never above about 4 mg/L in all, and only once the last one is nearly cleared. */
import type { DoseCode, StatementOf } from '../statements';
import { DOSING } from './limits';

/** What to say before a dose; null when it helps. Both in mg N/L. `doseTooMuch`: do not; `doseNotYet`: it would not help. */
export function doseGuard(riseMgNPerL: number, presentMgNPerL: number): StatementOf<DoseCode> | null {
  const after = riseMgNPerL + presentMgNPerL;
  if (after > DOSING.ceilingMgNPerL) return { code: 'doseTooMuch', mgNPerL: after };
  if (presentMgNPerL > DOSING.redoseBelowMgNPerL) return { code: 'doseNotYet', mgNPerL: presentMgNPerL };
  return null;
}
