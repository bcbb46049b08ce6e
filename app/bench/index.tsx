import { LoneBenchScreen } from '../../src/features/bench';

export default function Route() {
  return <LoneBenchScreen />;
}
