/** What supply and export are reckoned with. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const SUPPLY_LIMITS = {
  tanPerProtein: limit(0.092, 'g N per g protein', 'ammonia from food', 'Timmons & Ebeling'),
  po4PerP: limit(
    3.0662,
    'mg per mg',
    'phosphate of a milligram of phosphorus',
    'molar masses 94.97 and 30.974',
  ),
  phosphorusReleased: limit(
    0.6,
    'share',
    'of a feed’s phosphorus that comes back into the water',
    'our estimate, 0.5 to 0.7',
  ),
  algaeN: limit(0.003, 'g N per g wet', 'nitrogen in harvested algae', 'our estimate: 10 % dry, 3 % of that'),
  algaeP: limit(
    0.0003,
    'g P per g wet',
    'phosphorus in harvested algae',
    'our estimate: 10 % dry, 0.3 % of that',
  ),
  skimmed: limit(
    0.25,
    'share',
    'of a feed’s nitrogen a skimmer takes out before it turns into nitrate',
    'our estimate, 0.1 to 0.4',
  ),
  carbonGramsPerL: limit(
    0.5,
    'g/L',
    'activated carbon in a moderate flow',
    'common practice, labels go first',
  ),
  profileSd: limit(0.04, 'share', 'a mix from bag to bag', 'our estimate'),
} as const satisfies LimitTable;

export const SUPPLY = valuesOf(SUPPLY_LIMITS);
