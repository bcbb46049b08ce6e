export { SPECIES, SPECIES_IDS, speciesById, type Species } from './species';
export { matching } from './search';
export type { PreyKind } from './schema';
