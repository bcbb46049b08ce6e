/** Daily nitrogen from animals and what the filter can carry.
 *  Load: feed (g dry/day) x protein x 0.092 = g N/day (Timmons & Ebeling). Mass W = a L^b, b = 3, g and cm.
 *  Capacity: a dose C0 cleared to the limit of the kit C1 in t days under Monod uptake gives X from the integrated law
 *  X t = (C0 - C1) + Ka ln(C0/C1); near zero the same X takes up only X A/(Ka + A). Unfed it fades by exp(-b t). */
import { type Animal, isComing, waterOf, type WaterEvent } from '../document';
import { remembered } from '../remembered';
import { type Proof, type ProofState, type WaterEvidence, proofState, zerosSince } from '../evidence';
import { speciesOf, type Species, type WithKinds } from '../species';
import { DAY_MS } from '../time';
import { STOCKING } from './limits';
import { simulateNitrogen, DEFAULT_PARAMS, EMPTY_STATE } from '../nitrogen/model';
import { FOOD_MG_N_PER_G } from '../nitrogen/food';

/** Of the nitrogen fed, the share that animals excrete: as protein (6.25 g a g), after Timmons and Ebeling. */
export const EXCRETED_SHARE = STOCKING.proteinPerN * STOCKING.proteinToTan;
const KA_MG_N = DEFAULT_PARAMS.kaMgNPerL;
/** Total ammonia animals should live in: below what a kit shows, mg N/L. */
export const NEAR_ZERO_MG_N = STOCKING.nearZeroMgN;

/** Mass in grams at a length. Check: a 0.013, 10 cm -> 13 g. */
export const fishMassG = (massA: number, lengthCm: number): number => massA * lengthCm ** 3;

/** mg N a day from one animal of the species at the given length (fish), or its fixed figure. */
export function dailyLoadMgN(species: Species, lengthCm: number): number {
  if (species.load.kind === 'fixed') return species.load.mgNPerDay;
  const feedG = fishMassG(species.load.massA, lengthCm) * (species.load.rationPercent / 100);
  return feedG * (species.load.proteinPercent / 100) * STOCKING.proteinToTan * 1000;
}

/** Length at a moment: from the length it came with towards its adult size, the closer the slower (von Bertalanffy). Before it came, the
 *  length it came with. Check by hand: 3 cm of 8, k 1 a year, after a year: 8 - 5 exp(-1) = 6.16 cm. */
export function lengthAt(kinds: WithKinds, animal: Animal, atMs: number): number {
  const species = speciesOf(kinds, animal.speciesId);
  const came = animal.moves.find((m) => waterOf(m.to) !== null);
  const atFirst = animal.lengthCm ?? species.arrivalCm;
  return grownCm(species, atFirst, came ? (atMs - Date.parse(came.at)) / DAY_MS : 0);
}

/** The length some days after it had one. */
export function grownCm(species: Species, fromCm: number, days: number): number {
  const adult = Math.max(species.adultCm, fromCm);
  const years = Math.max(0, days) / 365.25;
  const perYear = species.adultCm <= STOCKING.smallAdultCm ? STOCKING.growthSmall : STOCKING.growthLarge;
  return adult - (adult - fromCm) * Math.exp(-perYear * years);
}

/** mg N a day of a group at a moment, by its length then. */
export const groupLoadMgN = (kinds: WithKinds, animal: Animal, atMs: number): number =>
  dailyLoadMgN(speciesOf(kinds, animal.speciesId), lengthAt(kinds, animal, atMs)) * animal.count;

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
  /** Shown by a proof dose, or by what the animals were fed while ammonia stayed at zero. */
  by: 'proof' | 'living';
}

/** Capacity from the latest passed proof, or from what living animals brought while ammonia read zero, whichever says more; null without
 *  either. What the animals feed keeps alive does not fade. */
export function provedCapacity(e: WaterEvidence): Capacity | null {
  const proof = byProof(e);
  const living = byLiving(e);
  if (!proof || !living) return proof ?? living;
  return living.nearZeroNowMgN > proof.nearZeroNowMgN ? living : proof;
}

/** The proof that counts: while a new dose is in the water the one before it. */
function shownBy(state: ProofState): Proof | null {
  if (state.status === 'running') return state.before;
  return state.status === 'passed' || state.status === 'faded' || state.status === 'lenient'
    ? state.proof
    : null;
}

