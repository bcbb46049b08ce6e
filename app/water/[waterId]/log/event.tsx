export { EventScreen as default } from '../../../../src/features/screens';
