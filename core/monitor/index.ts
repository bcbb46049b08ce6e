export { isChecked, monitorAlarms, type MonitorAlarm } from './alarms';
export { course, dayStretch, daysOf, spanOf, stepFor, type Stretch } from './course';
export { MONITOR_LIMITS } from './limits';
export {
  dayId,
  folded,
  hoursOf,
  MONITORED,
  postSchema,
  type Monitored,
  type MonitorReading,
} from './readings';
