/** Other courses: the same particles and the same futures under a changed plan. */
import { forecast, gainOf, type Forecast, type Quantiles } from './forecast';
import type { Posterior } from './infer';
import { STATE_SIZE } from './kernel';
import { TAKEN } from './limits';
import type { CarePlan, PlanChoice } from './plan';
import { DIMENSIONS } from './prior';

export interface Course {
  id: PlanChoice;
  plan: CarePlan;
  ready: Quantiles;
  /** Days won against the present course; negative is lost. */
  gain: Quantiles;
  /** Share of futures that get there only so. */
  reachesMore: number;
}

/** What courses are compared on: no more tanks than that needs, evenly from all islands, and the present course run on them. */
export interface Ground {
  posterior: Posterior;
  base: Forecast;
  seed: number;
}

export function groundFor(
  posterior: Posterior,
  plan: CarePlan,
  o: { horizonDays: number; seed: number },
): Ground {
  const every = Math.max(1, Math.ceil(posterior.particles / TAKEN.courseFutures));
  const n = Math.floor(posterior.particles / every);
  const rows = (list: Float64Array, size: number) =>
    Float64Array.from(
      { length: n * size },
      (_, i) => list[Math.floor(i / size) * every * size + (i % size)] as number,
    );
  const few: Posterior = {
    ...posterior,
    particles: n,
    // Thinned across them, islands are no more told apart.
    islands: 1,
    z: rows(posterior.z, DIMENSIONS),
    states: rows(posterior.states, STATE_SIZE),
    logLikelihood: rows(posterior.logLikelihood, 1),
  };
  const base = forecast(few, plan, { ...o, loadMgN: null, datesOnly: true });
  return { posterior: few, base, seed: o.seed };
}

/** A course against the present one. */
export function courseOf({ posterior, base, seed }: Ground, id: PlanChoice, plan: CarePlan): Course {
  const { horizonDays } = base;
  const other = forecast(posterior, plan, { horizonDays, seed, loadMgN: null, datesOnly: true });
  const { days, reachesMore } = gainOf(base, other);
  return { id, plan, ready: other.ready, gain: days, reachesMore };
}
