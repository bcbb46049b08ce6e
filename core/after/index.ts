export {
  crewPlan,
  filmBands,
  filmSays,
  resetPlan,
  type CrewPlan,
  type FilmBand,
  type FilmSays,
  type ResetPlan,
} from './afterCycle';
export { AFTER, AFTER_LIMITS } from './limits';
export { asSnails, grazingOf, type Grazing } from './grazing';
export { leftoversOf, scavengersWantMgN, siftersWantCm2, type Leftovers, type SoMany } from './leftovers';
