export { ask, note, type Finding, type LivingWord, type Trouble } from './finding';
export { foodLimit, type FoodLimit } from './food';
export { freeAmmonia, freeCourse, type FreeAmmonia } from './freeAmmonia';
export { inRange, isFresh } from './fresh';
export { judgeLiving, URGENCY, type Living } from './judge';
export { LIVING, LIVING_LIMITS } from './limits';
export type { ActPlan } from './plan';
export { mishapFindings } from './risks';
