export {
  median,
  stability,
  standing,
  type Range,
  type Stability,
  type Standing,
  type TimedValue,
} from './stability';
export { WATER_LIMITS } from './limits';
