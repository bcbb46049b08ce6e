export { isChecked, monitorAlarms, type MonitorAlarm } from './alarms';
export { course, dayStretch, daysOf, spanOf, stepFor, type Stretch } from './course';
export { MONITOR, MONITOR_LIMITS } from './limits';
export {
  BY_HAND,
  dayId,
  folded,
  hoursOf,
  MONITORED,
  monitoredAs,
  postSchema,
  type Monitored,
  type MonitorReading,
} from './readings';
