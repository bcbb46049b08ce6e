export { KindScreen as default } from '../../../../src/features/screens';
