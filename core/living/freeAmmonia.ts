/** The toxic share of the last ammonia reading. */
import { lastOf, trusted, type Point, type WaterEvidence } from '../evidence';
import { freeAmmoniaFraction } from '../seawater';
import { DAY_MS } from '../time';
import { inRange } from './fresh';
import type { FreeAmmonia } from './judgement';
import { RULES } from './limits';

/** Free ammonia from the last ammonia reading, with pH, temperature and salinity last measured within a week; a missing pH is
 *  taken as 8.2, on the careful side, and said. Null without a reading, or where the rest is off the scale of the formula. */
export function freeAmmonia(e: WaterEvidence): FreeAmmonia | null {
  const ammonia = lastOf(e.series.ammonia);
  if (!ammonia) return null;
  const near = (points: readonly Point[]) =>
    lastOf(trusted(points).filter((p) => Math.abs(p.atMs - ammonia.atMs) <= RULES.nearDays * DAY_MS));
  const phPoint = near(e.series.ph);
  const ph = phPoint?.interval.mid ?? RULES.assumedPh;
  const tempC = near(e.series.temperature)?.interval.mid ?? RULES.assumedTempC;
  const salinity = near(e.series.salinity)?.interval.mid ?? RULES.assumedSalinity;
  if (!inRange(tempC, [10, 35]) || !inRange(ph, [4, 11]) || !inRange(salinity, [0, 45])) return null;
  const fraction = freeAmmoniaFraction(ph, tempC, salinity);
  return {
    atMs: ammonia.atMs,
    mgNPerL: ammonia.zero ? 0 : ammonia.interval.mid * fraction,
    fraction,
    ph,
    phAssumed: !phPoint,
    tempC,
    salinity,
  };
}
