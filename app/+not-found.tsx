export { LostScreen as default } from '../src/features/screens';
