/** Other courses: the same particles and the same futures under a changed plan. */
import { forecast, gainOf, type Forecast, type Quantiles } from './forecast';
import type { Posterior } from './infer';
import type { CarePlan, PlanChoice } from './plan';

export interface Course {
  id: PlanChoice;
  plan: CarePlan;
  ready: Quantiles;
  /** Days won against the present course; negative is lost. */
  gain: Quantiles;
  /** Share of futures that get there only so. */
  reachesMore: number;
}

/** A course against the present one. */
export function courseOf(
  posterior: Posterior,
  base: Forecast,
  id: PlanChoice,
  plan: CarePlan,
  seed: number,
): Course {
  const { horizonDays } = base;
  const other = forecast(posterior, plan, { horizonDays, seed, loadMgN: null, datesOnly: true });
  const { days, reachesMore } = gainOf(base, other);
  return { id, plan, ready: other.ready, gain: days, reachesMore };
}
