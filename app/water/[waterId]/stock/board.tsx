export { BoardScreen as default } from '../../../../src/features/screens';
