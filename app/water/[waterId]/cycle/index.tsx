export { CycleScreen as default } from '../../../../src/features/screens';
