export { doseGuard } from './guard';
export { DOSING, DOSING_LIMITS } from './limits';
export { ammoniaDose, strengthMgNPerMl, type AmmoniaStrength, type Dose, type DoseRequest } from './ammonia';
export {
  atSalinity,
  COMPOUNDS,
  compoundGrams,
  DAILY_CEILING,
  dailyUse,
  doseDays,
  mineralBalance,
  movesOf,
  productMl,
  straightLine,
  USUAL_IN_NEW_WATER,
  withoutMoves,
  type Balance,
  type Compound,
  type DailyUse,
} from './minerals';
export {
  correctBatch,
  learnedStrength,
  saltFor,
  salinityPlan,
  type SaltBatch,
  type SalinityStep,
} from './saltMix';
