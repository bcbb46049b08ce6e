export { KitsScreen as default } from '../../src/features/screens';
