import { AnimalScreen } from '../../../../src/features/stock';

export default function Route() {
  return <AnimalScreen />;
}
