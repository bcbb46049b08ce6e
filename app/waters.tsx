export { SwitcherScreen as default } from '../src/features/screens';
