import { GalleryScreen } from '../src/features/gallery';

export default function Route() {
  return <GalleryScreen />;
}
