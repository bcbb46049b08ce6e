export { CardScreen as default } from '../../../src/features/screens';
