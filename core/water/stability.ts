/** Steadiness before deviation: how far a parameter wanders in a week and how much it jumps about, and whether the last number is odd. */
import { DAY_MS } from '../time';
import { WATER } from './limits';

export interface Stability {
  /** Readings looked at. */
  count: number;
  /** Change a week, robust (median of the slopes between all pairs: Theil 1950, Sen 1968). */
  driftPerWeek: number;
  /** Half the range that holds the middle 80 % of what is left when the drift is taken out. */
  spread: number;
  last: number;
  /** The last reading lies far from where the others point: repeat the test before doing anything. */
  lastIsOdd: boolean;
}

export interface TimedValue {
  atMs: number;
  value: number;
}

const WEEK_MS = 7 * DAY_MS;

/** Steadiness of readings in time order; null with fewer than three or within less than two days. At most the last 60 count. */
export function stability(points: readonly TimedValue[]): Stability | null {
  const used = points.slice(-WATER.lastReadings);
  const last = used[used.length - 1];
  const first = used[0];
  if (!last || !first || used.length < WATER.leastReadings) return null;
  if (last.atMs - first.atMs < WATER.leastDays * DAY_MS) return null;
  const before = used.slice(0, -1);
  const slope = theilSen(used);
  const residuals = (list: readonly TimedValue[], s: number) => {
    const raw = list.map((p) => p.value - s * (p.atMs - first.atMs));
    const mid = median(raw);
    return { mid, left: raw.map((r) => r - mid) };
  };
  const all = residuals(used, slope)
    .left.map(Math.abs)
    .sort((a, b) => a - b);
  const spread = all[Math.min(all.length - 1, Math.floor(all.length * WATER.middleShare))] ?? 0;
  let lastIsOdd = false;
  if (before.length >= WATER.oddAfter) {
    const slopeBefore = theilSen(before);
    const { mid, left } = residuals(before, slopeBefore);
    const scale = Math.max(WATER.madToSd * median(left.map(Math.abs)), Math.abs(mid) * WATER.oddFloor, 1e-9);
    lastIsOdd =
      Math.abs(last.value - (mid + slopeBefore * (last.atMs - first.atMs))) > WATER.oddSigma * scale;
  }
  return { count: used.length, driftPerWeek: slope * WEEK_MS, spread, last: last.value, lastIsOdd };
}

function theilSen(points: readonly TimedValue[]): number {
  const slopes: number[] = [];
  points.forEach((a, i) =>
    points.slice(i + 1).forEach((b) => {
      if (b.atMs > a.atMs) slopes.push((b.value - a.value) / (b.atMs - a.atMs));
    }),
  );
  return slopes.length > 0 ? median(slopes) : 0;
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const mid = Math.floor(sorted.length / 2);
  return sorted.length === 0
    ? NaN
    : sorted.length % 2 === 1
      ? (sorted[mid] ?? NaN)
      : ((sorted[mid - 1] ?? NaN) + (sorted[mid] ?? NaN)) / 2;
}

export interface Range {
  low: number;
  high: number;
  alarmLow: number;
  alarmHigh: number;
}

export type Standing = 'unknown' | 'steady' | 'drifting' | 'odd' | 'off' | 'alarm';

/** Where a parameter stands. A single number outside never alarms: it asks for a repeat; two in a row outside the alarm do. */
export function standing(
  points: readonly TimedValue[],
  range: Range | null,
): { standing: Standing; stability: Stability | null } {
  const s = stability(points);
  const last = points[points.length - 1];
  const before = points[points.length - 2];
  if (!last) return { standing: 'unknown', stability: null };
  const outside = (v: number) => range !== null && (v < range.alarmLow || v > range.alarmHigh);
  if (outside(last.value))
    return {
      standing: before && outside(before.value) && !(s?.lastIsOdd ?? false) ? 'alarm' : 'odd',
      stability: s,
    };
  if (s?.lastIsOdd) return { standing: 'odd', stability: s };
  if (s && range && Math.abs(s.driftPerWeek) > (range.high - range.low) * WATER.driftOfTarget)
    return { standing: 'drifting', stability: s };
  if (range && (last.value < range.low || last.value > range.high)) return { standing: 'off', stability: s };
  return { standing: s ? 'steady' : 'unknown', stability: s };
}