function byProof(e: WaterEvidence): Capacity | null {
  const proof = shownBy(proofState(e));
  if (!proof) return null;
  const { doseMgNPerL: c0, testAtMs, within } = proof;
  const days = within / 24;
  const x = (c0 - NEAR_ZERO_MG_N + KA_MG_N * Math.log(c0 / NEAR_ZERO_MG_N)) / days;
  const nearZeroProvedMgN = ((x * NEAR_ZERO_MG_N) / (KA_MG_N + NEAR_ZERO_MG_N)) * e.netL;
  return {
    atDoseMgN: (c0 * e.netL) / days,
    nearZeroProvedMgN,
    nearZeroNowMgN: capacityAt(nearZeroProvedMgN, testAtMs, e, e.nowMs),
    provedMs: testAtMs,
    x,
    by: 'proof',
  };
}

/** Two weeks of zeros with animals fed show that the filter carries what they bring: that, and what a filter kept on a load holds over it. */
function byLiving(e: WaterEvidence): Capacity | null {
  const first = e.joined[0];
  if (!first || e.residents.length === 0) return null;
  const { zeros, days, sinceMs } = zerosSince(
    e,
    Math.max(first.atMs, e.nowMs - STOCKING.growthDays * DAY_MS),
  );
  if (sinceMs === null || zeros < STOCKING.livingZeros || days < STOCKING.livingDays) return null;
  const span = Array.from({ length: Math.floor(days) }, (_, d) => usualLoadAt(e, sinceMs + d * DAY_MS));
  const carried = span.reduce((a, b) => a + b, 0) / Math.max(1, span.length);
  if (carried <= 0) return null;
  const nearZero = carried * STOCKING.keptOverLoad;
  return {
    atDoseMgN: nearZero,
    nearZeroProvedMgN: nearZero,
    nearZeroNowMgN: nearZero,
    provedMs: sinceMs + days * DAY_MS,
    x: (nearZero / e.netL) * ((KA_MG_N + NEAR_ZERO_MG_N) / NEAR_ZERO_MG_N),
    by: 'living',
  };
}

/** How a capacity changes: towards what its load keeps alive, downwards at one rate and upwards at another. A filter kept on a load holds
 *  somewhat more than that load (its bacteria see above near-zero ammonia after each feeding): 1.5 times, a stated guess. */
export interface Course {
  /** Share a day of what is over or missing. */
  fadePerDay: number;
  growPerDay: number;
  /** Times the load that is kept. */
  keptOverLoad: number;
}

/** What is likely, growth not counted: nobody has proved it. */
const AS_PROVED: Course = {
  fadePerDay: STOCKING.fadePerDay,
  growPerDay: 0,
  keptOverLoad: STOCKING.keptOverLoad,
};

/** A capacity after some days on one load, mg N a day. */
export function carriedAfter(capacity: number, loadMgN: number, days: number, course: Course): number {
  const kept = course.keptOverLoad * loadMgN;
  const rate = kept < capacity ? course.fadePerDay : course.growPerDay;
  return kept + (capacity - kept) * Math.exp(-rate * days);
}

/** A stretch of days on one load, and the moment it ends. */
export interface Stretch {
  endMs: number;
  days: number;
  loadMgN: number;
}

/** The time after a proof in stretches: each ends with a dose, an animal that joined, or one of the moments asked for.
 *  @param times moments after the proof, rising */
export function stretchesAfter(provedMs: number, e: WaterEvidence, times: readonly number[]): Stretch[] {
  const untilMs = times[times.length - 1] ?? provedMs;
  const doses = e.doses.map((d) => d.atMs).filter((t) => t > provedMs && t <= untilMs);
  const joined = e.joined.map((j) => j.atMs).filter((t) => t > provedMs && t < untilMs);
  const marks = [...doses, ...joined, ...times].sort((a, b) => a - b);
  return marks.map((endMs, i) => {
    const fromMs = marks[i - 1] ?? provedMs;
    return { endMs, days: (endMs - fromMs) / DAY_MS, loadMgN: usualLoadAt(e, fromMs) };
  });
}

/** Near-zero capacity at a moment after the proof: fading towards what the present load keeps alive. */
const capacityAt = (provedMgN: number, provedMs: number, e: WaterEvidence, atMs: number): number =>
  stretchesAfter(provedMs, e, [atMs]).reduce(
    (capacity, s) => carriedAfter(capacity, s.loadMgN, s.days, AS_PROVED),
    provedMgN,
  );

/** mg N a day into the water at a moment: from the food of that day where it was logged, else from the animals that were in it, at their
 *  length then. Logged food is what counts; what lives on film besides is added to it. */
export function loadAt(e: WaterEvidence, atMs: number): number {
  const inside = insideAt(e, atMs);
  if (inside.length === 0) return 0;
  return animalsMgN(e, inside, atMs, false) + (fedAt(e, atMs) ?? animalsMgN(e, inside, atMs, true));
}

/** The same as it is on most days of the week up to a moment: a single meal far too large, or a day with hardly any, says nothing of what the
 *  filter has grown into. */
