export { begin, PRACTICE_WATER, sitting } from './begin';
export { carefulDay } from './careful';
export { costOf, decisionsOf, truthOfRun, type Decision, type DecisionCost } from './decisions';
export { atWork, daysToShop, PRICES, purse, sittingMinutes, type Purse } from './keeper';
export { play, type Played } from './driver';
export { scenarioFrom, scenarioSchema, type Scenario } from './scenario';
export { SCENARIOS } from './scenarios';
export { truthAt, truthBeside, type Truth } from './truth';
