export { DripScreen } from './DripScreen';
export { NewDripScreen } from './NewDripScreen';
