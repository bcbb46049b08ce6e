export { GalleryScreen as default } from '../src/features/screens';
