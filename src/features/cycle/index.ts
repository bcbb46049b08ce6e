export { CycleScreen } from './CycleScreen';
export { DoseScreen } from './DoseScreen';
