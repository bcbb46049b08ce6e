export { AnimalScreen as default } from '../../../../src/features/screens';
