/** What the weeks after the cycle are judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const AFTER_LIMITS = {
  freshDays: limit(7, 'days', 'readings this old still count for the reset', 'common practice'),
  nitrateStart: limit(20, 'mg/L NO3', 'nitrate above this asks for a change', 'common practice'),
  nitrateGoal: limit(10, 'mg/L NO3', 'what the change aims at', 'common practice'),
  phosphateStart: limit(0.2, 'mg/L PO4', 'phosphate above this asks for a change', 'common practice'),
  phosphateGoal: limit(0.1, 'mg/L PO4', 'what the change aims at', 'common practice'),
  largestChange: limit(0.9, 'share', 'large changes end here: bacteria on rock stay wet', 'common practice'),
  lookLastsDays: limit(14, 'days', 'a look at the film speaks for this long at most', 'common practice'),
  crewEveryDays: limit(7, 'days', 'between two portions of the crew', 'common practice'),
  litresPerGrazer: limit(20, 'L', 'one small grazer for this much water holds the line', 'common practice'),
  litresPerPortion: limit(40, 'L', 'one animal of a portion for this much water', 'common practice'),
  smallestPortion: limit(2, 'animals', 'smallest portion of the crew', 'common practice'),
  largestPortion: limit(8, 'animals', 'largest portion of the crew', 'common practice'),
  starvingLitres: limit(
    60,
    'L',
    'with little film, more than one grazer for this much water starves',
    'common practice',
  ),
  snailCm: limit(4, 'cm', 'grazers are counted as snails of this length', 'our choice'),
  appetitePower: limit(2.25, 'exponent', 'of length in what a grazer eats', 'mass to the 3/4, Kleiber'),
  snailStripCm2: limit(7, 'cm² a day', 'of dried seaweed one such snail takes', 'our estimate'),
  seaweedGPerCm2: limit(0.0075, 'g/cm²', 'dried seaweed: 3 g for a sheet of 20 x 20 cm', 'common practice'),
  stripLastsDays: limit(7, 'days', 'a strip test speaks for this long', 'our choice'),
  fallsShare: limit(0.15, 'share', 'of the food of fish falls past them', 'our estimate'),
  sandCm2PerCm: limit(100, 'cm²/cm', 'of open sand for each cm of a sand sifter', 'our estimate'),
  openSandShare: limit(0.6, 'share', 'of the bottom is open sand between the rock', 'our estimate'),
  gallonsPerLarge: limit(
    5,
    'US gal',
    'one large snail for this much water',
    'school one large snail per five gallons',
  ),
} as const satisfies LimitTable;

export const AFTER = valuesOf(AFTER_LIMITS);
