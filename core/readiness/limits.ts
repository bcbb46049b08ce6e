/** What the gates judge by: each number with its unit and where it comes from. docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';
import { PRINTED_PER_N } from '../units/nitrogen';

export const READINESS_LIMITS = {
  salinitySlack: limit(
    0.5,
    'ppt',
    'sea water ready: this far outside the aim is let pass',
    'common practice',
  ),
  tempSlackC: limit(1.5, '°C', 'sea water ready: this far outside the aim is let pass', 'common practice'),
  settleDays: limit(14, 'days', 'quiet weeks after both are clear', 'school patient, common practice'),
  dailyTests: limit(
    3,
    'tests',
    'daily ammonia tests at zero after a transfer',
    'school mature transfer, common practice',
  ),
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
  feedAmmoniaMgN: limit(
    0.2 / PRINTED_PER_N.ammonia.ion,
    'mg N/L',
    'ammonia up to which it is dosed again as food on the way to a proof: a tenth of a dose, 0.2 mg/L as NH4',
    'our estimate, by the driver of docs/practice.md',
  ),
  feedNitriteMgN: limit(
    1 / PRINTED_PER_N.nitrite.ion,
    'mg N/L',
    'nitrite up to which ammonia is dosed again as food on the way to a proof: 1 mg/L as NO2',
    'common practice; science notes 6: growth is bought with nitrogen',
  ),
  nearAmmoniaMgN: limit(
    1 / PRINTED_PER_N.ammonia.ion,
    'mg N/L',
    'ammonia up to which the next dose may be a day away: half of what was dosed, 1 mg/L as NH4',
    'our estimate, by the driver of docs/practice.md',
  ),
  nearNitriteMgN: limit(
    2 / PRINTED_PER_N.nitrite.ion,
    'mg N/L',
    'nitrite up to which the next dose may be a day away: 2 mg/L as NO2',
    'our estimate, by the driver of docs/practice.md',
  ),
  nitrateStopMgN: limit(
    40 / PRINTED_PER_N.nitrate.ion,
    'mg N/L',
    'nitrate above which nothing is added to a living tank: 40 mg/L as NO3',
    'common practice',
  ),
  nitriteKnownDays: limit(
    7,
    'days',
    'nitrite must have been read within this time before a step',
    'our estimate',
  ),
  afterFirstDays: limit(14, 'days', 'between the first animals and the second step', 'science notes 9, R4'),
  livingZeros: limit(
    4,
    'tests',
    'at zero with animals in, where the filter was never shown before them',
    'our estimate: a proof by living, twice the two clear tests',
  ),
  livingZeroDays: limit(14, 'days', 'over which those tests lie', 'school patient, common practice'),
  fedZeros: limit(3, 'tests', 'at zero on following days while fed, in place of a dose', 'common practice'),
  fedZeroDays: limit(2, 'days', 'over which those tests lie', 'common practice'),
  filmBeforeClearDays: limit(
    14,
    'days',
    'green film seen this long before both were clear still counts; older is no sign of now',
    'our estimate',
  ),
  levelDays: limit(5, 'days', 'nitrate that rose no further over this time has levelled off', 'our estimate'),
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
  ammoniaEasedMgN: limit(
    2 / PRINTED_PER_N.ammonia.ion,
    'mg N/L',
    'what a change brings too much ammonia down to in water without animals: one dose, 2 mg/L as NH4',
    'common practice',
  ),
  keptOfTested: limit(
    0.7,
    'share',
    'at least this much of the water must be the water that was tested before anything goes in',
    'our estimate',
  ),
  feedAgainDays: limit(
    14,
    'days',
    'without food after which an empty filter is to be fed again',
    'our choice',
  ),
  betweenAdditionsDays: limit(7, 'days', 'between two additions', 'common practice'),
  testsAfterAdditionDays: limit([1, 3, 7], 'days', 'ammonia tests after an addition', 'common practice'),
  testEarlyDays: limit(0.6, 'days', 'a test this much before its day counts for it', 'common practice'),
  proofTestEarlyHours: limit(
    2,
    'hours',
    'the test of a proof is due this long before the day is full',
    'common practice',
  ),
  dueEarlyDays: limit(
    0.3,
    'days',
    'a test is due this much before its usual time is full',
    'common practice',
  ),
} as const satisfies LimitTable;

export const RULES = valuesOf(READINESS_LIMITS);
