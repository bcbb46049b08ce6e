export { AppRoot } from './AppRoot';
export { Boundary } from './Boundary';
export { part, screen } from './screen';
export { NotHere, ageWords, useParam, useUnits, useWords, WithDisplay, WithWater } from './water';
