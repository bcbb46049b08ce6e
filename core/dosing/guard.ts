/** Whether a dose of ammonia does any good: never above about 4 mg/L in all, and only once the last one is nearly cleared. */
import { formatDecimal } from '../units/number';
import { fromMgNPerL } from '../units/nitrogen';
import { DOSE_CEILING_MG_N_PER_L } from './ammonia';

/** With more than this left, mg N/L (0.5 mg/L as NH4), another dose only lengthens the wait: the bacteria already eat as fast as they can. */
export const REDOSE_BELOW_MG_N_PER_L = 0.5 / 1.2878;

export interface DoseGuard {
  /** `tooMuch`: do not; `notYet`: it would not help. */
  kind: 'tooMuch' | 'notYet';
  text: string;
}

/** What to say before a dose; null when it helps. Both in mg N/L. */
export function doseGuard(riseMgNPerL: number, presentMgNPerL: number): DoseGuard | null {
  const shown = (x: number) => formatDecimal(fromMgNPerL('ammonia', 'ion', x), 1);
  if (riseMgNPerL + presentMgNPerL > DOSE_CEILING_MG_N_PER_L) {
    return { kind: 'tooMuch', text: `That would make about ${shown(riseMgNPerL + presentMgNPerL)} mg/L; above 4 to 5 the second bacteria are held back. Dose less, or wait.` };
  }
  if (presentMgNPerL > REDOSE_BELOW_MG_N_PER_L) {
    return { kind: 'notYet', text: `There is still about ${shown(presentMgNPerL)} mg/L to clear: a dose now adds to the wait, not to the growth. It helps once ammonia reads zero.` };
  }
  return null;
}
