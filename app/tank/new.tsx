export { NewTankScreen as default } from '../../src/features/screens';
