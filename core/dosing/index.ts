export { ammoniaDose, strengthMgNPerMl, volumeFromDoseL, DOSE_CEILING_MG_N_PER_L, type AmmoniaStrength, type Dose, type DoseRequest } from './ammonia';
