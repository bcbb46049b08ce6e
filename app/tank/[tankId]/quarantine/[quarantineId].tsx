export { QuarantineScreen as default } from '../../../../src/features/screens';
