import { SchoolScreen } from '../../../src/features/tanks';

export default function Route() {
  return <SchoolScreen />;
}
