export { KeysScreen as default } from '../src/features/screens';
