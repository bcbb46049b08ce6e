/** Ammonia as food for the bacteria on the way to a proof. A tank that must clear 2 mg/L in a day has to have oxidised several such doses before:
 *  whoever waits each time until nitrite is at zero, too, waits weeks longer than need be (science notes 6; docs/practice.md has the figures). */
import { EVIDENCE, firstAmmoniaMs, lastOf, trusted, type Point, type WaterEvidence } from '../evidence';
import { isFresh } from '../living';
import type { Statement } from '../statements';
import { HOUR_MS } from '../time';
import { RULES } from './limits';

/** What opens a gate while nitrite is left: the next dose as food where it may go in now, else what is waited for. */
export const whileNitriteIsLeft = (e: WaterEvidence, otherwise: Statement): Statement =>
  mayFeed(e) ? { code: 'doseAsFood' } : otherwise;

/** Ammonia is gone and little nitrite is left, by trusted readings that have seen the last dose; nobody lives in the water, and its school ends
 *  in a proof by a dose. */
function mayFeed(e: WaterEvidence): boolean {
  if (e.water.kind !== 'display' || e.water.school !== 'proof24' || e.residents.length > 0) return false;
  if (firstAmmoniaMs(e) === null) return false;
  const ammonia = sinceLastDose(e, lastOf(trusted(e.series.ammonia)));
  const nitrite = sinceLastDose(e, lastOf(trusted(e.series.nitrite)));
  return (
    ammonia?.zero === true &&
    nitrite !== undefined &&
    !nitrite.zero &&
    nitrite.interval.mid <= RULES.feedNitriteMgN + 1e-9
  );
}

/** A reading young enough to act on that was not taken while the last dose had hardly been stirred in. */
function sinceLastDose(e: WaterEvidence, point: Point | undefined): Point | undefined {
  const doseMs = lastOf(e.doses)?.atMs ?? -Infinity;
  const seen = point !== undefined && point.atMs - doseMs >= EVIDENCE.proofEarliestHours * HOUR_MS;
  return seen && isFresh(point, e.nowMs) ? point : undefined;
}
