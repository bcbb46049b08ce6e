export {
  dripAt,
  dripLitresPerHour,
  dripPlan,
  dripWaterUsedL,
  tappedDropsPerSecond,
  NEAR_C,
  NEAR_SG,
  type DripInput,
  type DripPlan,
  type DripPoint,
} from './drip';
export { ACCLIMATION_LIMITS } from './limits';
