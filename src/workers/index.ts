export { useForecast, useQuietForecast, type ForecastState } from './useForecast';
