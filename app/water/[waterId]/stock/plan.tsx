export { PlanScreen as default } from '../../../../src/features/screens';
