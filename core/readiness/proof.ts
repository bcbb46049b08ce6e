/** The gate of the proof: by a dose while nobody lives in the water, by feeding once somebody does. */
import { lastOf, nothingLeft, proofState, trusted, zerosSince, type WaterEvidence } from '../evidence';
import { ask } from '../living';
import type { Statement } from '../statements';
import { DAY_MS, HOUR_MS } from '../time';
import { open, shut, type Verdict } from './judgement';
import { nextDoseOr } from './feeding';
import { RULES } from './limits';

export function proof(e: WaterEvidence): Verdict {
  const state = proofState(e);
  if (e.isInhabited && state.status !== 'passed') return proofByFeeding(e);
  switch (state.status) {
    case 'passed': {
      const { testAtMs, hours, doseMgNPerL } = state.proof;
      return open(testAtMs, { code: 'proofPassed', hours, mgNPerL: doseMgNPerL });
    }
    case 'running': {
      const due = e.nowMs >= state.dueMs - RULES.proofTestEarlyHours * HOUR_MS;
      const running: Statement = { code: 'proofRunning', doseMs: state.doseAtMs };
      return due
        ? shut('test', running, ask('ammonia', 'nitrite'))
        : shut('wait', running, { code: 'proofTestAt', atMs: state.dueMs });
    }
    case 'lenient':
      return shut('wait', { code: 'proofIn48', hours: state.proof.hours }, { code: 'doseAgain' });
    case 'failed':
      return shut(
        'wait',
        { code: 'proofFailed' },
        clearSince(e, state.doseAtMs) ? { code: 'doseAgain' } : nextDoseOr(e, { code: 'clearThenDose' }),
      );
    case 'faded':
      return shut(
        'wait',
        { code: 'proofFaded', atMs: state.proof.testAtMs, fedMs: state.fedMs },
        { code: 'doseAgain' },
      );
    case 'missedTest':
      return clearSince(e, state.doseAtMs)
        ? shut('wait', { code: 'proofMissed' }, { code: 'doseAgain' })
        : shut('test', { code: 'proofMissed' }, ask('ammonia', 'nitrite'));
    case 'none':
      return mayDose(e)
        ? shut('wait', { code: 'proofToCome' }, { code: 'doseForProof' })
        : shut('wait', { code: 'proofToCome' }, nextDoseOr(e, { code: 'clearThenDose' }));
  }
}

/** With corals in no dose is given: what is fed and gone on the following days stands for it. */
function proofByFeeding(e: WaterEvidence): Verdict {
  const [food] = e.events.filter(
    (x) => x.kind === 'food' && e.nowMs - Date.parse(x.at) <= RULES.livingZeroDays * DAY_MS,
  );
  const { zeros, days, sinceMs } = food
    ? zerosSince(e, Date.parse(food.at))
    : { zeros: 0, days: 0, sinceMs: null };
  if (zeros >= RULES.fedZeros && days >= RULES.fedZeroDays && sinceMs !== null)
    return open(sinceMs + RULES.fedZeroDays * DAY_MS, { code: 'fedAndClear', zeros, days });
  const wants = { wantsZeros: RULES.fedZeros, wantsDays: RULES.fedZeroDays };
  return shut('wait', { code: 'provenByFeeding', zeros, days, ...wants }, { code: 'feedAndTest' });
}

/** Both have read zero again since a dose. */
const clearSince = (e: WaterEvidence, doseMs: number): boolean =>
  nothingLeft(e) &&
  [e.series.ammonia, e.series.nitrite].every((s) => (lastOf(trusted(s))?.atMs ?? 0) > doseMs);

/** Nothing is left, as far as it was tested since the last dose: another may go in. */
const mayDose = (e: WaterEvidence): boolean => {
  const last = lastOf(e.doses);
  return nothingLeft(e) && (!last || clearSince(e, last.atMs));
};
