/** The ceiling of a stair: what the filter carries near zero, from its proof to the end of a plan, with the band of what is not known. */
import type { WaterEvidence } from '../evidence';
import { DAY_MS } from '../time';
import { STOCKING } from './limits';
import { carriedAfter, stretchesAfter, type Capacity, type Course } from './load';

export interface CeilingPoint {
  atMs: number;
  /** mg N a day. */
  mgN: number;
  lowMgN: number;
  highMgN: number;
}

/** A load from a moment on, mg N a day. */
export interface LoadFrom {
  atMs: number;
  mgN: number;
}

const [FADE_SLOW, FADE_FAST] = STOCKING.fadeBand;
const [KEPT_LEAST, KEPT_MOST] = STOCKING.keptBand;
const [GROW_SLOW, GROW_FAST] = STOCKING.growBand;

interface Bound {
  course: Course;
  /** Of the capacity as proved. */
  share: number;
}

const LIKELY: Bound = {
  course: {
    fadePerDay: STOCKING.fadePerDay,
    growPerDay: STOCKING.growPerDay,
    keptOverLoad: STOCKING.keptOverLoad,
  },
  share: 1,
};
const LOW: Bound = {
  course: { fadePerDay: FADE_FAST, growPerDay: GROW_SLOW, keptOverLoad: KEPT_LEAST },
  share: 1 - STOCKING.proofDoubt,
};
const HIGH: Bound = {
  course: { fadePerDay: FADE_SLOW, growPerDay: GROW_FAST, keptOverLoad: KEPT_MOST },
  share: 1 + STOCKING.proofDoubt,
};

/** A point a day. Until now it only fades, as what it was proved to be; ahead the bacteria also grow into each step.
 *  @param ahead loads from now on, in the order of their days; the first is that of now */
export function ceilingOf(
  e: WaterEvidence,
  capacity: Capacity,
  ahead: readonly LoadFrom[],
  untilMs: number,
): CeilingPoint[] {
  const past = pastOf(e, capacity);
  const points = [...past, nowOf(past, capacity, e.nowMs)];
  for (let t = e.nowMs + DAY_MS; t < untilMs + DAY_MS; t += DAY_MS) {
    const last = points[points.length - 1] as CeilingPoint;
    const stretch = { days: 1, loadMgN: loadOn(ahead, t - DAY_MS) };
    points.push(after(last, stretch, Math.min(t, untilMs), true));
  }
  return points;
}

function pastOf(e: WaterEvidence, { provedMs, nearZeroProvedMgN: mgN }: Capacity): CeilingPoint[] {
  const days: number[] = [];
  for (let t = provedMs + DAY_MS; t < e.nowMs; t += DAY_MS) days.push(t);
  const points: CeilingPoint[] = [
    { atMs: provedMs, mgN, lowMgN: LOW.share * mgN, highMgN: HIGH.share * mgN },
  ];
  for (const s of stretchesAfter(provedMs, e, days))
    points.push(after(points[points.length - 1] as CeilingPoint, s, s.endMs, false));
  return points;
}

/** Today's figure is the one everything else is judged by; the band is about it. */
function nowOf(
  past: readonly CeilingPoint[],
  { nearZeroNowMgN: mgN }: Capacity,
  nowMs: number,
): CeilingPoint {
  const last = past[past.length - 1] as CeilingPoint;
  return {
    atMs: nowMs,
    mgN,
    lowMgN: Math.min(last.lowMgN, LOW.share * mgN),
    highMgN: Math.max(last.highMgN, HIGH.share * mgN),
  };
}

function after(
  point: CeilingPoint,
  { days, loadMgN }: { days: number; loadMgN: number },
  atMs: number,
  grows: boolean,
): CeilingPoint {
  const on = (mgN: number, { course }: Bound) =>
    carriedAfter(mgN, loadMgN, days, grows ? course : { ...course, growPerDay: 0 });
  return {
    atMs,
    mgN: on(point.mgN, LIKELY),
    lowMgN: on(point.lowMgN, LOW),
    highMgN: on(point.highMgN, HIGH),
  };
}

const loadOn = (loads: readonly LoadFrom[], atMs: number): number =>
  loads.reduce((mgN, l) => (l.atMs <= atMs ? l.mgN : mgN), loads[0]?.mgN ?? 0);
