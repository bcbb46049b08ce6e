/** R6: the free ammonia predicted after each release of a plan, the bacteria growing into the load. From what the filter carries near zero
 *  today, by the nitrogen model of core/nitrogen with its usual rates, in steps of a tenth of a day. */
import { DEFAULT_PARAMS, EMPTY_STATE, stepNitrogen, type NitrogenState } from '../nitrogen/model';
import { FREE_AMMONIA } from '../seawater/limits';
import { STOCKING } from '../stocking/limits';
import { PLANNER } from './limits';
import type { PlanWater, Problem, Released } from './problem';

const STEP_DAYS = 0.1;
const KA = DEFAULT_PARAMS.kaMgNPerL;

/** The water after some releases, at the last of them: what comes later goes on from here. */
interface Reached {
  day: number;
  loadMgN: number;
  state: NitrogenState;
}

/** Capacity X that takes up so much at invisible ammonia: X = near / (A / (Ka + A)). */
function atFirst({ nearZeroMgN, netL }: PlanWater): NitrogenState {
  const x = ((nearZeroMgN ?? 0) / netL) * ((KA + STOCKING.nearZeroMgN) / STOCKING.nearZeroMgN);
  return { ...EMPTY_STATE, capacityA: x, capacityN: x };
}

function run(
  state: NitrogenState,
  perDay: number,
  days: number,
  see?: (s: NitrogenState) => void,
): NitrogenState {
  let s = state;
  for (let i = 0; i < Math.round(days / STEP_DAYS); i++) {
    s = stepNitrogen({ ...s, ammonia: s.ammonia + perDay * STEP_DAYS }, DEFAULT_PARAMS, STEP_DAYS);
    see?.(s);
  }
  return s;
}

/** What of a problem the ammonia hangs on. */
export type AmmoniaOf = Pick<Problem, 'today' | 'displayLoadMgN' | 'released' | 'water'>;

/** One problem's water, asked about plan after plan: what begins alike is run once. */
export class Ammonia {
  private readonly reached = new Map<string, Reached>();
  private readonly peaks = new Map<string, number>();
  /** A plan was turned down: what was not followed from there might have been the best. */
  cut = false;

  constructor(private readonly p: AmmoniaOf) {}

  /** Highest free ammonia in the days after the last of these releases, mg N/L; null where nothing can be predicted. */
  peakAfter(releases: readonly Released[]): number | null {
    const { water } = this.p;
    if (!water || water.nearZeroMgN === null || releases.length === 0) return null;
    const key = keyOf(releases);
    const known = this.peaks.get(key);
    if (known !== undefined) return known;
    const { loadMgN, state } = this.at(water, releases);
    let most = state.ammonia;
    run(state, loadMgN / water.netL, PLANNER.ammoniaDays, (s) => (most = Math.max(most, s.ammonia)));
    const peak = most * water.freeShare;
    this.peaks.set(key, peak);
    return peak;
  }

  fits(releases: readonly Released[]): boolean {
    const peak = this.peakAfter(releases);
    if (peak === null || peak <= FREE_AMMONIA.longTerm) return true;
    this.cut = true;
    return false;
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
        : { day: this.p.today, loadMgN: presentMgN(this.p), state: atFirst(water) };
    const reached = {
      day: last.day,
      loadMgN: before.loadMgN + last.loadMgN,
      state: run(before.state, before.loadMgN / water.netL, Math.max(0, last.day - before.day)),
    };
    this.reached.set(key, reached);
    return reached;
  }
}

const presentMgN = (p: AmmoniaOf): number =>
  p.displayLoadMgN + p.released.reduce((sum, r) => sum + (r.day <= p.today ? r.loadMgN : 0), 0);

const keyOf = (releases: readonly Released[]): string =>
  releases.map((r) => `${r.day}:${r.loadMgN}`).join(' ');
