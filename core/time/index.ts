export { addDays, dayFromNumber, dayHasBegun, dayNumber, daysBetween, isDay } from './calendar';
export { DAY_MS, HOUR_MS, MINUTE_MS } from './durations';
