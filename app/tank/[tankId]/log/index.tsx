import { SampleScreen } from '../../../../src/features/log';

export default function Route() {
  return <SampleScreen />;
}
