export * from './types';
export * from './vocabulary';
export { applyChanges, changesOf, entityIn, reversed, type Change, type Edit } from './changes';
export {
  isNitrogen,
  kitExpired,
  nitrogenInterval,
  readerShare,
  readingInterval,
  readingText,
  freeAmmoniaInterval,
  readsZero,
  type Interval,
} from './readings';
export { DOCUMENT_LIMITS } from './limits';
export { STARTER_KITS, starterKits } from './starterKits';
export type { Entry } from './entry';
export { hoursFrom, hoursText, type MonitorHour } from './hours';
export { LIMITS, likelyMistake, plausibility, type Plausibility } from './plausible';
export {
  aimOf,
  DEFAULT_TARGETS,
  isOwnParameter,
  parameterName,
  parameterUnit,
  PARAMETER_NAMES,
  TARGET_PRESETS,
  type TargetPreset,
  type TargetRange,
} from './parameters';
export { documentAsOf } from './asOf';
export {
  asWanted,
  GONE,
  IN,
  isComing,
  isIn,
  lastMove,
  lostFrom,
  moved,
  placeOf,
  priorities,
  renamed,
  split,
  waterOf,
  WISHED,
} from './animals';
export { closedOn, inOrder, isOpen, lastRun, livingIn, openedOn, quarantinesOf } from './waters';
