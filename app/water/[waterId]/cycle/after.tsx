export { AfterScreen as default } from '../../../../src/features/screens';
