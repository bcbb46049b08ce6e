export { PhotosScreen as default } from '../../../src/features/screens';
