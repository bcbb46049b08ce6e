/** Ammonia as food for the bacteria on the way to a proof. A tank that must clear 2 mg/L in a day has to have oxidised several such doses before:
 *  whoever waits each time until nitrite is at zero, too, waits weeks longer than need be (science notes 6; docs/practice.md has the figures). */
import { EVIDENCE, firstAmmoniaMs, lastOf, trusted, type Point, type WaterEvidence } from '../evidence';
import { isFresh } from '../living';
import type { Statement } from '../statements';
import { HOUR_MS } from '../time';
import { RULES } from './limits';

/** What asks for ammonia in the water now. */
export const ASKS_FOR_DOSE: readonly Statement['code'][] = [
  'addAmmonia',
  'doseForProof',
  'doseForSecondZero',
  'doseAgain',
  'doseAsFood',
];

/** What opens a gate on the way to a proof: the next dose where it may go in now, else what is waited for. Where both read zero the test a day
 *  after it is their second clear one and the proof in one: no day is waited out unfed. */
export function nextDoseOr(e: WaterEvidence, otherwise: Statement): Statement {
  if (!endsInProof(e)) return otherwise;
  const ammonia = sinceLastDose(e, lastOf(trusted(e.series.ammonia)));
  const nitrite = sinceLastDose(e, lastOf(trusted(e.series.nitrite)));
  if (!ammonia || ammonia.interval.mid > RULES.feedAmmoniaMgN + 1e-9) return otherwise;
  if (!nitrite || nitrite.interval.mid > RULES.feedNitriteMgN + 1e-9) return otherwise;
  return { code: ammonia.zero && nitrite.zero ? 'doseForSecondZero' : 'doseAsFood' };
}

/** The newest readings are so low that the next evening may be the one on which the next dose goes in: tested daily no day is lost. */
export function doseIsNear(e: WaterEvidence): boolean {
  const ammonia = lastOf(trusted(e.series.ammonia));
  const nitrite = lastOf(trusted(e.series.nitrite));
  return (
    endsInProof(e) &&
    ammonia !== undefined &&
    nitrite !== undefined &&
    ammonia.interval.mid <= RULES.nearAmmoniaMgN + 1e-9 &&
    nitrite.interval.mid <= RULES.nearNitriteMgN + 1e-9
  );
}

/** Nobody lives in the water, ammonia has been in it, and its school ends in a proof by a dose. */
const endsInProof = (e: WaterEvidence): boolean =>
  e.water.kind === 'display' && e.water.school === 'proof24' && !e.isInhabited && firstAmmoniaMs(e) !== null;

/** A reading young enough to act on that was not taken while the last dose had hardly been stirred in. */
function sinceLastDose(e: WaterEvidence, point: Point | undefined): Point | undefined {
  const doseMs = lastOf(e.doses)?.atMs ?? -Infinity;
  const seen = point !== undefined && point.atMs - doseMs >= EVIDENCE.proofEarliestHours * HOUR_MS;
  return seen && isFresh(point, e.nowMs) ? point : undefined;
}
