/** What a drip is judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const ACCLIMATION_LIMITS = {
  nearSg: limit(0.001, 'SG 25/25', 'salinity near enough to let an animal go', 'common practice'),
  nearC: limit(0.5, '°C', 'temperature near enough to let an animal go', 'common practice'),
  stepMinutes: limit(
    0.25,
    'minutes',
    'step of the simulation',
    'our choice: halved, no minute of the plan changes',
  ),
  floatingPerHour: limit(2.5, '1/h', 'a floating container follows the tank through plastic', 'our estimate'),
  openPerHour: limit(
    0.28,
    '1/h',
    'an open bucket of 4 L follows the room: half in two and a half hours',
    'our estimate',
  ),
  openLitres: limit(
    4,
    'L',
    'the bucket that figure is for; it scales with volume to the power -1/3',
    'our estimate',
  ),
} as const satisfies LimitTable;

export const ACCLIMATION = valuesOf(ACCLIMATION_LIMITS);
