export { doseGuard, type DoseGuard } from './guard';
export { ammoniaDose, strengthMgNPerMl, DOSE_CEILING_MG_N_PER_L, type AmmoniaStrength, type Dose, type DoseRequest } from './ammonia';
export { atSalinity, CALCIUM_PER_DKH, COMPOUNDS, compoundGrams, DAILY_CEILING, dailyUse, doseDays, mineralBalance, movesOf, productMl, straightLine, USUAL_IN_NEW_WATER, withoutMoves, type Balance, type Compound, type DailyUse } from './minerals';
export { correctBatch, learnedStrength, saltFor, salinityPlan, USUAL_GRAMS_PER_LITRE, type SaltBatch, type SalinityStep } from './saltMix';
