export { BuyScreen as default } from '../../../../src/features/screens';
