/** What the forecast takes for granted: what is believed before any reading, how wrong readings are, when a date counts. */
import { limit, valuesOf, type LimitTable } from '../limits';

const JUDGED = 'judged against the other world, docs/forecast-accuracy.md';
const NOTES = 'science notes 4';
const PRACTICE = 'common practice';

export const FORECAST_LIMITS = {
  longestDays: limit(380, 'days', 'a forecast of a cycle says nothing of an older tank', PRACTICE),
  historyDays: limit(400, 'days', 'what lies longer back is left out of the fit', PRACTICE),
  unexplainedShare: limit(
    0.4,
    'share',
    'with more of its readings unexplained, the log contradicts itself',
    JUDGED,
  ),
  surprisingChance: limit(0.05, 'chance', 'a reading less likely than this is called a surprise', PRACTICE),
  surpriseDays: limit(10, 'days', 'surprises this recent are shown', PRACTICE),
  freshDays: limit(3, 'days', 'a zero this recent stands for today', PRACTICE),
  doseBelowMgN: limit(1.5, 'mg N/L', 'nobody adds a dose to more ammonia: about 2 mg/L as NH4', PRACTICE),
  largestDoseShare: limit(1.3, 'share', 'of the proof: the largest dose a course goes on with', PRACTICE),
  feedingMgNPerL: limit(
    0.15,
    'mg N/L a day',
    'feeding an empty tank, where nothing was logged yet',
    PRACTICE,
  ),
  keptAlkalinityDkh: limit(6, 'dKH', 'below it the person is taken to buffer', PRACTICE),
  bufferedByDkh: limit(2, 'dKH', 'by so much at a time', PRACTICE),
  alkalinityDkh: limit([7, 5], 'dKH', 'falling under these gets a date', PRACTICE),
  capacityNeeded: limit(0.5, 'mg N/L a day', 'with less capacity a proof is not even tried', 'half a proof'),
  carriedAmmoniaMgN: limit(0.05, 'mg N/L', 'ammonia that may stand while animals are fed', PRACTICE),
  carriedNitriteMgN: limit(0.1, 'mg N/L', 'nitrite that may stand while animals are fed', PRACTICE),
  carriedNowMgN: limit(0.1, 'mg N/L', 'more ammonia than this carries nobody', PRACTICE),
  dateSpread: limit(0.1, 'log sd', 'a date wanders beyond what the model knows', JUDGED),
  wanderSd: limit(0.2, 'log sd', 'growth wanders from week to week', JUDGED),
  wanderKept: limit(0.6, 'share', 'of that stays from one week to the next', JUDGED),
  spreadKept: limit(0.88, 'share', 'of the spreads below is believed', JUDGED),
  oldMediaTimes: limit(2, 'times', 'live sand and old media against their usual', PRACTICE),
  driedMediaShare: limit(0.15, 'share', 'of media that were not kept wet is alive', PRACTICE),
  expiredBottleShare: limit(0.3, 'share', 'of a bottle past its day is alive', PRACTICE),
  meterFloor: limit(0.02, 'as printed', 'least error of a meter', PRACTICE),
  titrationFloorDkh: limit(0.25, 'dKH', 'least error of an alkalinity test', PRACTICE),
  chartShare: limit(0.12, 'share', 'error of reading a colour chart', NOTES),
  chartFloor: limit(0.06, 'as printed', 'least error of reading a colour chart', NOTES),
  chartStepShare: limit(0.15, 'share', 'of its first step, the same', PRACTICE),
  usualStep: limit(0.25, 'as printed', 'first step of a chart, where none is known', PRACTICE),
  usualTempC: limit(25, '°C', 'where none was measured', PRACTICE),
  believableTempC: limit([10, 36], '°C', 'temperatures outside are left out', PRACTICE),
  temper: limit(0.85, 'share', 'of a reading’s weight counts: the tank is not the model', JUDGED),
  strayShare: limit(0.04, 'share', 'of readings are mistakes that say nothing', JUDGED),
  particles: limit(500, 'tanks', 'kept side by side in the fit', JUDGED),
  sweeps: limit(3, 'times', 'each is moved at each step of the fit', JUDGED),
} as const satisfies LimitTable;

