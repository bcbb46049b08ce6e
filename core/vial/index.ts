export { readVial, type VialDoubt, type VialPhoto, type VialReading } from './read';
export type { ReferenceSquare } from './path';
export type { Triple } from './colour';
export { inPhoto, isCard, onCard, type Corners, type Point } from './quad';
export { patchAt, type Patch } from './patch';
export { VIAL_LIMITS } from './limits';
export {
  agree,
  cardFrom,
  hasCard,
  photoSaid,
  readingOf,
  saidWords,
  spotsAt,
  squaresIn,
  valueOf,
} from './card';
