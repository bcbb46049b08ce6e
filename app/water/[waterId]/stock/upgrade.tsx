export { UpgradeScreen as default } from '../../../../src/features/screens';
