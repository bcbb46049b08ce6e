export { SetupScreen as default } from '../../../src/features/screens';
