/** When a parameter counts as steady, drifting or odd. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const WATER_LIMITS = {
  lastReadings: limit(60, 'readings', 'the latest that steadiness is read from', 'our choice'),
  leastReadings: limit(3, 'readings', 'fewer say nothing about steadiness', 'our choice'),
  leastDays: limit(2, 'days', 'a shorter span says nothing about steadiness', 'our choice'),
  middleShare: limit(0.8, 'share', 'of the readings that the spread holds', 'our choice'),
  oddAfter: limit(4, 'readings', 'before one, so that it can be called odd', 'our choice'),
  oddSigma: limit(4, 'standard deviations', 'from where the others point: odd', 'our choice'),
  oddFloor: limit(
    0.015,
    'share',
    'of the level, the least standard deviation: a flat line calls nothing odd',
    'our choice',
  ),
  madToSd: limit(1.4826, 'times', 'a median deviation as a standard deviation', 'normal distribution'),
  driftOfTarget: limit(0.5, 'share', 'of the target crossed in a week: drifting', 'our choice'),
} as const satisfies LimitTable;

export const WATER = valuesOf(WATER_LIMITS);
