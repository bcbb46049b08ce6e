import { HomeScreen } from '../src/features/waters/HomeScreen';
import { TodayScreen } from '../src/features/today/TodayScreen';

export default function Route() {
  return <HomeScreen today={<TodayScreen />} />;
}
