export { SPECIES, speciesById, speciesSchema, type Species } from './species';
export { capacityAt, dailyLoadMgN, displayLoadAt, fishMassG, groupLoadMgN, loadStair, peakAfterStep, provedCapacity, NEAR_ZERO_MG_N, type Capacity, type StairStep } from './load';
export { additionWarnings, isComing, type AdditionForecast, type Warning } from './warnings';
