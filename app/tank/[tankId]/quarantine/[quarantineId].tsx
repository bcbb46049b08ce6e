import { QuarantineScreen } from '../../../../src/features/stock';

export default function Route() {
  return <QuarantineScreen />;
}
