export { SPECIES, SPECIES_IDS, speciesById, type Species } from './species';
export type { PreyKind } from './schema';
