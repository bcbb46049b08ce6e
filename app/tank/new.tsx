import { NewTankScreen } from '../../src/features/tanks';

export default function Route() {
  return <NewTankScreen />;
}
