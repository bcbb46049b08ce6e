export { admissionRisks, isCopperDeath, type Newcomer, type Risk } from './guard';
export { admit, withRisks, type Admission, type Admitted } from './admit';
export { bareOutlook, type BareOutlook } from './bare';
export { ARRIVALS_LIMITS } from './limits';
export { followUpsOf, followUpTasks } from './followUps';
export { editsToInspect, type Found, type Tally } from './inspection';
export { dailyLight, lightSteps, type LightStep } from './light';
export { editsToBuy, stagesOf, type Bought, type Stage } from './purchase';
