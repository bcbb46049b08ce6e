import { CycleScreen } from '../../../../src/features/cycle';

export default function Route() {
  return <CycleScreen />;
}
