import { TankToolScreen } from '../../../../src/features/bench';

export default function Route() {
  return <TankToolScreen />;
}
