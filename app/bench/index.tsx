export { LoneBenchScreen as default } from '../../src/features/screens';
