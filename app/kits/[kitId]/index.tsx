export { KitScreen as default } from '../../../src/features/screens';
