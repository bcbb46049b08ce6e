/** One parameter's readings as they are drawn, tabled and judged. */
import { DEFAULT_TARGETS, isNitrogen, type Parameter, type Target } from '../../../core/document';
import { trusted, type Doubt, type Point, type WaterEvidence } from '../../../core/evidence';
import { DAY_MS } from '../../../core/time';
import { fromMgNPerL } from '../../../core/units';
import { standing, type Range, type Stability, type Standing } from '../../../core/water';
import { type TimePoint } from '../../ui/charts/thinning';

export const DOUBT_WORDS: Record<Doubt, string> = {
  expired: 'kit past its date',
  nitriteInterferes: 'nitrite present',
  drift: 'instrument had drifted',
  byPerson: 'marked by you',
};

export const STANDING_WORDS: Record<Standing, string> = {
  unknown: 'too few readings to say',
  steady: 'steady',
  drifting: 'drifting',
  odd: 'last one odd: repeat it',
  off: 'off the aim, steady',
  alarm: 'alarm, twice in a row',
};

/** Points to draw; a before-and-after pair is the last reading within two days before a change and the first within one day after. */
export function timePoints(e: WaterEvidence, p: Parameter, show: (x: number) => number): TimePoint[] {
  const series = e.series[p];
  const joined = new Set<Point>();
  for (const change of e.changes) {
    const after = series.find((x) => x.atMs >= change.atMs && x.atMs - change.atMs <= DAY_MS);
    const before = lastBefore(series, change.atMs);
    if (after && before && change.atMs - before.atMs <= 2 * DAY_MS) {
      joined.add(after);
      joined.add(before);
    }
  }
  return series
    .map((x) => ({
      atMs: x.atMs,
      low: show(x.interval.low),
      mid: show(x.interval.mid),
      high: show(x.interval.high),
      doubted: x.doubts.length > 0,
      ...(joined.has(x) ? { joined: true } : {}),
    }))
    .filter((x) => Number.isFinite(x.mid));
}

function lastBefore(series: readonly Point[], atMs: number): Point | undefined {
  for (let i = series.length - 1; i >= 0; i--) {
    const p = series[i];
    if (p && p.atMs < atMs) return p;
  }
  return undefined;
}

/** The person's target or the usual one, stored units; nitrate's usual is written as NO3 and turned into N. */
export function targetOf(
  targets: Record<string, Target>,
  waterId: string,
  p: Parameter,
): { range: Range | null; own: Target | null } {
  const own = Object.values(targets).find((t) => t.waterId === waterId && t.parameter === p) ?? null;
  const usual = own ?? DEFAULT_TARGETS[p] ?? null;
  if (!usual) return { range: null, own: null };
  return {
    range: { low: usual.low, high: usual.high, alarmLow: usual.alarmLow, alarmHigh: usual.alarmHigh },
    own,
  };
}

/** Targets of nitrogen stand on the ion basis, readings as N: the range in the readings' unit. */
export function rangeAsStored(range: Range | null, p: Parameter): Range | null {
  if (!range || !isNitrogen(p)) return range;
  const k = fromMgNPerL(p, 'ion', 1);
  return {
    low: range.low / k,
    high: range.high / k,
    alarmLow: range.alarmLow / k,
    alarmHigh: range.alarmHigh / k,
  };
}

/** Judged over the trusted readings of the last four weeks. */
export function standingOf(
  e: WaterEvidence,
  p: Parameter,
  range: Range | null,
): { standing: Standing; stability: Stability | null } {
  const recent = trusted(e.series[p])
    .filter((x) => x.atMs >= e.nowMs - 28 * DAY_MS)
    .map((x) => ({ atMs: x.atMs, value: x.interval.mid }));
  return standing(recent, rangeAsStored(range, p));
}
