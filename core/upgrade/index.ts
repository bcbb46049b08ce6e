export { UPGRADE, UPGRADE_LIMITS } from './limits';
export { carriedOut, meantFor } from './carriedOut';
export { companyAfter } from './companyAfter';
export { targetOf, type Target } from './target';
export { movePlan, type Borne, type Move, type MovePlan } from './upgrade';
