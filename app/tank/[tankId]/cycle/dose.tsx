import { DoseScreen } from '../../../../src/features/cycle';

export default function Route() {
  return <DoseScreen />;
}
