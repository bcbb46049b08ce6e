export { quarantineClock, quarantineJoinDays, type Bead, type BeadString, type QuarantineClock } from './clock';
