export { CompanyScreen as default } from '../../../../src/features/screens';
