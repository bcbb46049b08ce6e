/** What of a long series is worth drawing: the part in the window, and of that no more than the pixels can show. */
export interface TimePoint {
  atMs: number;
  low: number;
  mid: number;
  high: number;
  doubted: boolean;
  /** Belongs to a before-and-after pair around a water change. */
  joined?: boolean;
}

/** First index at or after a time, in points sorted by time. */
export function firstAt(points: readonly TimePoint[], atMs: number): number {
  let low = 0;
  let high = points.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((points[mid]?.atMs ?? Infinity) < atMs) low = mid + 1;
    else high = mid;
  }
  return low;
}

/** The points inside a window and one neighbour on each side, so that lines run out of the picture. */
export const inWindow = (points: readonly TimePoint[], fromMs: number, toMs: number): readonly TimePoint[] =>
  points.slice(Math.max(0, firstAt(points, fromMs) - 1), firstAt(points, toMs) + 1);

/** At most the lowest and the highest of each two pixels; extremes are never lost. */
export function thinned(
  points: readonly TimePoint[],
  fromMs: number,
  toMs: number,
  pixels: number,
): readonly TimePoint[] {
  if (points.length <= pixels) return points;
  const width = (toMs - fromMs) / Math.max(1, pixels / 2);
  const out: TimePoint[] = [];
  let cell = -Infinity;
  let lowest: TimePoint | null = null;
  let highest: TimePoint | null = null;
  const flush = () => {
    if (!lowest || !highest) return;
    if (lowest === highest) out.push(lowest);
    else out.push(...(lowest.atMs < highest.atMs ? [lowest, highest] : [highest, lowest]));
  };
  for (const p of points) {
    const here = Math.floor((p.atMs - fromMs) / width);
    if (here !== cell) {
      flush();
      cell = here;
      lowest = p;
      highest = p;
    } else {
      if (lowest && p.mid < lowest.mid) lowest = p;
      if (highest && p.mid > highest.mid) highest = p;
    }
  }
  flush();
  return out;
}
