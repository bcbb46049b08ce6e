export { NewWaterScreen as default } from '../../src/features/screens';
