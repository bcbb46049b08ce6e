import { MonitorLink, prefetchPlaces, Reminder } from '../src/features/screens';
import { AppRoot } from '../src/features/shell';

export default function Route() {
  return <AppRoot whenIdle={prefetchPlaces} Reminder={Reminder} MonitorLink={MonitorLink} />;
}
