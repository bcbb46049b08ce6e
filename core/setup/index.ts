export { openEssentials, setupLists, setupTitle, type SandSchool, type SetupPoint } from './items';
