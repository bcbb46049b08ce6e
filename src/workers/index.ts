export { readFile, type FileRead } from './fileReader';
export { useForecast, useQuietForecast } from './useForecast';
export { usePlans, type Plans } from './usePlan';
