import { SetupScreen } from '../../../src/features/upkeep';

export default function Route() {
  return <SetupScreen />;
}
