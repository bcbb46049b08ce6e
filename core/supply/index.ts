export { studentT90, uptake, type Move, type TimedValue, type Uptake } from './uptake';
export { daysUntil, fractionToHold, madeByFeed, steadyState, type Feed } from './steady';
export { SUPPLY, SUPPLY_LIMITS } from './limits';
export { mixOf, SUPPLIED, usedADay, usualIn, type Supplied } from './fromLog';
