export { ForecastScreen } from './ForecastScreen';
