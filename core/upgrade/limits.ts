/** What a move of a whole tank is reckoned with. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const UPGRADE_LIMITS = {
  bruisedShare: limit(
    0.2,
    'share',
    'of the bacteria lost to air, cold and knocks on the way',
    'our estimate',
  ),
  leastCarried: limit(
    0.5,
    'share',
    'of the load is carried near zero on the day of a move, or it waits: half settles near 0.1 mg N/L by X A/(Ka + A)',
    'our choice',
  ),
  testDays: limit(
    [0, 1, 2, 3, 5, 7, 14],
    'days',
    'after a move, on which ammonia is tested',
    'common practice',
  ),
} as const satisfies LimitTable;

export const UPGRADE = valuesOf(UPGRADE_LIMITS);
