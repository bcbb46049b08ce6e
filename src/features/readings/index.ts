export { ParametersScreen } from './ParametersScreen';
export { ReadingsScreen } from './ReadingsScreen';
