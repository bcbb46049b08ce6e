/** What the quarantine clock counts by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const QUARANTINE_LIMITS = {
  missedShare: limit(
    0.25,
    'share of the clock',
    'days nobody looked that count as passed; beyond it as many days are added',
    'our guess, on the careful side',
  ),
} as const satisfies LimitTable;

export const QUARANTINE = valuesOf(QUARANTINE_LIMITS);
