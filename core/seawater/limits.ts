/** What free ammonia is judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const FREE_AMMONIA_LIMITS = {
  longTerm: limit(0.02, 'mg NH3-N/L', 'watched from here with animals in; harms for long', 'common practice'),
  act: limit(0.05, 'mg NH3-N/L', 'act from here with animals in', 'common practice'),
  emergency: limit(0.2, 'mg NH3-N/L', 'emergency with animals in', 'common practice'),
} as const satisfies LimitTable;

export const FREE_AMMONIA = valuesOf(FREE_AMMONIA_LIMITS);
