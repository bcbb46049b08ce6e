export { ForecastScreen as default } from '../../../../src/features/screens';
