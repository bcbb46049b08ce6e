export { ArrivalScreen as default } from '../../../../src/features/screens';
