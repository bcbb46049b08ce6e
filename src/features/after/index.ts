export { AfterScreen } from './AfterScreen';
