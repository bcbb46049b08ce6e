/** What the quarantine clock counts by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const QUARANTINE_LIMITS = {
  unbrokenDays: limit(7, 'days', 'before release must be without a missed look', 'common practice'),
  fallowDays: limit(
    76,
    'days',
    'without fish after an outbreak, from the last one out, at 24 to 26 C',
    'science notes 8',
  ),
  fallowWarmDays: limit(
    45,
    'days',
    'the least where it stays warm all the time, for a reason that is kept',
    'science notes 8',
  ),
  fallowWarmC: limit(27, '°C', 'or more, all the time, for less than the usual days', 'science notes 8'),
  fallowTestedDays: limit(7, 'days', 'at most between two temperatures that show it', 'our choice'),
  fallowToldDays: limit(14, 'days', 'it is told that the fallow time is over', 'common practice'),
  litresPerCm: limit(
    6,
    'L/cm',
    'of the largest fish to come, for a stay of weeks',
    'common practice: 75 L for 12 cm',
  ),
  leastL: limit(40, 'L', 'smallest quarantine: less swings too fast', 'common practice'),
  turnover: limit([5, 10], 'times an hour', 'the pump turns the water over', 'common practice'),
  farthestDays: limit(400, 'days', 'ahead a release is looked for', 'common practice'),
} as const satisfies LimitTable;

export const QUARANTINE = valuesOf(QUARANTINE_LIMITS);
