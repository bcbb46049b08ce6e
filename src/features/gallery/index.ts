export { GalleryScreen } from './GalleryScreen';
