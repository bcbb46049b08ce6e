/** The stock screens as plain data. */
import { isIn, type Animal } from '../../../core/document';
import { allowedLoadMgN } from '../../../core/company';
import type { WaterEvidence } from '../../../core/evidence';
import { speciesOf, type WithKinds } from '../../../core/species';
import { LIVING } from '../../../core/living';
import { Ammonia } from '../../../core/planner/ammonia';
import { freeAmmoniaFraction } from '../../../core/seawater';
import { daysBetween, DAY_MS } from '../../../core/time';
import {
  ceilingOf,
  groupLoadMgN,
  fedAt,
  loadAt,
  presentLoadMgN,
  loadStair,
  provedCapacity,
  type Capacity,
  type CeilingPoint,
  type StairStep,
} from '../../../core/stocking';
import { isFar } from './dayWords';

export interface StairView {
  capacity: Capacity | null;
  loadMgN: number;
  /** By the food that was logged today, not by what the animals eat as a rule. */
  isFed: boolean;
  /** What may still be added, mg N a day; null where nothing is proved. */
  roomMgN: number | null;
  /** Is that less than the filter carries, as the load may at most double within a month? */
  isPaced: boolean;
  steps: StairStep[];
  ceiling: CeilingPoint[];
  fromMs: number;
  toMs: number;
  /** By the start of a planned step the highest ammonia predicted in the two weeks after it, mg N/L; empty where nothing is proved. */
  peaks: ReadonlyMap<number, { totalMgN: number; freeMgN: number }>;
}

/** Stair and ceiling from the first animal or proof to two months ahead. */
export function stairView(
  e: WaterEvidence,
  animals: readonly Animal[],
  today: string,
  freeShare: number | null,
  dayOfMs: (ms: number) => string,
): StairView {
  const capacity = provedCapacity(e);
  const toMs = e.nowMs + 45 * DAY_MS;
  // What is meant for years ahead would leave no room for the weeks that matter.
  const planned = (a: Animal) =>
    a.plannedDay === null || isFar(a.plannedDay, today)
      ? null
      : e.nowMs + daysBetween(today, a.plannedDay) * DAY_MS;
  const latest = Math.max(
    toMs,
    ...animals.map((a) => (isIn(a, e.water.id) ? 0 : (planned(a) ?? 0) + 7 * DAY_MS)),
  );
  const steps = loadStair(e, animals, planned, latest);
  const fromMs =
    Math.min(e.nowMs - 10 * DAY_MS, capacity?.provedMs ?? Infinity, ...steps.map((s) => s.fromMs)) - DAY_MS;
  // Ahead the bacteria grow into the steps that are planned.
  const ahead = steps.filter((s) => s.toMs > e.nowMs).map((s) => ({ atMs: s.fromMs, mgN: s.mgN }));
  const ceiling = capacity ? ceilingOf(e, capacity, ahead, latest) : [];
  const loadMgN = loadAt(e, e.nowMs);
  const allowedMgN = allowedLoadMgN(e, dayOfMs);
  return {
    capacity,
    loadMgN,
    isFed: fedAt(e, e.nowMs) !== null,
    roomMgN: capacity ? Math.min(capacity.nearZeroNowMgN, allowedMgN) - presentLoadMgN(e) : null,
    isPaced: capacity !== null && allowedMgN < capacity.nearZeroNowMgN,
    steps,
    ceiling,
    fromMs,
    toMs: latest,
    peaks: peaksOf(e, steps, loadMgN, capacity, freeShare ?? USUAL_FREE_SHARE),
  };
}

const USUAL_FREE_SHARE = freeAmmoniaFraction(LIVING.assumedPh, LIVING.assumedTempC, LIVING.assumedSalinity);

/** Each planned step after the ones before it, the bacteria growing into them. */
function peaksOf(
  e: WaterEvidence,
  steps: readonly StairStep[],
  loadMgN: number,
  capacity: Capacity | null,
  freeShare: number,
): StairView['peaks'] {
  if (!capacity) return new Map();
  const today = Math.floor(e.nowMs / DAY_MS);
  const ammonia = new Ammonia({
    today,
    displayLoadMgN: loadMgN,
    released: [],
    water: { nearZeroMgN: capacity.nearZeroNowMgN, netL: e.netL, freeShare },
  });
  const planned = steps.filter((s) => s.planned && s.label !== '');
  let before = loadMgN;
  const releases: { day: number; loadMgN: number }[] = [];
  return new Map(
    planned.flatMap((s): [number, { totalMgN: number; freeMgN: number }][] => {
      releases.push({ day: Math.floor(s.fromMs / DAY_MS), loadMgN: s.mgN - before });
      before = s.mgN;
      const freeMgN = ammonia.peakAfter(releases);
      return freeMgN === null ? [] : [[s.fromMs, { totalMgN: freeMgN / freeShare, freeMgN }]];
    }),
  );
}

/** By name. */
export const byName = (kinds: WithKinds, animals: readonly Animal[]): Animal[] =>
  [...animals].sort((a, b) =>
    speciesOf(kinds, a.speciesId).common < speciesOf(kinds, b.speciesId).common ? -1 : 1,
  );

export const loadWords = (kinds: WithKinds, a: Animal, nowMs: number): string =>
  mgNADay(groupLoadMgN(kinds, a, nowMs));

/** "3.7 mg N a day": a half tenth is rounded up whatever the last bit of a sum says. */
export const mgNADay = (mgN: number): string => `${(mgN + 1e-9).toFixed(1)} mg N a day`;
