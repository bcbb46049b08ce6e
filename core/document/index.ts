export * from './schema';
export { applyChanges, changesOf, editsToRemoveTank, reversed, type Change, type Edit } from './changes';
export { brokenReferences, fileSchema, parseEntity, readDocument, writeDocument, type Fault, type LoadResult } from './file';
export { isNitrogen, kitExpired, nitrogenInterval, readingInterval, readingText, readsZero, type Interval } from './readings';
export { STARTER_KITS } from './starterKits';
export { broughtUp } from './migrations';
export { LIMITS, plausibility, type Plausibility } from './plausible';
export { DEFAULT_TARGETS, isOwnParameter, parameterName, parameterUnit, PARAMETER_NAMES, TARGET_PRESETS, type TargetPreset } from './parameters';
export { documentAsOf } from './asOf';
