import { HomeScreen } from '../src/features/tanks/HomeScreen';
import { TodayScreen } from '../src/features/today/TodayScreen';

export default function Route() {
  return <HomeScreen today={<TodayScreen />} />;
}
