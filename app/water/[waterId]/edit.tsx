export { EditWaterScreen as default } from '../../../src/features/screens';
