/** The stock screens as plain data. */
import { isIn, type Animal } from '../../../core/document';
import type { WaterEvidence } from '../../../core/evidence';
import { speciesOf, type WithKinds } from '../../../core/species';
import { daysBetween, DAY_MS } from '../../../core/time';
import {
  capacityAt,
  groupLoadMgN,
  loadAt,
  loadStair,
  provedCapacity,
  type Capacity,
  type StairStep,
} from '../../../core/stocking';

export interface StairView {
  capacity: Capacity | null;
  loadMgN: number;
  roomMgN: number | null;
  steps: StairStep[];
  ceiling: { atMs: number; mgN: number }[];
  fromMs: number;
  toMs: number;
}

/** Stair and ceiling from the first animal or proof to two months ahead. */
export function stairView(e: WaterEvidence, animals: readonly Animal[], today: string): StairView {
  const capacity = provedCapacity(e);
  const toMs = e.nowMs + 45 * DAY_MS;
  const planned = (a: Animal) =>
    a.plannedDay === null ? null : e.nowMs + daysBetween(today, a.plannedDay) * DAY_MS;
  const latest = Math.max(
    toMs,
    ...animals.map((a) => (isIn(a, e.water.id) ? 0 : (planned(a) ?? 0) + 7 * DAY_MS)),
  );
  const steps = loadStair(e, animals, planned, latest);
  const fromMs =
    Math.min(e.nowMs - 10 * DAY_MS, capacity?.provedMs ?? Infinity, ...steps.map((s) => s.fromMs)) - DAY_MS;
  const ceiling: { atMs: number; mgN: number }[] = [];
  if (capacity) {
    for (let t = capacity.provedMs; t < e.nowMs; t += DAY_MS)
      ceiling.push({ atMs: t, mgN: capacityAt(capacity.nearZeroProvedMgN, capacity.provedMs, e, t) });
    ceiling.push({ atMs: e.nowMs, mgN: capacity.nearZeroNowMgN });
    // Ahead it is drawn level: it fades unfed and grows with feeding, and nobody has proved either yet.
    ceiling.push({ atMs: latest, mgN: capacity.nearZeroNowMgN });
  }
  const loadMgN = loadAt(e, e.nowMs);
  return {
    capacity,
    loadMgN,
    roomMgN: capacity ? capacity.nearZeroNowMgN - loadMgN : null,
    steps,
    ceiling,
    fromMs,
    toMs: latest,
  };
}

/** By name. */
export const byName = (kinds: WithKinds, animals: readonly Animal[]): Animal[] =>
  [...animals].sort((a, b) =>
    speciesOf(kinds, a.speciesId).common < speciesOf(kinds, b.speciesId).common ? -1 : 1,
  );

export const loadWords = (kinds: WithKinds, a: Animal, nowMs: number): string =>
  `${groupLoadMgN(kinds, a, nowMs).toFixed(1)} mg N a day`;
