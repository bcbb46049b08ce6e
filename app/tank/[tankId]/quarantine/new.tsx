import { NewQuarantineScreen } from '../../../../src/features/stock';

export default function Route() {
  return <NewQuarantineScreen />;
}
