/** What the company of a tank is judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const COMPANY_LIMITS = {
  oldTankDays: limit(
    180,
    'days',
    'kinds that want a tank this old starve or fade in a younger one',
    'science notes 9',
  ),
  mouthfulTimes: limit(
    3,
    'times',
    'as long as a small fish, and it is swallowed rather than chased',
    'common practice',
  ),
  tempSlackC: limit(1, 'C', 'outside its range before it is a no', 'common practice'),
  podsEachL: limit(200, 'L', 'of an old tank with rock for each that lives on pods', 'common practice'),
  reachesCm: limit(3, 'cm', 'beyond its edge from which a coral’s sting is spoken of', 'common practice'),
  removalMost: limit(6, 'animals', 'taken out at most when the rest is made to fit', 'our choice'),
} as const satisfies LimitTable;

export const COMPANY = valuesOf(COMPANY_LIMITS);
