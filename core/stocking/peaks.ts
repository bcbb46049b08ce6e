/** What an addition would do to the ammonia, as the forecast of the tank has worked it out for loads of several sizes. */

type Triple = [number, number, number];

/** Loads added today, mg N a day, rising from 0; and the highest total ammonia each brings in the weeks after, mg N/L: 10, 50, 90 %. */
export interface AdditionPeaks {
  addedMgN: readonly number[];
  peakMgN: readonly Triple[];
}

/** The peak of a load between those that were worked out; above the largest at least so much in proportion. Null without any. */
export function peakOfLoad({ addedMgN, peakMgN }: AdditionPeaks, mgN: number): Triple | null {
  const above = addedMgN.findIndex((x) => x >= mgN);
  const [last, lastPeak] = [addedMgN[addedMgN.length - 1], peakMgN[peakMgN.length - 1]];
  if (last === undefined || !lastPeak) return null;
  if (above < 0) return lastPeak.map((p) => (p * mgN) / last) as Triple;
  const high = peakMgN[above] as Triple;
  if (above === 0) return high;
  const low = peakMgN[above - 1] as Triple;
  const [from, to] = [addedMgN[above - 1] as number, addedMgN[above] as number];
  const share = (mgN - from) / (to - from);
  return low.map((p, i) => p + share * ((high[i] as number) - p)) as Triple;
}
