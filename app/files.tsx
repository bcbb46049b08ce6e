import { FilesScreen } from '../src/features/files';

export default function Route() {
  return <FilesScreen />;
}
