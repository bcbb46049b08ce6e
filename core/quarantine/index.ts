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
export { everHeldCopper, treatmentsOf } from './treatments';
export { QUARANTINE_LIMITS } from './limits';
