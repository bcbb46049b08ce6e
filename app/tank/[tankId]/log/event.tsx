import { EventScreen } from '../../../../src/features/log';

export default function Route() {
  return <EventScreen />;
}
