/** What a parameter is expected to be now: its newest trusted reading, with the changes since mixed in. Expected, not measured. */
import type { Parameter } from '../document';
import { afterWaterChange } from '../dilution';
import { keptShare } from './falls';
import type { WaterEvidence } from './gather';
import { lastOf, trusted, type Point } from './points';

export interface Expected {
  point: Point;
  /** Stored units; mg N/L for nitrogen. The reading itself where nothing was changed since. */
  value: number;
  /** Share of the water changed since the reading. */
  changed: number;
  /** False where a change did not say what its water brought of this. */
  known: boolean;
}

/** New salt water holds none of these. */
const NONE_IN_NEW: readonly Parameter[] = ['ammonia', 'freeAmmonia', 'nitrite'];

/** Null without a trusted reading. */
export function expectedNow(e: WaterEvidence, parameter: Parameter): Expected | null {
  const point = lastOf(trusted(e.series[parameter]));
  if (!point) return null;
  let value = point.interval.mid;
  let kept = 1;
  let known = true;
  for (const c of e.changes) {
    if (c.atMs <= point.atMs) continue;
    kept *= 1 - c.fraction;
    const brought = c.brought[parameter] ?? (NONE_IN_NEW.includes(parameter) ? 0 : undefined);
    if (brought === undefined) known = false;
    else value = afterWaterChange(value, c.fraction, brought);
  }
  return { point, value, changed: 1 - kept, known };
}

/** Ammonia that may be in the water now, mg N/L: what was last read, changes taken out, and every dose since added, one of the same minute,
 *  too. What the bacteria took meanwhile is not known: the careful side. */
export function ammoniaAtMost(e: WaterEvidence): number {
  const read = expectedNow(e, 'ammonia');
  const sinceMs = read?.point.atMs ?? -Infinity;
  return e.doses
    .filter((d) => d.atMs >= sinceMs)
    .reduce((sum, d) => sum + d.mgNPerL * keptShare(e, d.atMs, e.nowMs), read?.value ?? 0);
}

/** Doses of ammonia that no test of it, total or free, has looked at since; a test of the same minute was hardly taken after it. */
export function dosesUntested(e: WaterEvidence): WaterEvidence['doses'] {
  const testedMs = Math.max(
    ...[e.series.ammonia, e.series.freeAmmonia].map((points) => lastOf(trusted(points))?.atMs ?? -Infinity),
  );
  return e.doses.filter((d) => d.atMs >= testedMs);
}
