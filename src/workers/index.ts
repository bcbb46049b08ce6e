export { useForecast, useQuietForecast } from './useForecast';
