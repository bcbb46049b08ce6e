import { HomeScreen } from '../src/features/tanks';
import { TodayScreen } from '../src/features/today';

export default function Route() {
  return <HomeScreen today={<TodayScreen />} />;
}
