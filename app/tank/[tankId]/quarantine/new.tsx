export { NewQuarantineScreen as default } from '../../../../src/features/screens';
