export { WaterToolScreen as default } from '../../../../src/features/screens';
