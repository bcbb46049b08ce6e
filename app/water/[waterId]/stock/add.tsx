export { AddAnimalScreen as default } from '../../../../src/features/screens';
