export { assess, assessmentOf, assessWater } from './assess';
export { ASKS_FOR_DOSE } from './feeding';
export { tooSmallGlass } from './glass';
export { testsAhead, usualEveryDays } from './due';
export { SCHOOL_GATES } from './gates';
export { judgementFor, waterHolds, wordOf, type Assessment, type Gate, type Judgement } from './judgement';
export { READINESS_LIMITS, RULES } from './limits';
export { proposedMethod, proposedSchool, type Proposal } from './proposals';
export { besides } from './walk';
