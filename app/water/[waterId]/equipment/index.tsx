export { EquipmentScreen as default } from '../../../../src/features/screens';
