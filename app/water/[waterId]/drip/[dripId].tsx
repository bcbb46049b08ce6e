export { DripScreen as default } from '../../../../src/features/screens';
