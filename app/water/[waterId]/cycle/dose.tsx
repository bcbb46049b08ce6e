export { DoseScreen as default } from '../../../../src/features/screens';
