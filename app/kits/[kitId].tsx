import { KitScreen } from '../../src/features/log';

export default function Route() {
  return <KitScreen />;
}
