import { SwitcherScreen } from '../src/features/tanks';

export default function Route() {
  return <SwitcherScreen />;
}
