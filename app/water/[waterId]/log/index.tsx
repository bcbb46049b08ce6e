export { SampleScreen as default } from '../../../../src/features/screens';
