export { FilesScreen } from './FilesScreen';
