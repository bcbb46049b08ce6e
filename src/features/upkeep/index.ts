export { EquipmentScreen, PartScreen } from './EquipmentScreens';
export { SetupScreen } from './SetupScreen';
