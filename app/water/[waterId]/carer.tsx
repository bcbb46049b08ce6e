export { CarerScreen as default } from '../../../src/features/screens';
