import { KitsScreen } from '../../src/features/log';

export default function Route() {
  return <KitsScreen />;
}
