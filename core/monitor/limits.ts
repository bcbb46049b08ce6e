/** What a device is watched by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const MONITOR_LIMITS = {
  totalHigh: limit(
    0.3,
    'mg N/L',
    'of total ammonia with animals in asks for a test by hand',
    'our choice: at pH 8.2 and 25 degrees C some 0.02 of it is free',
  ),
  silentHours: limit(3, 'h', 'without a reading is silence', 'our choice'),
  riseHours: limit(6, 'h', 'in which a rise is fast', 'our choice'),
  stuckHours: limit(24, 'h', 'on the very same value is stuck', 'our choice: water moves in a day'),
  oftenInADay: limit(12, 'readings', 'of one thing in a day: nobody tests by hand like that', 'our choice'),
  oftenDays: limit(3, 'days', 'so often make a table a device’s', 'our choice'),
  checkedDays: limit(7, 'days', 'a hand test vouches for the device', 'common practice'),
} as const satisfies LimitTable;

export const MONITOR = valuesOf(MONITOR_LIMITS);
