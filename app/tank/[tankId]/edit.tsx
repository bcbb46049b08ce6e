import { EditTankScreen } from '../../../src/features/tanks';

export default function Route() {
  return <EditTankScreen />;
}
