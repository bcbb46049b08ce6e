/** What the agenda goes by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const AGENDA_LIMITS = {
  testsLeft: limit(5, 'tests', 'at so many left a kit is to be bought', 'our choice'),
  kitAheadDays: limit(14, 'days', 'before its date a kit is spoken of', 'our choice'),
  calibrateDays: limit(
    30,
    'days',
    'between two calibrations of an instrument that has been calibrated',
    'common practice',
  ),
  leaveAheadDays: limit(7, 'days', 'before an absence what to do before it is listed', 'our choice'),
  remindFromHour: limit(8, 'o’clock', 'before it nothing is reminded of', 'our choice'),
  remindToHour: limit(21, 'o’clock', 'from it on nothing is reminded of', 'our choice'),
  remindAheadDays: limit(
    14,
    'days',
    'of what falls due are left for the browser to say while the app is closed',
    'our choice',
  ),
  weekDays: limit(7, 'days', 'that count as this week', 'by definition'),
} as const satisfies LimitTable;

export const AGENDA = valuesOf(AGENDA_LIMITS);
