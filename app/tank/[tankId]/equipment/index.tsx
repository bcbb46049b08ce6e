import { EquipmentScreen } from '../../../../src/features/upkeep';

export default function Route() {
  return <EquipmentScreen />;
}
