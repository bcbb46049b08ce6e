export { afterWaterChange, changeFractionFor, salinityAfterEvaporation } from './dilution';
export {
  afterContinuousExchange,
  beforeFromAfter,
  dilutionSteps,
  fractionForSteps,
  heatingHours,
} from './change';
export { litresFromDrop, stuckOn, swingPerDay } from './evaporation';
