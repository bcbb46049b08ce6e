export { ReadingsScreen as default } from '../../../../../src/features/screens';
