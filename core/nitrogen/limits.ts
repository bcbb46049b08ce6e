/** What the nitrogen account is reckoned with. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const NITROGEN_LIMITS = {
  pelletsMgNPerG: limit(75, 'mg N/g', 'dry pellets, 7.5 % N', 'science notes, section 4'),
  frozenMgNPerG: limit(16, 'mg N/g', 'frozen food, 10 % protein wet over 6.25', 'science notes, section 5'),
  seafoodMgNPerG: limit(27.5, 'mg N/g', 'raw seafood, 2.75 % N wet', 'science notes, section 4'),
  rotPerDay: limit(0.25, '1/day', 'food and seafood rot', 'science notes, section 4: 0.1 to 0.5'),
  rotDays: limit(21, 'days', 'rot is followed this long', 'common practice'),
  dkhPerMgN: limit(
    0.4,
    'dKH per mg N/L',
    'alkalinity used by oxidising ammonia: 2 equivalents a mole',
    'stoichiometry',
  ),
  doseBeforeDays: limit(
    3,
    'days',
    'an ammonia test this long before a dose still counts for the dose check',
    'common practice',
  ),
  doseSpreadHours: limit(0.5, 'hours', 'a dose has spread after this', 'common practice'),
  doseEatenHours: limit(
    12,
    'hours',
    'after this too much of a dose is eaten for the dose check',
    'common practice',
  ),
  doseRiseMgN: limit(0.3, 'mg N/L', 'a smaller rise says nothing of the volume', 'common practice'),
  bufferBelowDkh: limit(7.5, 'dKH', 'below this the account names an amount of buffer', 'common practice'),
} as const satisfies LimitTable;

export const NITROGEN = valuesOf(NITROGEN_LIMITS);
