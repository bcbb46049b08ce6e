export { LoneToolScreen as default } from '../../src/features/screens';
