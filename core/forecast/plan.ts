/** The plan a forecast assumes until the person says otherwise: what was done so far goes on. */
import type { Display } from '../document';
import { PRINTED_PER_N } from '../units';
import { fedLately } from './feeding';
import { habitOf, rhythmOf, type DoseHabit, type Rhythm } from './habits';
import { TAKEN } from './limits';
import { ACT } from './acts';
import { type Timeline } from './timeline';

/** The proof: 2 mg/L as NH4. */
export const PROOF_MG_N = 2 / PRINTED_PER_N.ammonia.ion;

/** What the person will go on doing. */
export interface CarePlan {
  /** Each dose of ammonia, mg N/L of the believed volume; 0 for none. */
  doseMgNPerL: number;
  /** When the next dose comes: each future draws its own habit. */
  when: DoseHabit;
  rhythm: Rhythm;
  /** Daily food, mg N a day in the whole tank. */
  feedMgNPerDay: number;
  /** From now on: warmed or cooled to, kept up to, and changed so much every so many days. Without: as it was, and buffered when it falls
   *  under 6 dKH. */
  tempC?: number;
  alkalinityDkh?: number;
  change?: { share: number; everyDays: number };
  /** Once, now: warmer by this many kelvin, a new bottle, media from a running tank, dKH added, a share of water changed. */
  warmerK?: number;
  bottle?: boolean;
  media?: boolean;
  changeShare?: number;
}

/** Courses a person may take; `asSoFar` is what the log shows going on. */
export const COURSES = ['asSoFar', 'dose', 'wait', 'feed', 'bottle', 'media', 'warmer', 'change'] as const;
export type PlanChoice = (typeof COURSES)[number];

/** What a course does once, now, beside what was done so far. */
const ONCE: Partial<Record<PlanChoice, (t: Timeline, plan: CarePlan) => Partial<CarePlan>>> = {
  bottle: () => ({ bottle: true }),
  media: () => ({ media: true }),
  warmer: (t, plan) => ({ warmerK: Math.max(0, TAKEN.warmC - (plan.tempC ?? t.tempC)) }),
  change: () => ({ changeShare: TAKEN.changedShare }),
};

/** The courses that make sense for a tank: with animals in none that doses or stops feeding; none that warms what is warm. */
export const coursesFor = (t: Timeline): PlanChoice[] =>
  COURSES.filter(
    (id) =>
      !(t.animalsIn && (id === 'dose' || id === 'wait' || id === 'feed')) &&
      !(id === 'warmer' && t.tempC > TAKEN.warmC - 1),
  );

const NEVER: DoseHabit = { ammoniaClear: 0, bothClear: 0, clock: 0, never: 1 };
/** Doses as soon as ammonia is clear, tested daily: the course that grows most bacteria. */
const KEEN: Pick<CarePlan, 'doseMgNPerL' | 'when' | 'rhythm'> = {
  doseMgNPerL: PROOF_MG_N,
  when: { ...NEVER, ammoniaClear: 1, never: 0 },
  rhythm: { testGapDays: [0.8, 1.2], waitDays: [0, 0.3], bothWaitDays: [0, 0.3], clockDays: [1, 2] },
};
/** Someone who dosed goes on in one way or another; someone who only let things rot or fed doses, at most, for the proof that is asked. */
const DOSER: DoseHabit = { ammoniaClear: 0.4, bothClear: 0.33, clock: 0.15, never: 0.12 };
const PROVER: DoseHabit = { ammoniaClear: 0, bothClear: 0.6, clock: 0, never: 0.4 };

/** What the person has said they will do. */
function plannedBy({ planned }: Display): Pick<CarePlan, 'tempC' | 'alkalinityDkh' | 'change'> {
  if (!planned) return {};
  return {
    ...(planned.tempC === null ? {} : { tempC: planned.tempC }),
    ...(planned.alkalinityDkh === null ? {} : { alkalinityDkh: planned.alkalinityDkh }),
    ...(planned.change === null ? {} : { change: planned.change }),
  };
}

/** The temperature that a plan holds. */
export const heldC = (plan: CarePlan, t: Timeline): number => (plan.tempC ?? t.tempC) + (plan.warmerK ?? 0);

export function defaultPlan(water: Display, t: Timeline, choice: PlanChoice = 'asSoFar'): CarePlan {
  const once = ONCE[choice];
  if (once) {
    const plan = defaultPlan(water, t);
    return { ...plan, ...once(t, plan) };
  }
  const doses = t.acts.filter((a) => a.code === ACT.ammonia);
  const recentFood = t.acts.filter((a) => a.code === ACT.food && a.day > t.nowDay - 10);
  const fed = recentFood.reduce((sum, a) => sum + a.amount, 0) / Math.max(1, Math.min(10, t.nowDay));
  const waiting: CarePlan = {
    doseMgNPerL: 0,
    when: NEVER,
    rhythm: rhythmOf(t),
    feedMgNPerDay: 0,
    ...plannedBy(water),
  };
  // With animals in, nobody doses ammonia: what they are fed goes on by itself.
  if (t.animalsIn) return { ...waiting, feedMgNPerDay: fedLately(t.acts, t.nowDay) };
  if (choice === 'dose') return { ...waiting, ...KEEN };
  if (choice === 'feed')
    return { ...waiting, feedMgNPerDay: fed > 0 ? fed : TAKEN.feedingMgNPerL * t.believedL };
  if (choice === 'wait') return waiting;
  const mean =
    doses.length > 0 ? doses.reduce((sum, a) => sum + a.amount, 0) / doses.length / t.believedL : PROOF_MG_N;
  const doser = doses.length > 0 || water.ammoniaSource === 'bottled';
  const feeds =
    water.ammoniaSource === 'feeding' && t.nowDay < 3 && fed === 0
      ? TAKEN.feedingMgNPerL * t.believedL
      : recentFood.length >= 2
        ? fed
        : 0;
  return {
    ...waiting,
    doseMgNPerL: Math.min(mean, PROOF_MG_N * TAKEN.largestDoseShare),
    when: habitOf(t, doser ? DOSER : PROVER),
    feedMgNPerDay: feeds,
  };
}
