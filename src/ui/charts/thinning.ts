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

/** At most the lowest and the highest of each two pixels; extremes are never lost.
 *  @param height what of a point is drawn */
export function thinnedBy<P extends { atMs: number }>(
  points: readonly P[],
  fromMs: number,
  toMs: number,
  pixels: number,
  height: (point: P) => number,
): readonly P[] {
  if (points.length <= pixels) return points;
  const width = (toMs - fromMs) / Math.max(1, pixels / 2);
  const out: P[] = [];
  let cell = -Infinity;
  let low = 0;
  let high = 0;
  const flush = () => {
    if (cell === -Infinity) return;
    for (const i of low === high ? [low] : [Math.min(low, high), Math.max(low, high)])
      out.push(points[i] as P);
  };
  points.forEach((p, i) => {
    const here = Math.floor((p.atMs - fromMs) / width);
    if (here !== cell) {
      flush();
      cell = here;
      low = i;
      high = i;
      return;
    }
    if (height(p) < height(points[low] as P)) low = i;
    if (height(p) > height(points[high] as P)) high = i;
  });
  flush();
  return out;
}

/** Readings, by what each says in the middle. */
export const thinned = (
  points: readonly TimePoint[],
  fromMs: number,
  toMs: number,
  pixels: number,
): readonly TimePoint[] => thinnedBy(points, fromMs, toMs, pixels, (p) => p.mid);

/** The first of each few pixels: marks that would cover one another. */
export function apart<P extends { atMs: number }>(
  marks: readonly P[],
  fromMs: number,
  toMs: number,
  pixels: number,
): readonly P[] {
  const gap = (toMs - fromMs) / Math.max(1, pixels);
  let free = -Infinity;
  return marks.filter((m) => {
    if (m.atMs < free) return false;
    free = m.atMs + gap;
    return true;
  });
}
