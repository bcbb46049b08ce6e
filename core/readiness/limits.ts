/** What the gates judge by: each number with its unit and where it comes from. docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';
import { PRINTED_PER_N } from '../units/nitrogen';

export const READINESS_LIMITS = {
  staleDays: limit(3, 'days', 'a test older than this speaks for nothing', 'common practice'),
  settleDays: limit(14, 'days', 'quiet weeks after both are clear', 'school patient, common practice'),
  dailyTests: limit(
    3,
    'tests',
    'daily ammonia tests at zero after a transfer',
    'school mature transfer, common practice',
  ),
  salinity: limit([32.5, 36.5], 'ppt', 'sea water ready: salinity', 'common practice'),
  tempC: limit([22.5, 28], '°C', 'sea water ready: temperature', 'common practice'),
  tempAimC: limit([24, 26], '°C', 'what temperature is aimed at', 'common practice'),
  salinityAim: limit([33, 36], 'ppt', 'what salinity is aimed at', 'common practice'),
  alkalinityMin: limit(
    7,
    'dKH',
    'below it the end of a cycle can stall; corals want more',
    'common practice',
  ),
  alkalinityMax: limit(12, 'dKH', 'above it corals suffer', 'common practice'),
  alkalinityAim: limit(8, 'dKH', 'what alkalinity is raised to', 'common practice'),
  alkalinityStall: limit(
    5,
    'dKH',
    'below it nitrification is probably held up',
    'Anthonisen 1976, common practice',
  ),
  alkalinitySpread: limit(
    1,
    'dKH',
    'steady enough for corals: within this over two weeks',
    'common practice',
  ),
  alkalinitySteadyDays: limit(
    14,
    'days',
    'the time over which corals ask for steady alkalinity',
    'common practice',
  ),
  nitrateStartMgN: limit(
    20 / PRINTED_PER_N.nitrate.ion,
    'mg N/L',
    'nitrate to begin with: 20 mg/L as NO3',
    'common practice',
  ),
  ammoniaStallMgN: limit(
    5 / PRINTED_PER_N.ammonia.ion,
    'mg N/L',
    'total ammonia that holds back the second bacteria: 5 mg/L as NH4',
    'Anthonisen 1976',
  ),
  keptOfTested: limit(
    0.7,
    'share',
    'at least this much of the water must be the water that was tested before anything goes in',
    'our estimate',
  ),
  largestChange: limit(0.9, 'share', 'the largest single water change that is advised', 'common practice'),
  betweenAdditionsDays: limit(7, 'days', 'between two additions', 'common practice'),
  testsAfterAdditionDays: limit([1, 3, 7], 'days', 'ammonia tests after an addition', 'common practice'),
  testEarlyDays: limit(0.6, 'days', 'a test this much before its day counts for it', 'common practice'),
  proofTestEarlyHours: limit(
    2,
    'hours',
    'the test of a proof is due this long before the day is full',
    'common practice',
  ),
  assumedPh: limit(
    8.2,
    'pH',
    'taken where none was measured near the reading',
    'common practice, on the careful side',
  ),
  assumedTempC: limit(25, '°C', 'taken where none was measured near the reading', 'common practice'),
  assumedSalinity: limit(35, 'ppt', 'taken where none was measured near the reading', 'common practice'),
  dueEarlyDays: limit(
    0.3,
    'days',
    'a test is due this much before its usual time is full',
    'common practice',
  ),
  nearDays: limit(
    7,
    'days',
    'pH, temperature and salinity this near to a reading count for it',
    'common practice',
  ),
} as const satisfies LimitTable;

export const RULES = valuesOf(READINESS_LIMITS);

const LIVING_SOURCE = 'science notes 10, common practice; not toxicology';
/** What water with animals in it is judged by: watched outside the first, acted on outside the second. */
export const LIVING_LIMITS = {
  totalActMgN: limit(0.77, 'mg N/L', 'total ammonia to act on at any pH: 0.05 free at pH 8.2', LIVING_SOURCE),
  nitriteWatchMgN: limit(0.1, 'mg N/L', 'nitrite over this twice running: the filter lags', LIVING_SOURCE),
  nitriteActMgN: limit(5, 'mg N/L', 'nitrite to act on; chloride protects sea fish', LIVING_SOURCE),
  tempWatchC: limit(
    [22.5, 27.5],
    '°C',
    'temperature watched outside: the aim, 1.5 either way',
    LIVING_SOURCE,
  ),
  tempActC: limit([20, 30], '°C', 'temperature to act on outside', LIVING_SOURCE),
  salinityWatch: limit([32, 37], 'ppt', 'salinity watched outside', LIVING_SOURCE),
  salinityAct: limit([28, 40], 'ppt', 'salinity to act on outside, fish alone', LIVING_SOURCE),
  salinityActDelicate: limit(
    [30, 38],
    'ppt',
    'salinity to act on outside, with invertebrates or corals',
    LIVING_SOURCE,
  ),
  phWatch: limit([7.6, 8.5], 'pH', 'pH watched outside', LIVING_SOURCE),
  phAct: limit([7.4, 8.9], 'pH', 'pH to act on outside', LIVING_SOURCE),
  oxygenWatch: limit(5.3, 'mg/L', 'oxygen watched under; 6.7 is saturation at 25 °C', LIVING_SOURCE),
  oxygenAct: limit(4.5, 'mg/L', 'oxygen to act on under', LIVING_SOURCE),
  alkalinityActCorals: limit(5, 'dKH', 'alkalinity to act on under, with corals', LIVING_SOURCE),
} as const satisfies LimitTable;

export const LIVING = valuesOf(LIVING_LIMITS);
