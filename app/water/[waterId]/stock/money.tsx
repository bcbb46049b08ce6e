export { MoneyScreen as default } from '../../../../src/features/screens';
