/** Daily nitrogen from animals and what the filter can carry.
 *  Load: feed (g dry/day) x protein x 0.092 = g N/day (Timmons & Ebeling). Mass W = a L^b, b = 3, g and cm.
 *  Capacity: a dose C0 cleared to the limit of the kit C1 in t days under Monod uptake gives X from the integrated law
 *  X t = (C0 - C1) + Ka ln(C0/C1); near zero the same X takes up only X A/(Ka + A). Unfed it fades by exp(-b t). */
import { type Animal, isComing, type Place, waterOf } from '../document';
import { type WaterEvidence, proofState } from '../evidence';
import { speciesById, type Species } from '../species';
import { DAY_MS } from '../time';
import { STOCKING } from './limits';
import { simulateNitrogen, DEFAULT_PARAMS, EMPTY_STATE } from '../nitrogen/model';

const KA_MG_N = DEFAULT_PARAMS.kaMgNPerL;
/** Total ammonia animals should live in: below what a kit shows, mg N/L. */
export const NEAR_ZERO_MG_N = STOCKING.nearZeroMgN;
const FADE_PER_DAY = STOCKING.fadePerDay;

/** Mass in grams at a length. Check: a 0.013, 10 cm -> 13 g. */
export const fishMassG = (massA: number, lengthCm: number): number => massA * lengthCm ** 3;

/** mg N a day from one animal of the species at the given length (fish), or its fixed figure. */
export function dailyLoadMgN(species: Species, lengthCm: number): number {
  if (species.load.kind === 'fixed') return species.load.mgNPerDay;
  const feedG = fishMassG(species.load.massA, lengthCm) * (species.load.rationPercent / 100);
  return feedG * (species.load.proteinPercent / 100) * STOCKING.proteinToTan * 1000;
}

/** mg N a day of a group now: at arrival size. */
export const groupLoadMgN = (animal: Animal): number => {
  const species = speciesById(animal.speciesId);
  return dailyLoadMgN(species, species.arrivalCm) * animal.count;
};

export interface Capacity {
  /** mg N a day taken up at the dose. */
  atDoseMgN: number;
  /** mg N a day taken up at near-zero ammonia when proved. */
  nearZeroProvedMgN: number;
  /** The same today, faded or kept up by feeding. */
  nearZeroNowMgN: number;
  provedMs: number;
  /** Capacity of the first bacteria when proved, mg N/L/day. */
  x: number;
}

/** Capacity from the latest passed proof; null without one. What the animals feed keeps alive does not fade. */
export function provedCapacity(e: WaterEvidence): Capacity | null {
  const state = proofState(e);
  if (state.status !== 'passed' && state.status !== 'faded' && state.status !== 'lenient') return null;
  const { doseMgNPerL: c0, testAtMs, within } = state.proof;
  const days = within / 24;
  const x = (c0 - NEAR_ZERO_MG_N + KA_MG_N * Math.log(c0 / NEAR_ZERO_MG_N)) / days;
  const nearZeroProvedMgN = ((x * NEAR_ZERO_MG_N) / (KA_MG_N + NEAR_ZERO_MG_N)) * e.netL;
  return {
    atDoseMgN: (c0 * e.netL) / days,
    nearZeroProvedMgN,
    nearZeroNowMgN: capacityAt(nearZeroProvedMgN, testAtMs, e, e.nowMs),
    provedMs: testAtMs,
    x,
  };
}

/** Near-zero capacity at a moment after the proof: fading towards what the present load keeps alive. A filter kept on a load
 *  holds somewhat more than that load (its bacteria see above near-zero ammonia after each feeding): 1.5 times, a stated guess. */
