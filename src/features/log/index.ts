export { EventScreen } from './EventScreen';
export { HistoryScreen } from './History';
export { KitScreen, KitsScreen } from './KitsScreens';
export { SampleScreen } from './SampleScreen';
