export { BenchScreen, LoneBenchScreen } from './BenchScreen';
export { LoneToolScreen, TankToolScreen } from './ToolScreen';
