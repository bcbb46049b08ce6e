export { readVial, type VialDoubt, type VialPhoto, type VialReading } from './read';
export type { ReferenceSquare } from './path';
export { VIAL_LIMITS } from './limits';
