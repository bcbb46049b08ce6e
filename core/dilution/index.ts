export { afterWaterChange, changeFractionFor, salinityAfterEvaporation } from './dilution';
