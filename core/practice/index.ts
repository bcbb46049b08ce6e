export { begin, PRACTICE_WATER, sitting } from './begin';
export { carefulDay } from './careful';
export { play, type Played } from './driver';
export { scenarioFrom, scenarioSchema, type Scenario } from './scenario';
export { SCENARIOS } from './scenarios';
export { truthAt, type Truth } from './truth';
