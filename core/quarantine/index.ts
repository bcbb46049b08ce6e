export {
  quarantineClock,
  clockOf,
  quarantineJoinDays,
  type Bead,
  type BeadString,
  type QuarantineClock,
} from './clock';
export { QUARANTINE_LIMITS } from './limits';
