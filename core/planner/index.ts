export { PLANNER_LIMITS } from './limits';
export { presentMgN } from './ammonia';
export { endMgN, EXACT_WISHES, stockingPlan, type PlannedStep, type StockingPlan } from './plan';
export {
  HEAVY_MG_N,
  type FixedStep,
  type Line,
  type Problem,
  type QuarantineWater,
  type Released,
  type Step,
  type Wish,
} from './problem';
export { breachesOf, clearOn, type Breach, type Rule } from './rules';
export { alternativesOf, type AlternativeKind, type Concession } from './alternatives';
export {
  choicesOf,
  isStartAhead,
  missedPurchases,
  planBefore,
  planReaches,
  plannedAnimals,
  problemFor,
  type PlanChoices,
  type Planned,
} from './fromDocument';
export { hasteOf, type Haste } from './haste';
export type { Reason } from './reasons';
export { changedSince, type Changed } from './changed';
export { leastToLetIn } from './least';
export type { Apart } from './apart';
