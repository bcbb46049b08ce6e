export { KeysScreen, LostScreen, SettingsScreen } from './SettingsScreens';
