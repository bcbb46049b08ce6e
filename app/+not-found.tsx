import { LostScreen } from '../src/features/settings';

export default function Route() {
  return <LostScreen />;
}
