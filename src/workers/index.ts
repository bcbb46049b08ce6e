export { pack, unpack } from './archive';
export { readFile, type FileRead } from './fileReader';
export { useForecast, useQuietForecast } from './useForecast';
export { usePlans, type Plans } from './usePlan';
export { useTable } from './useTable';
export type { TableTold } from './messages';
export { patchesOf, scalePhoto } from './scalePhoto';
