export {
  DEFAULT_PARAMS,
  EMPTY_STATE,
  simulateNitrogen,
  stepNitrogen,
  type NitrogenInput,
  type NitrogenParams,
  type NitrogenState,
} from './model';
export { FOOD_MG_N_PER_G } from './food';
export { nitrogenStrata, type Strata, type StrataLine, type StrataPoint } from './strata';
export { doseCheck } from './doseCheck';
export { nitrogenLedger, type Cause, type Ledger } from './ledger';
export { NITROGEN_LIMITS } from './limits';
