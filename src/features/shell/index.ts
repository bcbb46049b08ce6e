export { AppRoot } from './AppRoot';
export { Boundary } from './Boundary';
export { inSlices, part, screen } from './screen';
export { NotHere, ageWords, useParam, useUnits, useWords, WithDisplay, WithWater } from './water';
