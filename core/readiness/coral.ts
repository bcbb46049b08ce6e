/** The judgement for a coral: hardly any load, so nitrite does not stop it, but steady water does. */
import type { Parameter } from '../document';
import {
  firstAmmoniaMs,
  lastOf,
  proofState,
  riseOf,
  spanOf,
  toldRiseMs,
  trusted,
  type DisplayEvidence,
} from '../evidence';
import { DAY_MS } from '../time';
import { ask, inRange, isFresh } from '../living';
import { seaWater } from './cycle';
import { isTransfer } from './found';
import type { Statement } from '../statements';
import type { Judgement } from './judgement';
import { RULES } from './limits';

const NEEDED: readonly Parameter[] = ['temperature', 'salinity', 'alkalinity', 'ammonia'];

export function coralJudgement(e: DisplayEvidence): Judgement {
  const water = seaWater(e);
  if (water.passedMs === null) return { word: water.word, reason: water.finding, opens: water.opens };
  const missing = NEEDED.filter((p) => !isFresh(lastOf(trusted(e.series[p])), e.nowMs));
  if (missing.length > 0) {
    return { word: 'test', reason: { code: 'coralUnmeasured', parameters: missing }, opens: ask(...missing) };
  }
  const unsteady = alkalinityJudgement(e);
  if (unsteady) return unsteady;
  const ammonia = lastOf(trusted(e.series.ammonia));
  const testedMs = ammonia?.atMs ?? 0;
  if (e.doses.some((d) => d.atMs >= testedMs)) {
    return { word: 'test', reason: { code: 'dosedSinceTest' }, opens: ask('ammonia') };
  }
  if (!ammonia?.zero) {
    return { word: 'wait', reason: { code: 'coralAmmonia' }, opens: { code: 'ammoniaZeroAgain' } };
  }
  const cycled =
    Number.isFinite(toldRiseMs(e)) ||
    riseOf(e) !== null ||
    (firstAmmoniaMs(e) !== null && e.events.some(isTransfer));
  if (!cycled && e.water.school !== 'coralsFirst') {
    return { word: 'wait', reason: { code: 'zeroMeansNothing' }, opens: { code: 'addAmmonia' } };
  }
  const proofAhead = e.water.school === 'proof24' && !e.isInhabited;
  const proof = proofState(e);
  if (proofAhead && proof.status !== 'passed') {
    // A dose that went in is tested, not given again.
    const opens: Statement =
      proof.status === 'running' ? { code: 'proofTestAt', atMs: proof.dueMs } : { code: 'doseForProof' };
    return { word: 'wait', reason: { code: 'coralBeforeDose' }, opens };
  }
  return { word: 'goSmall', reason: { code: 'coralOne' }, opens: { code: 'addCoral' } };
}

/** What speaks against a coral in the alkalinity of the last two weeks; null when it is in range and steady. */
function alkalinityJudgement(e: DisplayEvidence): Judgement | null {
  const sinceMs = e.nowMs - RULES.alkalinitySteadyDays * DAY_MS;
  const lately = spanOf(trusted(e.series.alkalinity), sinceMs).map((p) => p.interval.mid);
  const alkalinity = lastOf(lately) ?? 0;
  if (!inRange(alkalinity, [RULES.alkalinityMin, RULES.alkalinityMax])) {
    return {
      word: 'wait',
      reason: { code: 'coralAlkalinity', alkalinity },
      opens: { code: 'raiseAlkalinity' },
    };
  }
  if (lately.length < 2) {
    return { word: 'test', reason: { code: 'coralOneAlkalinity' }, opens: ask('alkalinity') };
  }
  const spread = Math.max(...lately) - Math.min(...lately);
  if (spread > RULES.alkalinitySpread) {
    return { word: 'wait', reason: { code: 'coralUnsteady', spread }, opens: { code: 'steadyAlkalinity' } };
  }
  return null;
}
