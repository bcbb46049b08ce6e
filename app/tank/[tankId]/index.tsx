import { TodayScreen } from '../../../src/features/today';

export default function Route() {
  return <TodayScreen />;
}
