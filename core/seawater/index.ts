export {
  densityKgPerM3,
  specificGravity,
  salinityFromSpecificGravity,
  salinityFromDensity,
  hydrometerShows,
  type SgReference,
} from './density';
export { salinityFromRatio, salinityFromConductivity, conductivityMSPerCm } from './conductivity';
export { FREE_AMMONIA, FREE_AMMONIA_LIMITS } from './limits';
export { ammoniumPKa, ammoniumPKYaoMillero, freeAmmoniaFraction } from './ammonia';
export { acidBase, alkalinityAt, carbonateConstants, dicAt, phIn, phOf, type AcidBase } from './carbonate';
export { afterMixing, alkalinityMolPerKg, type AfterMixing, type MixedWater } from './mixing';
export { NACL_SLOPE, refractometerShows, refractometerTrue, type Refractometer } from './refractometer';
