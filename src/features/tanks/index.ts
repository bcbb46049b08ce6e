export { HomeScreen } from './HomeScreen';
export { SwitcherScreen } from './SwitcherScreen';
export { NewTankScreen, EditTankScreen } from './TankFormScreen';
export { SchoolScreen } from './SchoolScreen';
