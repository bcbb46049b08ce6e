export { SettingsScreen as default } from '../src/features/screens';
