export {
  dripAt,
  dripLitresPerHour,
  dripPlan,
  dripWaterUsedL,
  NEAR_C,
  NEAR_SG,
  type DripInput,
  type DripPlan,
  type DripPoint,
} from './drip';
export { ACCLIMATION_LIMITS } from './limits';
export { bagCourse, type BagCourse, type BagInput, type BagPoint, type BagWater } from './bag';
export {
  adviceFor,
  mayMove,
  proposedWay,
  type Advice,
  type Because,
  type Sensitive,
  type Way,
} from './advice';
export { bagInputOf, floatMinutes, leastMinutes, nearEnough, rateForMinutes } from './session';
export { drips, leftOpen } from './after';
export { cleanWaterDays, type CleanWaterDay } from './cleanWater';
export { heatAfter } from './heat';
export { dropsFromCup, pulseOf, type Pulse } from './pulse';
