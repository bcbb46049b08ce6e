export { breakIn, type BreakIn, type BreakInAdvice } from './breakIn';
export { socketsOf, type Socket } from './cables';
export { breakingIn, dueUpkeep, money, nextService, type Due } from './upkeep';
export { EQUIPMENT_LIMITS } from './limits';
