export { HistoryScreen as default } from '../../../../src/features/screens';
