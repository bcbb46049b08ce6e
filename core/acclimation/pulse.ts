/** How fast it drips, from what a person can do with a thumb: tapping along, or watching a cup fill. */

export interface Pulse {
  dropsPerSecond: number;
  /** How far the gaps wander: the middle of their distances from the middle gap, as a share of it. */
  jitter: number;
}

/** From the times of taps, seconds; null with fewer than three taps or where they do not go forward. The median of the last gaps, so that one
 *  missed drop or one tap too many moves nothing. */
export function pulseOf(tapSeconds: readonly number[]): Pulse | null {
  const lately = tapSeconds.slice(-12);
  const gaps = lately.slice(1).map((t, i) => t - (lately[i] as number));
  if (gaps.length < 2 || gaps.some((g) => g < 0)) return null;
  const middle = median(gaps);
  if (!(middle > 0)) return null;
  return { dropsPerSecond: 1 / middle, jitter: median(gaps.map((g) => Math.abs(g - middle))) / middle };
}

/** From a cup: so many millilitres in so many seconds. Check by hand: 100 mL in 60 s at 20 drops a mL is 33.3 drops a second. */
export const dropsFromCup = (mL: number, seconds: number, dropsPerMl: number): number =>
  (mL / seconds) * dropsPerMl;

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? (sorted[half] as number)
    : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}
