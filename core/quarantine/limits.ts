/** What the quarantine clock counts by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const QUARANTINE_LIMITS = {
  unbrokenDays: limit(7, 'days', 'before release must be without a missed look', 'common practice'),
  farthestDays: limit(400, 'days', 'ahead a release is looked for', 'common practice'),
} as const satisfies LimitTable;

export const QUARANTINE = valuesOf(QUARANTINE_LIMITS);
