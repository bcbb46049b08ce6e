export { readFile, type FileRead } from './fileReader';
export { useForecast, useQuietForecast } from './useForecast';
export { usePlan } from './usePlan';
