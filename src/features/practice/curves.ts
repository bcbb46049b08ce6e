/** What the log of a practice tank holds, as curves by day. */
import type { WaterEvidence } from '../../../core/evidence';
import { DAY_MS } from '../../../core/time';

export interface Curve {
  label: string;
  points: { x: number; y: number }[];
}

/** Ammonia and nitrite as they were read, mg N/L by day of the tank; only what was read more than once. */
export const asRead = (evidence: WaterEvidence, startMs: number): Curve[] =>
  (['ammonia', 'nitrite'] as const)
    .map((p) => ({
      label: p === 'ammonia' ? 'NH₄ read' : 'NO₂ read',
      points: evidence.series[p]
        .filter((x) => Number.isFinite(x.interval.mid))
        .map((x) => ({ x: (x.atMs - startMs) / DAY_MS, y: x.interval.mid })),
    }))
    .filter((c) => c.points.length > 1);
