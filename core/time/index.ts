export { addDays, dayFromNumber, dayHasBegun, dayNumber, daysBetween, isDay } from './calendar';
export { compared } from './compared';
export { dayOrder, type DayOrder } from './order';
export { DAY_MS, HOUR_MS, MINUTE_MS } from './durations';
export { UTC, type LocalTime } from './local';
export { weekStart } from './week';
export { isClockTime, isZone, momentIn, type ClockTime } from './zone';
