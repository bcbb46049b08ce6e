export { FilesScreen as default } from '../src/features/screens';
