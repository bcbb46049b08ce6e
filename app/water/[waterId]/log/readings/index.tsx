export { ParametersScreen as default } from '../../../../../src/features/screens';
