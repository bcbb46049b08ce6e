import { BenchScreen } from '../../../../src/features/bench';

export default function Route() {
  return <BenchScreen />;
}
