export { TankToolScreen as default } from '../../../../src/features/screens';
