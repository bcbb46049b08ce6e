export { ReportScreen as default } from '../../../src/features/screens';
