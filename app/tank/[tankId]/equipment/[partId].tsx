import { PartScreen } from '../../../../src/features/upkeep';

export default function Route() {
  return <PartScreen />;
}
