export { makeStore, openStore, commit, goOnUnstored, redo, replaceDocument, undo, type Seen } from './store';
export { noticeDismissed } from './documentSlice';
export type { Differing, Outcome } from './writer';
export {
  sampleDrafted,
  dropsCounted,
  forecastKept,
  stepDone,
  waterVisited,
  type DropCount,
  type KeptForecast,
  type SampleDraft,
} from './draftsSlice';
export {
  useAppDispatch,
  useAppSelector,
  useNow,
  selectAssessment,
  selectDocument,
  useKinds,
  useLaterLog,
  selectEvidence,
  selectLastWater,
  selectSettings,
  selectWaters,
  selectVolume,
} from './hooks';
export * from './time';
export { newId } from './ids';
export { keepPlan, newestPlan } from './saidPlans';
export { language } from './language';
export { demoShown, keepPracticeRun, practiceRun, showDemo, showPractice, type PracticeRun } from './whose';
export { movePracticeClock } from './practiceClock';
