export { readEntry, type Entry, type EntryRule } from './entry';
export { parseDecimal, formatDecimal, type ParsedNumber } from './number';
export {
  toMgNPerL,
  fromMgNPerL,
  basisLabel,
  NH4CL_PER_N,
  PRINTED_PER_N,
  type NitrogenBasis,
  type NitrogenSpecies,
} from './nitrogen';
export {
  METRIC,
  VOLUME_UNITS,
  TEMPERATURE_UNITS,
  SALINITY_UNITS,
  LENGTH_UNITS,
  MASS_UNITS,
  unitLabel,
  unitDecimals,
  toUnit,
  fromUnit,
  showDifference,
  showQuantity,
  showRange,
  type UnitPreferences,
  type Quantity,
} from './preferences';
export { unitsOfLanguage, US_CUSTOMARY } from './language';