export function usualLoadAt(e: WaterEvidence, atMs: number): number {
  const inside = insideAt(e, atMs);
  if (inside.length === 0) return 0;
  const eaten = animalsMgN(e, inside, atMs, true);
  const days = Array.from({ length: STOCKING.usualDays }, (_, d) => fedAt(e, atMs - d * DAY_MS) ?? eaten);
  const usual = [...days].sort((a, b) => a - b)[Math.floor(STOCKING.usualDays / 2)] as number;
  return animalsMgN(e, inside, atMs, false) + usual;
}

/** What may be in the water now, for what is to be added: the food of today, or what is usual where that is more. */
export const presentLoadMgN = (e: WaterEvidence): number =>
  Math.max(loadAt(e, e.nowMs), usualLoadAt(e, e.nowMs));

const insideAt = (e: WaterEvidence, atMs: number): Animal[] =>
  e.joined.flatMap(({ animal }) => (wasIn(animal, e.water.id, atMs) ? [animal] : []));

/** @param fed those that are fed, or those that live on film and what others leave */
const animalsMgN = (e: WaterEvidence, animals: readonly Animal[], atMs: number, fed: boolean): number =>
  animals
    .filter((a) => (speciesOf(e, a.speciesId).load.kind === 'fish') === fed)
    .reduce((sum, a) => sum + groupLoadMgN(e, a, atMs), 0);

const wasIn = (animal: Animal, waterId: string, atMs: number): boolean =>
  animal.moves.reduce((inside, m) => (Date.parse(m.at) <= atMs ? waterOf(m.to) === waterId : inside), false);

/** Ammonia from the food logged in the day up to a moment, mg N; null where none was. */
export function fedAt(e: WaterEvidence, atMs: number): number | null {
  const meals = mealsOf(e.events);
  let sum: number | null = null;
  for (let k = meals.length - 1; k >= 0; k--) {
    const { atMs: givenMs, mgN } = meals[k] as Meal;
    if (givenMs > atMs) continue;
    if (atMs - givenMs >= DAY_MS) break;
    sum = (sum ?? 0) + mgN;
  }
  return sum;
}

interface Meal {
  atMs: number;
  /** Ammonia it brings, once eaten. */
  mgN: number;
}

/** The meals of a log in time, which are asked for day by day. Raw seafood is no meal. */
const mealsOf = remembered((events: readonly WaterEvent[]): Meal[] =>
  events.flatMap((x) =>
    x.kind === 'food' && x.food !== 'seafood'
      ? [{ atMs: Date.parse(x.at), mgN: x.grams * FOOD_MG_N_PER_G[x.food] * EXCRETED_SHARE }]
      : [],
  ),
);

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
      const label = speciesOf(e, animal.speciesId).common;
      return animal.moves.flatMap((m, i) => {
        const was = waterOf(animal.moves[i - 1]?.to) === e.water.id;
        const is = waterOf(m.to) === e.water.id;
        return was === is
          ? []
          : [
              {
                atMs: Date.parse(m.at),
                mgN: (is ? 1 : -1) * groupLoadMgN(e, animal, Date.parse(m.at)),
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
              mgN: groupLoadMgN(e, a, atMs),
              label: speciesOf(e, a.speciesId).common,
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

/** What may be added at most where there is nothing to double, mg N a day: no more than was proved near zero, where anything was. */
export const firstStepMgN = (nearZeroMgN: number | null, netL: number): number =>
  Math.min(nearZeroMgN ?? Infinity, STOCKING.firstStepPerLitre * netL);

/** What may be added where there is nothing to double, and how it becomes less, mg N a day. */
export interface FirstStep {
  nowMgN: number;
  /** What the filter carries near zero: as proved; of one that nobody has proved as much as a first step may be, until its first animals are in. */
  carriesMgN: number;
  /** What is left of that however long it waits: what the animals that are in keep alive, and what it takes up again within days. */
  keptMgN: number;
}

/** The first step of a water today. What no load keeps alive fades, be it proved or not. */
export function firstStepOf(e: WaterEvidence): FirstStep {
  const loadMgN = usualLoadAt(e, e.nowMs);
  const most = firstStepMgN(null, e.netL);
  const capacity = provedCapacity(e);
  const first = e.joined.find((j) => groupLoadMgN(e, j.animal, j.atMs) > 0);
  const days = first ? (e.nowMs - first.atMs) / DAY_MS : 0;
  const faded = capacity?.nearZeroNowMgN ?? carriedAfter(most, loadMgN, days, AS_PROVED);
  const again = STOCKING.takenUpAgain * firstStepMgN(byProof(e)?.nearZeroProvedMgN ?? null, e.netL);
  const keptMgN = Math.max(STOCKING.keptOverLoad * loadMgN, again);
  const carriesMgN = Math.max(faded, keptMgN);
  return { nowMgN: Math.min(most, carriesMgN), carriesMgN, keptMgN };
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
