import { AfterScreen } from '../../../../src/features/after';

export default function Route() {
  return <AfterScreen />;
}
