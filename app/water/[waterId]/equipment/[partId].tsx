export { PartScreen as default } from '../../../../src/features/screens';
