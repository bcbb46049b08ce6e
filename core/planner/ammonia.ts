/** R6: the free ammonia predicted after each release of a plan, the bacteria growing into the load. From what the filter carries near zero
 *  today, by the nitrogen model of core/nitrogen with its usual rates, in steps of a tenth of a day. Alkalinity is kept up, by changes and by what is added:
 *  over the months of a plan it would else run out, and the bacteria stand still in water that nobody would have. */
import { DEFAULT_PARAMS, EMPTY_STATE, runNitrogen, type NitrogenState } from '../nitrogen/model';
import { FREE_AMMONIA } from '../seawater/limits';
import { STOCKING } from '../stocking/limits';
import { PLANNER } from './limits';
import type { PlanWater, Problem, Released } from './problem';

export const STEP_DAYS = 0.1;
const ALKALINITY_KEPT = 0;
const KA = DEFAULT_PARAMS.kaMgNPerL;

/** The water after some releases, at the last of them: what comes later goes on from here. */
interface Reached {
  day: number;
  loadMgN: number;
  state: NitrogenState;
  /** The same water later, were nothing else released: days are asked about one after the other. */
  later: { day: number; state: NitrogenState };
}

/** Capacity X that takes up so much at invisible ammonia: X = near / (A / (Ka + A)). */
export function atFirst({ nearZeroMgN, netL }: PlanWater): NitrogenState {
  const x = ((nearZeroMgN ?? 0) / netL) * ((KA + STOCKING.nearZeroMgN) / STOCKING.nearZeroMgN);
  return { ...EMPTY_STATE, capacityA: x, capacityN: x };
}

/** Runs a state on where it stands. @param enough with more ammonia than this it need go no further; @returns the most ammonia there was */
function run(s: NitrogenState, perDay: number, days: number, enough = Infinity): number {
  const before = s.ammonia;
  const steps = Math.round(days / STEP_DAYS);
  const added = perDay * STEP_DAYS;
  return Math.max(before, runNitrogen(s, DEFAULT_PARAMS, STEP_DAYS, steps, added, enough, ALKALINITY_KEPT));
}

/** What of a problem the ammonia hangs on. */
export type AmmoniaOf = Pick<Problem, 'today' | 'displayLoadMgN' | 'released' | 'water'>;

/** One problem's water, asked about plan after plan: what begins alike is run once. */
export class Ammonia {
  private readonly reached = new Map<string, Reached>();
  private readonly kept = new Map<string, boolean>();
  private first: Reached | null = null;
  /** A plan was turned down: what was not followed from there might have been the best. */
  cut = false;

  constructor(private readonly p: AmmoniaOf) {}

  /** Highest free ammonia in the days after the last of these releases, mg N/L; null where nothing can be predicted. */
  peakAfter(releases: readonly Released[]): number | null {
    const { water } = this.p;
    if (!water || water.nearZeroMgN === null || releases.length === 0) return null;
    return this.mostAfter(water, releases, Infinity) * water.freeShare;
  }

  /** Does it stay within what is allowed? Asked day after day: where it does not, that shows soon. */
  fits(releases: readonly Released[]): boolean {
    const { water } = this.p;
    if (!water || water.nearZeroMgN === null || releases.length === 0) return true;
    const key = keyOf(releases);
    let fits = this.kept.get(key);
    if (fits === undefined) {
      const most = this.mostAfter(water, releases, FREE_AMMONIA.longTerm / water.freeShare);
      fits = most * water.freeShare <= FREE_AMMONIA.longTerm;
      this.kept.set(key, fits);
    }
    if (!fits) this.cut = true;
    return fits;
  }

  /** Most total ammonia in the days after the last of these releases, mg N/L. @param enough beyond it the days are not followed */
  private mostAfter(water: PlanWater, releases: readonly Released[], enough: number): number {
    const { loadMgN, state } = this.at(water, releases);
    return run({ ...state }, loadMgN / water.netL, PLANNER.ammoniaDays, enough);
  }

  /** The water on the day of the last release, its load in it. */
  private at(water: PlanWater, releases: readonly Released[]): Reached {
    const key = keyOf(releases);
    const known = this.reached.get(key);
    if (known) return known;
    const last = releases[releases.length - 1] as Released;
    const before: Reached =
      releases.length > 1
        ? this.at(water, releases.slice(0, -1))
        : (this.first ??= reachedOn(this.p.today, presentMgN(this.p), atFirst(water)));
    const state = laterOn(before, before.loadMgN / water.netL, Math.max(before.day, last.day));
    const reached = reachedOn(last.day, before.loadMgN + last.loadMgN, state);
    this.reached.set(key, reached);
    return reached;
  }
}

const reachedOn = (day: number, loadMgN: number, state: NitrogenState): Reached => ({
  day,
  loadMgN,
  state,
  later: { day, state: { ...state } },
});

/** The water on a later day, as if nothing else were released. */
function laterOn(from: Reached, perDay: number, day: number): NitrogenState {
  if (day < from.later.day) from.later = { day: from.day, state: { ...from.state } };
  const { later } = from;
  run(later.state, perDay, day - later.day);
  later.day = day;
  return { ...later.state };
}

/** Load that is there today, mg N a day. */
export const presentMgN = (p: AmmoniaOf): number =>
  p.displayLoadMgN + p.released.reduce((sum, r) => sum + (r.day <= p.today ? r.loadMgN : 0), 0);

const keyOf = (releases: readonly Released[]): string =>
  releases.map((r) => `${r.day}:${r.loadMgN}`).join(' ');
