export * from './types';
export * from './vocabulary';
export {
  applyChanges,
  changesOf,
  editsToRemoveTank,
  entityIn,
  reversed,
  type Change,
  type Edit,
} from './changes';
export {
  isNitrogen,
  kitExpired,
  nitrogenInterval,
  readerShare,
  readingInterval,
  readingText,
  readsZero,
  type Interval,
} from './readings';
export { DOCUMENT_LIMITS } from './limits';
export { STARTER_KITS } from './starterKits';
export { broughtUp } from './migrations';
export { LIMITS, plausibility, type Plausibility } from './plausible';
export {
  DEFAULT_TARGETS,
  isOwnParameter,
  parameterName,
  parameterUnit,
  PARAMETER_NAMES,
  TARGET_PRESETS,
  type TargetPreset,
} from './parameters';
export { documentAsOf } from './asOf';
export { currentPlace } from './animals';
