/** Nitrogen as an amount that moves: mg N in the whole tank as ammonia, nitrite and nitrate, against what was put in. */
import { keptShare, lastUntil, trusted, type Point, type WaterEvidence } from '../evidence';
import { remembered } from '../remembered';
import { DAY_MS } from '../time';
import { FOOD_MG_N_PER_G } from './food';
import { NITROGEN } from './limits';

/** Rot of food and seafood, per day. */
const ROT_PER_DAY = NITROGEN.rotPerDay;

export interface StrataPoint {
  atMs: number;
  ammoniaMgN: number;
  nitriteMgN: number;
  nitrateMgN: number;
  /** True where nitrate could not be read (nitrite present) and is taken by difference or carried on. */
  nitrateEstimated: boolean;
  putInMgN: number;
}

export interface StrataLine {
  atMs: number;
  mgN: number;
}

export interface Strata {
  points: StrataPoint[];
  /** What was put in, less what water changes took out; a step at each event. */
  putIn: StrataLine[];
  /** Put in minus found at the last point, mg N; positive is missing. */
  gapMgN: number;
  /** Standard deviation of that gap from kit steps and volume, mg N: a gap inside twice this is no finding. */
  gapSdMgN: number;
}

interface Supply {
  atMs: number;
  add: number;
  keep: number;
}

/** Builds the strata from a tank's evidence. Points are the sittings in which ammonia and nitrite were both read. */
export function nitrogenStrata(e: WaterEvidence, volumeSdShare: number): Strata {
  const { last, ...strata } = laidDown(e);
  return { ...strata, gapSdMgN: last?.sdMgN(volumeSdShare) ?? 0 };
}

/** All but what the volume's doubt adds: asked for by more than one drawing of the same evidence. */
const laidDown = remembered((e: WaterEvidence) => {
  const putIn = supplyLine(suppliesOf(e), e.nowMs);
  const ammonias = trusted(e.series.ammonia);
  const nitriteOf = inSampleOf(trusted(e.series.nitrite));
  const nitrateOf = inSampleOf(e.series.nitrate);
  const points: StrataPoint[] = [];
  let carried = 0;
  let carriedMs = -Infinity;
  let last: { point: StrataPoint; sdMgN: (volumeSdShare: number) => number } | undefined;
  for (const ammonia of ammonias) {
    const nitrite = nitriteOf(ammonia);
    if (!nitrite) continue;
    const put = lastUntil(putIn, ammonia.atMs)?.mgN ?? 0;
    const a = ammonia.interval.mid * e.netL;
    const n = nitrite.interval.mid * e.netL;
    const nitrate = nitrateOf(ammonia);
    const kept = keptShare(e, carriedMs, ammonia.atMs);
    const byDifference = Math.max(0, put - a - n);
    let r: number;
    let estimated = true;
    if (nitrate && nitrate.doubts.length === 0) {
      r = nitrate.interval.mid * e.netL;
      estimated = false;
    } else if (nitrate) r = Math.min(nitrate.interval.mid * e.netL, Math.max(byDifference, carried * kept));
    else r = Math.max(carried * kept, byDifference);
    carried = r;
    carriedMs = ammonia.atMs;
    const point = {
      atMs: ammonia.atMs,
      ammoniaMgN: a,
      nitriteMgN: n,
      nitrateMgN: r,
      nitrateEstimated: estimated,
      putInMgN: put,
    };
    points.push(point);
    const sdMgN = (volumeSdShare: number) =>
      Math.hypot(
        spread(ammonia, e.netL),
        spread(nitrite, e.netL),
        nitrate && !estimated ? spread(nitrate, e.netL) : 0.3 * r,
        (a + n + r) * volumeSdShare,
      );
    last = { point, sdMgN };
  }
  if (!last) return { points, putIn, last, gapMgN: 0 };
  const { ammoniaMgN, nitriteMgN, nitrateMgN, putInMgN } = last.point;
  return { points, putIn, last, gapMgN: putInMgN - (ammoniaMgN + nitriteMgN + nitrateMgN) };
});

/** The point of the same sample, the last where it has two. @returns asked of points in time order, as these are: each is passed once */
function inSampleOf(points: readonly Point[]): (of: Point) => Point | undefined {
  let from = 0;
  return ({ atMs, sampleId }) => {
    while ((points[from]?.atMs ?? Infinity) < atMs) from++;
    let found: Point | undefined;
    for (let i = from; points[i]?.atMs === atMs; i++) if (points[i]?.sampleId === sampleId) found = points[i];
    return found;
  };
}

/** Half the interval as a standard deviation, plus the reader's eye (20 % + 0.1 mg/L for a chart of colours). */
function spread(p: Point, netL: number): number {
  const high = Number.isFinite(p.interval.high) ? p.interval.high : p.interval.mid * 1.5;
  const eye = p.kit.scale.kind === 'steps' ? 0.1 * p.interval.mid + 0.05 : 0.05 * p.interval.mid;
  return Math.hypot((high - p.interval.low) / 2, eye) * netL;
}

function suppliesOf(e: WaterEvidence): Supply[] {
  const out: Supply[] = [];
  const seafoodOutMs = e.events.filter((x) => x.kind === 'seafoodOut').map((x) => Date.parse(x.at));
  for (const event of e.events) {
    const atMs = Date.parse(event.at);
    if (event.kind === 'ammoniaDose') out.push({ atMs, add: event.mgN, keep: 1 });
    if (event.kind === 'food') {
      // Food counts as it rots, a slice a day, until it is taken out.
      const total = event.grams * FOOD_MG_N_PER_G[event.food];
      const outMs = event.food === 'seafood' ? (seafoodOutMs.find((t) => t >= atMs) ?? Infinity) : Infinity;
      for (let day = 1; day <= NITROGEN.rotDays; day++) {
        const sliceMs = atMs + day * DAY_MS;
        if (sliceMs > outMs || sliceMs > e.nowMs) break;
        out.push({
          atMs: sliceMs,
          add: total * (Math.exp(-ROT_PER_DAY * (day - 1)) - Math.exp(-ROT_PER_DAY * day)),
          keep: 1,
        });
      }
    }
  }
  for (const change of e.changes) out.push({ atMs: change.atMs, add: 0, keep: 1 - change.fraction });
  return out.sort((a, b) => a.atMs - b.atMs);
}

/** Running total, mg N, as a step line ending at nowMs. */
function supplyLine(supplies: readonly Supply[], nowMs: number): StrataLine[] {
  const line: StrataLine[] = [];
  let total = 0;
  for (const s of supplies) {
    line.push({ atMs: s.atMs, mgN: total });
    total = total * s.keep + s.add;
    line.push({ atMs: s.atMs, mgN: total });
  }
  if (line.length > 0) line.push({ atMs: nowMs, mgN: total });
  return line;
}
