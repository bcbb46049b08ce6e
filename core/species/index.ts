export { allSpecies, SPECIES, SPECIES_IDS, speciesById, speciesOf } from './species';
export { assumedOf, NO_OWN_KINDS, type AssumedField, type OwnSpecies, type WithKinds } from './own';
export type { PreyKind, Species } from './schema';
