export { firstCorals, lackedBy } from './alone';
export { apartOf, companyOf, fewestToGo, findingsOf, grownMgN, without, type Apart } from './company';
export type { Finding, Severity } from './finding';
export { foodOfBatch } from './food';
export {
  additionWarnings,
  allowedLoadMgN,
  isLightLoad,
  paceOf,
  type AdditionForecast,
  type Joining,
  type Warning,
} from './joining';
export { lineOf, openLines } from './lines';
export { COMPANY, COMPANY_LIMITS } from './limits';
export { membersOf, standingTank, tankOf, type Member, type Tank } from './member';
export { ofTheStay } from './stay';
export { hopelessWishes, nextWish, saidOfThem, type NextWish } from './wish';
