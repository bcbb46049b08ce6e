export { BenchScreen as default } from '../../../../src/features/screens';
