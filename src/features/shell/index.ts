export { AppRoot } from './AppRoot';
export { Boundary } from './Boundary';
export { part, screen } from './screen';
export { NotHere, tankAgeDays, useParam, useUnits, useWords, WithTank } from './tank';
