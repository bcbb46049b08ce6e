import { HistoryScreen } from '../../../../src/features/log';

export default function Route() {
  return <HistoryScreen />;
}
