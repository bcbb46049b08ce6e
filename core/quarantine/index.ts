export { quarantineClock, type Bead, type BeadString, type QuarantineClock } from './clock';
