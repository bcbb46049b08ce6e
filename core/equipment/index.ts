export { breakingIn, dueUpkeep, money, nextService, type Due } from './upkeep';
export { EQUIPMENT_LIMITS } from './limits';
