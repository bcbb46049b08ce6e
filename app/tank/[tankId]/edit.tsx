export { EditTankScreen as default } from '../../../src/features/screens';
