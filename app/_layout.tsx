import { AppRoot } from '../src/features/shell';

export default function Route() {
  return <AppRoot />;
}
