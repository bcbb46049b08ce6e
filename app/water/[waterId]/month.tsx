export { MonthScreen as default } from '../../../src/features/screens';
