/** The toxic share of ammonia: as a monitor of free ammonia shows it, or reckoned from the total. */
import { lastOf, spanOf, trusted, type Point, type WaterEvidence } from '../evidence';
import { freeAmmoniaFraction } from '../seawater';
import { DAY_MS, HOUR_MS } from '../time';
import { inRange } from './fresh';
import { LIVING } from './limits';

export interface FreeAmmonia {
  atMs: number;
  /** mg NH3-N/L. */
  mgNPerL: number;
  /** True where a monitor of free ammonia showed it; else it is reckoned from the total. */
  measured: boolean;
  fraction: number;
  ph: number;
  phAssumed: boolean;
  tempC: number;
  salinity: number;
}

/** Free ammonia by the newest reading of either quantity; of two of one time the higher. A missing pH is taken as 8.3, on the careful side,
 *  and said. Null without a reading, or where the rest is off the scale of the formula. */
export function freeAmmonia(e: WaterEvidence): FreeAmmonia | null {
  const total = reckoned(e);
  const free = lastOf(trusted(e.series.freeAmmonia));
  if (!free) return total;
  const shares = sharesAt(e, free.atMs);
  if (!shares) return null;
  const shown = { ...shares, atMs: free.atMs, mgNPerL: free.zero ? 0 : free.interval.mid, measured: true };
  if (!total || total.atMs < free.atMs) return shown;
  return total.atMs === free.atMs && shown.mgNPerL > total.mgNPerL ? shown : total;
}

function reckoned(e: WaterEvidence): FreeAmmonia | null {
  const ammonia = lastOf(trusted(e.series.ammonia));
  if (!ammonia) return null;
  const shares = sharesAt(e, ammonia.atMs);
  if (!shares) return null;
  return {
    ...shares,
    atMs: ammonia.atMs,
    mgNPerL: ammonia.zero ? 0 : ammonia.interval.mid * shares.fraction,
    measured: false,
  };
}

/** What the free share depends on at a moment. Null off the scale of the formula. */
export function sharesAt(
  e: WaterEvidence,
  atMs: number,
): Pick<FreeAmmonia, 'fraction' | 'ph' | 'phAssumed' | 'tempC' | 'salinity'> | null {
  const near = (points: readonly Point[]) =>
    spanOf(trusted(points), atMs - LIVING.nearDays * DAY_MS, atMs + LIVING.nearDays * DAY_MS);
  const phs = near(e.series.ph);
  const same = lastOf(phs.filter((p) => Math.abs(p.atMs - atMs) <= LIVING.sameTimeHours * HOUR_MS));
  const ph = same?.interval.mid ?? (phs.length > 0 ? Math.max(...phs.map((p) => p.interval.mid)) : null);
  const tempC = lastOf(near(e.series.temperature))?.interval.mid ?? LIVING.assumedTempC;
  const salinity = lastOf(near(e.series.salinity))?.interval.mid ?? LIVING.assumedSalinity;
  const taken = ph ?? LIVING.assumedPh;
  if (!inRange(tempC, [10, 35]) || !inRange(taken, [4, 11]) || !inRange(salinity, [0, 45])) return null;
  const fraction = freeAmmoniaFraction(taken, tempC, salinity);
  return { fraction, ph: taken, phAssumed: ph === null, tempC, salinity };
}

/** Free ammonia of the last sittings, oldest first: measured, or reckoned from each total with what was read near it. */
export function freeCourse(e: WaterEvidence, sinceMs: number): { atMs: number; mgNPerL: number }[] {
  const measured = spanOf(trusted(e.series.freeAmmonia), sinceMs).map((p) => ({
    atMs: p.atMs,
    mgNPerL: p.zero ? 0 : p.interval.mid,
  }));
  const reckonedCourse = spanOf(trusted(e.series.ammonia), sinceMs).flatMap((p) => {
    const shares = sharesAt(e, p.atMs);
    return shares ? [{ atMs: p.atMs, mgNPerL: p.zero ? 0 : p.interval.mid * shares.fraction }] : [];
  });
  return [...measured, ...reckonedCourse].sort((a, b) => a.atMs - b.atMs);
}
