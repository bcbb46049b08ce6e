export {
  dailyLoadMgN,
  fedAt,
  loadAt,
  usualLoadAt,
  presentLoadMgN,
  firstStepMgN,
  firstStepOf,
  fishMassG,
  grownCm,
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
export { skeletonUse, type SkeletonUse } from './skeleton';
export { peakOfLoad, type AdditionPeaks } from './peaks';
export { ceilingOf, type CeilingPoint } from './ceiling';
