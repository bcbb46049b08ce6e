export { AppRoot } from './AppRoot';
export { NotHere, tankAgeDays, useParam, useUnits, useWords, WithTank } from './tank';
