import { KeysScreen } from '../src/features/settings';

export default function Route() {
  return <KeysScreen />;
}
