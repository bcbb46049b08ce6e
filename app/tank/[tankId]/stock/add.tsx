import { AddAnimalScreen } from '../../../../src/features/stock';

export default function Route() {
  return <AddAnimalScreen />;
}
