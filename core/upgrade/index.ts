export { UPGRADE_LIMITS } from './limits';
export { movePlan, type Move, type MovePlan } from './upgrade';
