import { ReadingsScreen } from '../../../../../src/features/readings';

export default function Route() {
  return <ReadingsScreen />;
}
