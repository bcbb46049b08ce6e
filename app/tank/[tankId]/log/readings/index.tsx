import { ParametersScreen } from '../../../../../src/features/readings';

export default function Route() {
  return <ParametersScreen />;
}
