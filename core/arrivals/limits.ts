/** What arrivals are judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const ARRIVALS_LIMITS = {
  freshPh: limit(8.2, 'pH', 'fresh salt water; a change brings a bare tank back to it', 'science notes 8'),
  usualTempC: limit(25, '°C', 'where none was measured', 'common practice'),
  usualSalinity: limit(35, 'practical salinity', 'where none was measured', 'common practice'),
  changeDays: limit(
    [1, 2, 3, 4],
    'days',
    'between changes of a bare tank that are weighed',
    'common practice',
  ),
  gentleFraction: limit(
    0.5,
    'share',
    'of the water, the most that is proposed at a time where less often would do',
    'science notes 9',
  ),
  lookAfterDays: limit(
    [1, 3, 7, 14, 30],
    'days',
    'after joining a display: looks that are due',
    'common practice',
  ),
  rampDays: limit([0, 1, 3, 5, 7], 'days', 'after joining, steps of the food offered', 'our choice'),
  rampShare: limit(
    [0, 0.33, 0.5, 0.75, 1],
    'share',
    'of the full ration on those days: bacteria double in one to two days',
    'our choice',
  ),
  lightRatio: limit(1.2, 'times', 'the most a step of daily light rises', 'science notes 8'),
  lightStepDays: limit(7, 'days', 'the least between steps of light', 'science notes 8'),
  unknownPar: limit(
    60,
    'umol m-2 s-1',
    'where nobody knows the light a coral comes from',
    'science notes 8: 50 to 75',
  ),
  outlookDays: limit(14, 'days', 'of ammonia drawn ahead', 'common practice'),
  departsTimes: limit(1.5, 'times', 'a reading that far from the reckoned departs from it', 'our guess'),
  departsMgN: limit(0.05, 'mg N/L', 'and beyond it by this much', 'our guess'),
} as const satisfies LimitTable;

export const ARRIVALS = valuesOf(ARRIVALS_LIMITS);
