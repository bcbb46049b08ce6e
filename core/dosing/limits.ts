/** What doses are judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';
import { PRINTED_PER_N } from '../units/nitrogen';

export const DOSING_LIMITS = {
  ceilingMgNPerL: limit(
    4 / PRINTED_PER_N.ammonia.ion,
    'mg N/L',
    'total ammonia, 4 mg/L as NH4: more dosing stalls the second bacteria',
    'Anthonisen 1976: 4 to 5 mg/L total',
  ),
  redoseBelowMgNPerL: limit(
    0.5 / PRINTED_PER_N.ammonia.ion,
    'mg N/L',
    'with more than 0.5 mg/L as NH4 left another dose only lengthens the wait: the bacteria already eat as fast as they can',
    'common practice',
  ),
  alkalinityPerDay: limit(1, 'dKH', 'largest rise of alkalinity a day with animals in', 'common practice'),
  calciumPerDay: limit(20, 'mg/L', 'largest rise of calcium a day with animals in', 'common practice'),
  magnesiumPerDay: limit(100, 'mg/L', 'largest rise of magnesium a day with animals in', 'common practice'),
  calciumPerDkh: limit(
    7.15,
    'mg/L',
    'calcium a skeleton takes with one dKH',
    'stoichiometry of CaCO3, a little magnesium with it',
  ),
  newWaterAlkalinity: limit(8.5, 'dKH', 'fresh salt water where nobody measured it', 'common practice'),
  newWaterCalcium: limit(430, 'mg/L', 'fresh salt water where nobody measured it', 'common practice'),
  newWaterMagnesium: limit(1350, 'mg/L', 'fresh salt water where nobody measured it', 'common practice'),
  saltGramsPerLitre: limit(
    38,
    'g/L',
    'salt mix for 35 ppt where nobody measured it: 36 to 40, with water of crystallisation',
    'common practice',
  ),
  saltPriorBatches: limit(
    1.5,
    'batches',
    'the weight of that figure against the person’s own batches',
    'our guess',
  ),
  batchRightWithin: limit(0.2, 'ppt', 'a batch this near its aim is right', 'common practice'),
  noUseBelowDkh: limit(
    0.02,
    'dKH a day',
    'below this no use of alkalinity is told from the noise of a kit',
    'our guess',
  ),
} as const satisfies LimitTable;

export const DOSING = valuesOf(DOSING_LIMITS);
