/** Rises and falls of nitrogen as measured. Times in ms, nitrogen in mg N/L. */
import { remembered } from '../remembered';
import type { WaterEvidence } from './gather';
import { EVIDENCE } from './limits';
import { trusted, type Point, type Series } from './points';
import { lastUntil, spanOf } from './span';

/** Share of today's water that was already there at fromMs: the product of (1-f) over the changes since. */
export function keptShare(e: WaterEvidence, fromMs: number, toMs: number): number {
  return spanOf(e.changes, fromMs, toMs).reduce(
    (keep, c) => (c.atMs > fromMs ? keep * (1 - c.fraction) : keep),
    1,
  );
}

/** When a source of ammonia is first known: a dose, food or an animal logged, or rock that brings its own. Infinity when none is. */
export function firstSourceMs(e: WaterEvidence): number {
  const times = [
    ...e.doses.map((d) => d.atMs),
    ...e.events.filter((x) => x.kind === 'food').map((x) => Date.parse(x.at)),
    ...e.joined.map((j) => j.atMs),
  ];
  const rock = rotsFromMs(e);
  return Math.min(rock, ...times);
}

const LIVING_ROCK: readonly string[] = ['cured', 'driedOcean', 'running'];

/** Rock that rots or lives makes ammonia from the first day on. */
function rotsFromMs({ water }: WaterEvidence): number {
  if (water.kind !== 'display' || water.startDay === null) return Infinity;
  const rots = water.ammoniaSource === 'dieOff' || LIVING_ROCK.includes(water.rockKind ?? '');
  return rots ? Date.parse(`${water.startDay}T00:00:00.000Z`) : Infinity;
}

/** When something to oxidise is first known of: a source, or ammonia measured. Null when never. */
export function firstAmmoniaMs(e: WaterEvidence): number | null {
  const first = Math.min(firstSourceMs(e), measuredAmmoniaMs(e));
  return Number.isFinite(first) ? first : null;
}

/** When ammonia was first really found: by one reading clearly above the noise, or by the second of two above it. */
const measuredAmmoniaMs = (e: WaterEvidence): number => ammoniaRiseMs(e.series);

export const ammoniaRiseMs = remembered((series: Series): number => {
  let found = 0;
  for (const { atMs, interval } of trusted(series.ammonia)) {
    if (interval.mid < EVIDENCE.riseMgN) continue;
    found += 1;
    if (found === 2 || interval.low >= EVIDENCE.riseAloneMgN) return atMs;
  }
  return Infinity;
});

/** From when nothing of the rise and fall is in the log because it came before it: the day on which it was told. Infinity when not told. */
export function toldRiseMs(e: WaterEvidence): number {
  const told = e.water.kind === 'display' ? e.water.told : undefined;
  return told && (told.stage === 'bothZero' || told.stage === 'animalsIn')
    ? Date.parse(`${told.day}T00:00:00.000Z`)
    : Infinity;
}

/** How it is known that something was oxidised here, and since when. */
export interface Rise {
  atMs: number;
  /** Measured as ammonia or nitrite, told, or not seen: only its nitrate was found. */
  by: 'ammonia' | 'nitrite' | 'told' | 'nitrate';
}

/** The first sign of a cycle. Nitrite is ammonia oxidised, whoever saw the ammonia; a known source with nitrate found after it says that
 *  the rise came and went between two tests. Null when there is no sign. */
export const riseOf = remembered((e: WaterEvidence): Rise | null => {
  const nitriteMs =
    trusted(e.series.nitrite).find((p) => p.interval.mid >= EVIDENCE.riseMgN)?.atMs ?? Infinity;
  const signs: Rise[] = [
    { by: 'told', atMs: toldRiseMs(e) },
    { by: 'ammonia', atMs: measuredAmmoniaMs(e) },
    { by: 'nitrite', atMs: nitriteMs },
    { by: 'nitrate', atMs: unseenRiseMs(e) },
  ];
  // What was measured says more than what is concluded, unless it came only later.
  const first = signs.reduce((best, s) => (s.atMs < best.atMs ? s : best));
  return Number.isFinite(first.atMs) ? first : null;
});

/** The moment nitrate was found after a known source, above what was there before: no zero before it counts as one after a rise. */
function unseenRiseMs(e: WaterEvidence): number {
  const source = firstSourceMs(e);
  if (!Number.isFinite(source)) return Infinity;
  const nitrates = trusted(e.series.nitrate);
  const before = lastUntil(nitrates, source)?.interval.mid ?? 0;
  const found = nitrates.find((p) => p.atMs > source && p.interval.mid >= before + EVIDENCE.nitrateShownMgN);
  return found ? found.atMs - 1 : Infinity;
}

/** When a rise is first known of; Infinity when never. */
export const firstRiseMs = (e: WaterEvidence): number => riseOf(e)?.atMs ?? Infinity;

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
