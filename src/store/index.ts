export { makeStore, openStore, commit, replaceDocument, undo } from './store';
export { actRedone, noticeDismissed } from './documentSlice';
export {
  sampleDrafted,
  dropsCounted,
  forecastKept,
  tankVisited,
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
  selectEvidence,
  selectLastTank,
  selectSettings,
  selectTanks,
  selectVolume,
} from './hooks';
export * from './time';
export { newId } from './ids';
