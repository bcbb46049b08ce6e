/** Rises and falls of nitrogen as measured. Times in ms, nitrogen in mg N/L. */
import type { WaterEvidence } from './gather';
import { EVIDENCE } from './limits';
import { trusted, type Point } from './points';

/** Share of today's water that was already there at fromMs: the product of (1-f) over the changes since. */
export function keptShare(e: WaterEvidence, fromMs: number, toMs: number): number {
  return e.changes.reduce(
    (keep, c) => (c.atMs > fromMs && c.atMs <= toMs ? keep * (1 - c.fraction) : keep),
    1,
  );
}

/** When something to oxidise is first known of: a dose, food, seafood or an animal logged, or ammonia measured. */
export function firstAmmoniaMs(e: WaterEvidence): number | null {
  const times = [
    ...e.doses.map((d) => d.atMs),
    ...e.events.filter((x) => x.kind === 'food').map((x) => Date.parse(x.at)),
    ...e.joined.map((j) => j.atMs),
    ...trusted(e.series.ammonia)
      .filter((p) => p.interval.mid >= EVIDENCE.riseMgN)
      .map((p) => p.atMs),
  ];
  return times.length > 0 ? Math.min(...times) : null;
}

/** From when nothing of the rise and fall is in the log because it came before it: the day on which it was told. Infinity when not told. */
export function toldRiseMs(e: WaterEvidence): number {
  const told = e.water.kind === 'display' ? e.water.told : undefined;
  return told && (told.stage === 'bothZero' || told.stage === 'animalsIn')
    ? Date.parse(`${told.day}T00:00:00.000Z`)
    : Infinity;
}

/** When ammonia or nitrite was first really measured above the noise, or told to have been: kit and source are alive. Infinity when never. */
export function firstMeasuredRiseMs(e: WaterEvidence): number {
  const first = (points: readonly Point[]) =>
    points.find((p) => !p.doubts.includes('expired') && p.interval.mid >= EVIDENCE.riseMgN)?.atMs ?? Infinity;
  return Math.min(first(e.series.ammonia), first(e.series.nitrite), toldRiseMs(e));
}

/** First trusted reading that has fallen to the share of the measured peak (water changes taken out), or a zero after it. */
export function firstFall(e: WaterEvidence, points: readonly Point[]): Point | null {
  let peak: Point | null = null;
  for (const p of trusted(points)) {
    if (peak && peak.interval.mid >= EVIDENCE.riseMgN) {
      const kept = Math.max(keptShare(e, peak.atMs, p.atMs), 1e-6);
      if (p.zero || p.interval.mid / kept <= EVIDENCE.fallShare * peak.interval.mid) return p;
    }
    if (!peak || p.interval.mid > peak.interval.mid) peak = p;
  }
  return null;
}
