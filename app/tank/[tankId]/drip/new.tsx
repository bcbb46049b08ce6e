import { NewDripScreen } from '../../../../src/features/acclimation';

export default function Route() {
  return <NewDripScreen />;
}
