export { NewDripScreen as default } from '../../../../src/features/screens';
