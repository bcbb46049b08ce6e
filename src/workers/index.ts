export { readFile, type FileRead, type FileReading } from './fileReader';
export { useForecast, useQuietForecast } from './useForecast';
