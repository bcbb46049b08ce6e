export {
  admissionRisks,
  firstFishRisk,
  isCopperDeath,
  loadRisks,
  stayRisks,
  type Newcomer,
  type Risk,
} from './guard';
export { admit, withRisks, type Admission, type Admitted } from './admit';
export { bareOutlook, type BareOutlook } from './bare';
export { ARRIVALS_LIMITS } from './limits';
export { feedingOf, rationShare, type Feeding } from './feeding';
export { usualOf } from './usual';
export { followUpsOf, followUpTasks } from './followUps';
export { openTasks } from './openTasks';
export { editsToInspect, tallyOf, type Found, type OneFound, type Tally } from './inspection';
export { handlingOf, type Handling } from './handling';
export { absencesAhead, leftAlone, type Absence } from './alone';
export { dailyLight, lightSteps, type LightStep } from './light';
export { editsToBuy, stagesOf, type Bought, type Stage } from './purchase';
