export { makeStore, openStore, commit, replaceDocument, undo, type AppStore, type RootState } from './store';
export { actRedone, noticeDismissed, type Act } from './documentSlice';
export { sampleDrafted, dropsCounted, forecastKept, tankVisited, type DropCount, type KeptForecast, type SampleDraft } from './draftsSlice';
export { useAppDispatch, useAppSelector, useNow, selectAssessment, selectDocument, selectEvidence, selectLastTank, selectSettings, selectTanks, selectVolume } from './hooks';
export * from './time';
export { newId } from './ids';
