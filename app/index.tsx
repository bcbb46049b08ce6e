import { HomeScreen } from '../src/features/tanks';

export default function Route() {
  return <HomeScreen />;
}
