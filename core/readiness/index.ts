export { assess, assessmentOf, assessWater, besides } from './assess';
export { freeAmmonia } from './freeAmmonia';
export { SCHOOL_GATES } from './gates';
export type { Assessment, FreeAmmonia, Gate, Judgement } from './judgement';
export { LIVING, LIVING_LIMITS, READINESS_LIMITS, RULES } from './limits';
export { proposedMethod, proposedSchool, type Proposal } from './proposals';
