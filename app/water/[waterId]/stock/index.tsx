export { StockScreen as default } from '../../../../src/features/screens';
