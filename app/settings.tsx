import { SettingsScreen } from '../src/features/settings';

export default function Route() {
  return <SettingsScreen />;
}
