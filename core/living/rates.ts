/** How fast a parameter moves, by one and the same instrument: two instruments that differ are no movement. */
import type { Parameter } from '../document';
import { lastOf, trusted, type Point, type WaterEvidence } from '../evidence';
import { HOUR_MS } from '../time';

export interface Movement {
  from: Point;
  to: Point;
  /** Change, stored units. */
  by: number;
  hours: number;
}

/** The largest change of the newest reading against those of the same instrument within so many hours before it; null without any.
 *  @param sinceMs the newest reading must not be older than this */
export function movementOf(
  e: WaterEvidence,
  parameter: Parameter,
  withinHours: number,
  sinceMs: number,
): Movement | null {
  const points = trusted(e.series[parameter]);
  const to = lastOf(points);
  if (!to || to.atMs < sinceMs) return null;
  const earlier = points.filter(
    (p) =>
      p !== to && p.kit.id === to.kit.id && p.atMs < to.atMs && to.atMs - p.atMs <= withinHours * HOUR_MS,
  );
  return earlier
    .map((from) => ({
      from,
      to,
      by: to.interval.mid - from.interval.mid,
      hours: (to.atMs - from.atMs) / HOUR_MS,
    }))
    .reduce<Movement | null>((most, m) => (!most || Math.abs(m.by) > Math.abs(most.by) ? m : most), null);
}
