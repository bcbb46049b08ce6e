import { DripScreen } from '../../../../src/features/acclimation';

export default function Route() {
  return <DripScreen />;
}
