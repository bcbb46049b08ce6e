/** The real volume as ammonia doses tell it: what went in over the rise it made. */
import { trusted, type WaterEvidence } from '../evidence';
import { DAY_MS, HOUR_MS } from '../time';
import { NITROGEN } from './limits';
import type { VolumeEstimate } from '../volume/combine';

/** One estimate from the doses with a trusted ammonia test within three days before and within half a day after, enough for the dose to
 *  spread and too soon for much of it to be eaten. Kit steps make each wide: the estimates are combined by their spread. Null when no
 *  dose was tested so. V = mg N added / rise. */
export function doseCheck(e: WaterEvidence): VolumeEstimate | null {
  const found: { litres: number; sd: number }[] = [];
  for (const event of e.events) {
    if (event.kind !== 'ammoniaDose') continue;
    const doseMs = Date.parse(event.at);
    const points = trusted(e.series.ammonia);
    const before = [...points]
      .reverse()
      .find((p) => p.atMs <= doseMs && doseMs - p.atMs <= NITROGEN.doseBeforeDays * DAY_MS);
    const after = points.find(
      (p) =>
        p.atMs >= doseMs + NITROGEN.doseSpreadHours * HOUR_MS &&
        p.atMs - doseMs <= NITROGEN.doseEatenHours * HOUR_MS,
    );
    if (!before || !after || !Number.isFinite(after.interval.high)) continue;
    const rise = after.interval.mid - before.interval.mid;
    if (rise < NITROGEN.doseRiseMgN) continue;
    const half = Math.hypot(
      (after.interval.high - after.interval.low) / 2,
      (before.interval.high - before.interval.low) / 2,
      0.1 * after.interval.mid,
    );
    const litres = event.mgN / rise;
    found.push({ litres, sd: (litres * half) / rise });
  }
  if (found.length === 0) return null;
  const weight = found.reduce((s, f) => s + 1 / f.sd ** 2, 0);
  return {
    from: 'ammonia dose check',
    litres: found.reduce((s, f) => s + f.litres / f.sd ** 2, 0) / weight,
    sdL: 1 / Math.sqrt(weight),
  };
}
