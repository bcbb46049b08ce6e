export {
  quarantineClock,
  type Bead,
  type BeadString,
  type ClockFacts,
  type ClockLook,
  type QuarantineClock,
  type Restart,
} from './clock';
export { clockOf, quarantineJoinDays, quarantineLossDays } from './record';
export { changePlan, peakOf, sawtooth, type BareTank, type ChangePlan } from './changePlan';
export {
  amountFor,
  asksOf,
  conflictsOf,
  everHeldCopper,
  treatmentsOf,
  type TreatmentAsk,
  type TreatmentConflict,
} from './treatments';
export { fallowOf, homeFallowOf, outbreaksOf, type Fallow } from './fallow';
export { fitOf, lineFits, type Fit } from './fit';
export { QUARANTINE_LIMITS } from './limits';
