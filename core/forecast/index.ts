export { forecast, gainOf, type DailyBand, type Forecast, type Quantiles } from './forecast';
export {
  inferIsland,
  pooled,
  refreshIsland,
  type InferOptions,
  type Island,
  type Posterior,
  type Progress,
} from './infer';
export { targetOf, type Target } from './likelihood';
export { COURSES, coursesFor, defaultPlan, PROOF_MG_N, type CarePlan, type PlanChoice } from './plan';
export { FORECAST_LIMITS, FORECAST_PRIOR } from './limits';
export { type DoseHabit } from './habits';
export { timelineOf, type Timeline } from './timeline';
export {
  answer,
  answerFrom,
  answerNow,
  islandOptions,
  narrowing,
  read,
  type Answer,
  type Asked,
  type Question,
} from './answer';
export { type Fitted } from './fit';
export { type Surprise } from './surprise';
export { type FitDay } from './fit';
export { type NextTest, type WidthThen } from './teaching';
export { courseOf, groundFor, type Course } from './courses';
export { inputsOf, plannedLoad, sliceFor } from './slice';
export { loadAfterGates } from './order';
export { bandOf, editsToSay, heldAgainst, movesOf, saidOf } from './lookBack';
