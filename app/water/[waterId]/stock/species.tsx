export { SpeciesListScreen as default } from '../../../../src/features/screens';
