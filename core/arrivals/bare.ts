/** The ammonia of a bare quarantine from its own log: what its animals bring, how long it may go without a change, which changes hold free ammonia
 *  under the limit, when the next is due, and whether the last test departs from what was reckoned. */
import { lastOf, trusted, type Point, type WaterEvidence } from '../evidence';
import { changePlan, sawtooth, type ChangePlan } from '../quarantine';
import { FREE_AMMONIA } from '../seawater';
import { loadAt } from '../stocking';
import { DAY_MS } from '../time';
import { ARRIVALS } from './limits';

export interface BareOutlook {
  loadMgN: number;
  /** Total ammonia reckoned for now, mg N/L. */
  nowMgN: number;
  /** The changes proposed; where even the whole water each day would not do, `feasible` is false. */
  plan: ChangePlan;
  /** Days from now until the peak without any change; 0 where it is reached. */
  reachedDays: number;
  /** Days from now to the next change of the plan. */
  dueDays: number;
  litres: number;
  /** Two weeks under the plan, and without any change. */
  withChanges: { day: number; mgN: number }[];
  without: { day: number; mgN: number }[];
  departs: { kind: 'more' | 'less'; expectedMgN: number; measured: Point } | null;
}

/** Null where nothing lives in it or its filter is cycled. @param gramsPerLitre of salt mix for 35 ppt */
export function bareOutlook(e: WaterEvidence, gramsPerLitre: number): BareOutlook | null {
  const { water, netL, nowMs } = e;
  if (water.kind !== 'quarantine' || water.filter !== 'uncycled' || e.residents.length === 0) return null;
  const loadMgN = loadAt(e, nowMs);
  const read = (what: 'ph' | 'temperature' | 'salinity') => lastOf(trusted(e.series[what]))?.interval.mid;
  const tank = {
    loadMgNPerDay: loadMgN,
    netL,
    // Fresh water raises the pH again: the higher of both.
    ph: Math.max(read('ph') ?? 0, ARRIVALS.freshPh),
    tempC: read('temperature') ?? ARRIVALS.usualTempC,
    salinity: read('salinity') ?? ARRIVALS.usualSalinity,
    limit: { freeMgN: FREE_AMMONIA.longTerm },
  };
  const plans = ARRIVALS.changeDays.map((days) => changePlan(tank, days, gramsPerLitre));
  const gentle = plans.filter((p) => p.fraction <= ARRIVALS.gentleFraction);
  const plan = (gentle[gentle.length - 1] ?? plans[0]) as ChangePlan;
  const nowMgN = reckoned(e, nowMs, null);
  const risePerDay = loadMgN / netL;
  const reachedDays = risePerDay > 0 ? Math.max(0, (plan.peakMgN - nowMgN) / risePerDay) : Infinity;
  const lastChange = lastOf(e.changes);
  const sinceDays = lastChange ? (nowMs - lastChange.atMs) / DAY_MS : Infinity;
  // Once the rhythm is lost, the limit says when.
  const inRhythm = sinceDays < plan.everyDays ? plan.everyDays - sinceDays : Infinity;
  const dueDays = Math.min(inRhythm, reachedDays);
  const fraction = Math.min(1, plan.fraction);
  return {
    loadMgN,
    nowMgN,
    plan,
    reachedDays,
    dueDays,
    litres: fraction * netL,
    withChanges: sawtooth(tank, { everyDays: plan.everyDays, fraction }, nowMgN, ARRIVALS.outlookDays),
    without: [
      { day: 0, mgN: nowMgN },
      { day: ARRIVALS.outlookDays, mgN: nowMgN + risePerDay * ARRIVALS.outlookDays },
    ],
    departs: departure(e),
  };
}

/** Total ammonia at a moment by what went in and was changed since a reading: the last one before it, or none and the day of the first animal. */
function reckoned(e: WaterEvidence, atMs: number, leaveOut: Point | null): number {
  const known = trusted(e.series.ammonia).filter((p) => p.atMs <= atMs && p !== leaveOut);
  const start = lastOf(known);
  const firstMs = e.joined[0]?.atMs ?? atMs;
  let ms = Math.min(atMs, start ? start.atMs : firstMs);
  let mgN = start ? start.interval.mid : 0;
  const changes = e.changes.filter((c) => c.atMs > ms && c.atMs <= atMs);
  for (const change of [...changes, { atMs, fraction: 0 }]) {
    mgN += rise(e, ms, change.atMs);
    mgN *= 1 - change.fraction;
    ms = change.atMs;
  }
  return mgN;
}

/** What the animals brought between two moments, mg N/L: by the day, for a meal counts for its own. */
function rise(e: WaterEvidence, fromMs: number, toMs: number): number {
  let mgN = 0;
  for (let ms = fromMs; ms < toMs; ms += DAY_MS) {
    const span = Math.min(DAY_MS, toMs - ms);
    mgN += (loadAt(e, ms + span / 2) * (span / DAY_MS)) / e.netL;
  }
  return mgN;
}

/** Does the last reading say something else than what was reckoned from the one before? */
function departure(e: WaterEvidence): BareOutlook['departs'] {
  const points = trusted(e.series.ammonia);
  const measured = lastOf(points);
  if (!measured || points.length < 2 || measured.atMs <= (e.joined[0]?.atMs ?? Infinity)) return null;
  const expectedMgN = reckoned(e, measured.atMs, measured);
  const { low, high } = measured.interval;
  const { departsTimes, departsMgN } = ARRIVALS;
  if (low > expectedMgN * departsTimes + departsMgN) return { kind: 'more', expectedMgN, measured };
  if (high < expectedMgN / departsTimes - departsMgN) return { kind: 'less', expectedMgN, measured };
  return null;
}
