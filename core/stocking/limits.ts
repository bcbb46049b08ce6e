/** What additions are judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const STOCKING_LIMITS = {
  nearZeroMgN: limit(
    0.05,
    'mg N/L',
    'total ammonia animals should live in: below what a kit shows',
    'common practice',
  ),
  fadePerDay: limit(
    0.05,
    'share a day',
    'proved capacity fades by this much unfed',
    'our guess, within 0.02 to 0.1 a day of the science notes',
  ),
  takenUpAgain: limit(
    0.5,
    'share',
    'of a first step that a filter which has shown it takes up again within days, starved or not; free ammonia is predicted for it',
    'our choice',
  ),
  keptOverLoad: limit(
    1.5,
    'times',
    'a filter kept on a load holds this much more than it',
    'our guess, on the careful side',
  ),
  fadeBand: limit(
    [0.02, 0.1],
    'share a day',
    'the same, slowest and fastest',
    'science notes, 0.02 to 0.1 a day',
  ),
  keptBand: limit([1, 2], 'times', 'what a filter holds over its load, least and most', 'our guess'),
  growPerDay: limit(
    0.05,
    'share a day',
    'of what is missing, by which bacteria grow into a load',
    'the nitrogen model near 0.1 mg N/L: 0.55 A/(0.5 + A) - 0.05',
  ),
  growBand: limit([0.02, 0.1], 'share a day', 'the same, slowest and fastest', 'our guess'),
  proofDoubt: limit(
    0.2,
    'share',
    'of a proved capacity, either way: the kit and the real volume',
    'our estimate',
  ),
  firstStepPerLitre: limit(
    0.1,
    'mg N/day/L',
    'a first addition at most, of net water: nothing to double yet',
    'science notes 9',
  ),
  firstFish: limit(2, 'fish', 'come first at most, where none lives there: one or a pair', 'science notes 9'),
  heavyMgN: limit(0.5, 'mg N a day', 'an addition above it is a load and settles', 'science notes 9'),
  mostGrowth: limit(2, 'times', 'load after an addition against that of a month before', 'common practice'),
  growthDays: limit(30, 'days', 'the month over which the load may double', 'common practice'),
  betweenFishDays: limit(7, 'days', 'between two additions of fish', 'common practice'),
  proteinToTan: limit(
    0.092,
    'g N per g protein',
    'total ammonia nitrogen from protein fed',
    'Timmons and Ebeling',
  ),
  proteinPerN: limit(6.25, 'g protein per g N', 'protein from the nitrogen of food', 'usual food factor'),
  smallAdultCm: limit(14, 'cm', 'reef fish up to this adult length grow fast', 'science notes 10'),
  growthSmall: limit(
    1,
    '1/year',
    'growth of small reef fish: 0.5 to 1.5',
    'science notes 10, von Bertalanffy',
  ),
  growthLarge: limit(
    0.25,
    '1/year',
    'growth of large ones: 0.15 to 0.4',
    'science notes 10, von Bertalanffy',
  ),
  skeletonNone: limit(0, 'mg/cm²/day', 'carbonate of corals without a skeleton', 'by definition'),
  skeletonSlow: limit(
    0.3,
    'mg/cm²/day',
    'carbonate laid down by large-polyped corals',
    'our estimate, a third of fast ones',
  ),
  skeletonFast: limit(
    1,
    'mg/cm²/day',
    'carbonate laid down by fast stony corals and clams',
    'reef carbonate budgets, 4 to 10 kg/m²/year',
  ),
  livingZeros: limit(
    4,
    'tests',
    'at zero with animals fed, that show what the filter carries',
    'our estimate',
  ),
  usualDays: limit(7, 'days', 'of which most tell how much is fed', 'our estimate'),
  livingDays: limit(14, 'days', 'over which those tests lie', 'school patient, common practice'),
  peakDays: limit(
    21,
    'days',
    'after a step the peak of ammonia is looked for in this time',
    'common practice',
  ),
} as const satisfies LimitTable;

export const STOCKING = valuesOf(STOCKING_LIMITS);