/** Beliefs before any reading: median and spread (standard deviation of the logarithm). */
export const FORECAST_PRIOR = {
  x0: limit([0.004, 1.3], 'mg N/L a day', 'ammonia oxidation of a bare tank on its first day', JUDGED),
  y0: limit([0.0015, 1.4], 'mg N/L a day', 'nitrite oxidation of a bare tank on its first day', JUDGED),
  silentMediaX0: limit([0.25, 1.6], 'mg N/L a day', 'the same with media that no entry logs', PRACTICE),
  silentMediaY0: limit([0.2, 1.7], 'mg N/L a day', 'the same with media that no entry logs', PRACTICE),
  silentBottleX0: limit([0.03, 1.6], 'mg N/L a day', 'the same with a bottle that no entry logs', PRACTICE),
  silentBottleY0: limit([0.01, 1.7], 'mg N/L a day', 'the same with a bottle that no entry logs', PRACTICE),
  bottleA: limit([0.1, 1.5], 'mg N/L a day', 'what a bottle brings, first group: dead to full', NOTES),
  bottleN: limit([0.035, 1.7], 'mg N/L a day', 'what a bottle brings, second group: dead to full', NOTES),
  matureA: limit([1.1, 1.4], 'mg N/L a day', 'what media from a running tank bring, first group', PRACTICE),
  matureN: limit([0.9, 1.5], 'mg N/L a day', 'what media from a running tank bring, second group', PRACTICE),
  muA: limit([0.55, 0.3], 'a day', 'growth of the first group at 25 °C: doubling in 20 to 50 h', NOTES),
  muN: limit([0.42, 0.3], 'a day', 'growth of the second group at 25 °C: doubling in 30 to 80 h', NOTES),
  ka: limit([0.33, 0.55], 'mg N/L', 'half-saturation of the first group: 0.1 to 1', NOTES),
  kn: limit([0.28, 0.6], 'mg N/L', 'half-saturation of the second group: 0.1 to 1', NOTES),
  lag: limit([1.5, 0.8], 'days', 'until seeds are at work', NOTES),
  rotFood: limit([0.35, 0.4], 'a day', 'food turning to ammonia: 0.1 to 0.5', NOTES),
  rotSlow: limit([0.2, 0.45], 'a day', 'seafood and die-off turning to ammonia', NOTES),
  dieOffRotting: limit([1.5, 0.8], 'mg N/L', 'die-off of dried ocean rock or rock as a source', PRACTICE),
  dieOffCured: limit([0.2, 1], 'mg N/L', 'die-off of cured rock', PRACTICE),
  dieOffDry: limit([0.05, 1], 'mg N/L', 'die-off of quarried rock', PRACTICE),
  loss: limit([0.006, 1], 'a day', 'nitrate leaving by itself', PRACTICE),
  alkalinity: limit([8.5, 0.15], 'dKH', 'of the first water', PRACTICE),
  food: limit([1, 0.25], 'times', 'nitrogen of food against the table', PRACTICE),
  decay: limit([0.024, 0.55], 'a day', 'die-back of unfed bacteria', NOTES),
  kitA: limit([1, 0.12], 'times', 'an ammonia kit against the truth, always the same way', PRACTICE),
  kitN: limit([1, 0.12], 'times', 'a nitrite kit, the same', PRACTICE),
  kitR: limit([1, 0.2], 'times', 'a nitrate kit, the same', PRACTICE),
  max: limit([40, 0.5], 'mg N/L a day', 'what the surfaces hold', PRACTICE),
  kiA: limit([14, 0.6], 'mg N/L', 'total ammonia that holds the second group back', 'Anthonisen 1976'),
  kiN: limit([20, 0.6], 'mg N/L', 'nitrite that holds itself back', 'Anthonisen 1976'),
  volumeSdShare: limit([0.06, 0.12], 'log sd', 'doubt of the net volume, least and most', NOTES),
  volumeSdTimes: limit(1.4, 'times', 'the doubt its arithmetic gives', JUDGED),
} as const satisfies LimitTable;

export const TAKEN = valuesOf(FORECAST_LIMITS);
export const PRIOR = valuesOf(FORECAST_PRIOR);
