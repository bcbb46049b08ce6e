export {
  capacityAt,
  dailyLoadMgN,
  loadAt,
  fishMassG,
  groupLoadMgN,
  lengthAt,
  loadStair,
  peakAfterStep,
  provedCapacity,
  NEAR_ZERO_MG_N,
  type Capacity,
  type StairStep,
} from './load';
export { STOCKING, STOCKING_LIMITS } from './limits';
export { nextWish, type NextWish } from './wish';
export { additionWarnings, type AdditionForecast, type Warning } from './warnings';
export { peakOfLoad, type AdditionPeaks } from './peaks';
