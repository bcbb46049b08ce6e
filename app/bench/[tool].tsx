import { LoneToolScreen } from '../../src/features/bench';

export default function Route() {
  return <LoneToolScreen />;
}
