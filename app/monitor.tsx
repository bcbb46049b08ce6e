export { MonitorScreen as default } from '../src/features/screens';
