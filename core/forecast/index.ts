export { forecast, gainOf, PROOF_MG_N, type CarePlan, type DailyBand, type Forecast, type Quantiles } from './forecast';
export { DEFAULT_OPTIONS, infer, type InferOptions, type Posterior, type Progress } from './infer';
export { defaultPlan, type PlanChoice } from './plan';
export { timelineOf, type Timeline } from './timeline';
export { answer, answerNow, type Answer, type Question } from './answer';
export { type Surprise } from './surprise';
export { type FitDay, type NextTest } from './fit';
export { coursesFor, WHAT_IFS, whatIf, type WhatIf, type WhatIfId } from './whatIf';
