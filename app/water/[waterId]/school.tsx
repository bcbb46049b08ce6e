export { SchoolScreen as default } from '../../../src/features/screens';
