export { forecastClient, type ForecastClient } from './forecastClient';
export type { Told } from './messages';
