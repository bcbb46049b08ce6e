export { production, rejection, RESIN_MG_PER_L, resinLitresLeft } from './rodi';
export { fouling, stageDue, type Stage, type StageState } from './stages';
export { RODI, RODI_LIMITS } from './limits';