export function capacityAt(provedMgN: number, provedMs: number, e: WaterEvidence, atMs: number): number {
  let capacity = provedMgN;
  let fromMs = provedMs;
  const doses = e.doses.filter((d) => d.atMs > provedMs && d.atMs <= atMs).map((d) => d.atMs);
  const marks = [...doses, ...e.joined.map((j) => j.atMs).filter((t) => t > provedMs && t < atMs), atMs].sort(
    (a, b) => a - b,
  );
  for (const mark of marks) {
    const kept = Math.min(capacity, STOCKING.keptOverLoad * loadAt(e, fromMs));
    const days = (mark - fromMs) / DAY_MS;
    capacity = kept + (capacity - kept) * Math.exp(-FADE_PER_DAY * days);
    fromMs = mark;
  }
  return capacity;
}

/** mg N a day from the animals in the water at a moment. */
export function loadAt(e: WaterEvidence, atMs: number): number {
  const here = (place: Place) => waterOf(place) === e.water.id;
  return e.joined.reduce((sum, { animal }) => {
    let inside = false;
    for (const move of animal.moves) if (Date.parse(move.at) <= atMs) inside = here(move.to);
    return inside ? sum + groupLoadMgN(animal) : sum;
  }, 0);
}

export interface StairStep {
  fromMs: number;
  toMs: number;
  mgN: number;
  label: string;
  planned: boolean;
}

/** The stair of daily load: past steps from the moves, planned ones from plannedDay of animals not yet in. */
export function loadStair(
  e: WaterEvidence,
  animals: readonly Animal[],
  plannedMs: (a: Animal) => number | null,
  untilMs: number,
): StairStep[] {
  const changes = e.joined
    .flatMap(({ animal }) => {
      const label = speciesById(animal.speciesId).common;
      return animal.moves.flatMap((m, i) => {
        const was = waterOf(animal.moves[i - 1]?.to) === e.water.id;
        const is = waterOf(m.to) === e.water.id;
        return was === is
          ? []
          : [
              {
                atMs: Date.parse(m.at),
                mgN: (is ? 1 : -1) * groupLoadMgN(animal),
                label: is ? label : '',
                planned: false,
              },
            ];
      });
    })
    .filter((c) => c.atMs <= e.nowMs);
  const planned = animals
    .filter((a) => a.homeId === e.water.id && isComing(a))
    .flatMap((a) => {
      const atMs = plannedMs(a);
      return atMs === null
        ? []
        : [
            {
              atMs: Math.max(atMs, e.nowMs),
              mgN: groupLoadMgN(a),
              label: speciesById(a.speciesId).common,
              planned: true,
            },
          ];
    });
  const all = [...changes, ...planned].sort((a, b) => a.atMs - b.atMs);
  const steps: StairStep[] = [];
  let mgN = 0;
  all.forEach((c, i) => {
    mgN += c.mgN;
    const toMs = all[i + 1]?.atMs ?? untilMs;
    if (!c.planned && toMs > e.nowMs) {
      steps.push({ fromMs: c.atMs, toMs: e.nowMs, mgN, label: c.label, planned: false });
      steps.push({ fromMs: e.nowMs, toMs, mgN, label: '', planned: true });
    } else steps.push({ fromMs: c.atMs, toMs, mgN, label: c.label, planned: c.planned });
  });
  return steps;
}

/** Peak of total ammonia, mg N/L, in the three weeks after a step in load, with the bacteria growing into it.
 *  The capacity given is at near-zero ammonia, mg N a day in the whole tank. */
export function peakAfterStep(
  nearZeroMgN: number,
  presentMgN: number,
  addedMgN: number,
  netL: number,
): number {
  const x = (nearZeroMgN / netL) * ((KA_MG_N + NEAR_ZERO_MG_N) / NEAR_ZERO_MG_N);
  const perHour = (presentMgN + addedMgN) / netL / 24;
  const hours = Array.from({ length: STOCKING.peakDays * 24 }, (_, i) => i / 24);
  const states = simulateNitrogen(
    { ...EMPTY_STATE, capacityA: x, capacityN: x },
    DEFAULT_PARAMS,
    hours.map((day) => ({ day, kind: 'ammonia' as const, mgNPerL: perHour })),
    hours.map((day) => day + 1 / 24),
    1 / 24,
  );
  return states.reduce((peak, s) => Math.max(peak, s.ammonia), 0);
}
