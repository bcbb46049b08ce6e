export { PracticeScreen as default } from '../src/features/screens';
