/** What a drip is judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const ACCLIMATION_LIMITS = {
  nearSg: limit(0.001, 'SG 25/25', 'salinity near enough to let an animal go', 'common practice'),
  nearPpt: limit(1.3, 'ppt', 'the same in parts: 0.001 of specific gravity', 'science notes 2'),
  nearC: limit(0.5, '°C', 'temperature near enough to let an animal go', 'common practice'),
  stepMinutes: limit(
    0.25,
    'minutes',
    'step of the simulation',
    'our choice: halved, no minute of the plan changes',
  ),
  leastFishMinutes: limit(15, 'minutes', 'a fish is given, however small the gap', 'common practice'),
  leastOtherMinutes: limit(45, 'minutes', 'invertebrates and corals are given', 'common practice: 45 to 60'),
  leastSensitiveMinutes: limit(
    60,
    'minutes',
    'those that bear no change of salinity are given',
    'common practice: 45 to 60',
  ),
  dropsPerSecond: limit([0.1, 50], '1/s', 'the slowest and the fastest drip that is set', 'common practice'),
  nbsAboveTotal: limit(
    0.13,
    'pH',
    'a meter near the NBS scale shows more than the total scale',
    'science notes 10',
  ),
  usualPh: limit(8.2, 'pH', 'of the water, where nobody measured it', 'common practice'),
  usualAlkalinityDkh: limit(8, 'dKH', 'of the water, where nobody measured it', 'common practice'),
  bagAlkalinityDkh: limit(7, 'dKH', 'of the bag, where nobody measured it', 'common practice: 2500 umol/kg'),
  bagStepMinutes: limit(
    0.125,
    'minutes',
    'step of the bag’s chemistry',
    'our choice: halved, the peak of free ammonia moves by less than half a percent',
  ),
  cleanFreeMgN: limit(
    0.05,
    'mg NH3-N/L',
    'a drip whose free ammonia stays under it is a drip in a clean bag',
    'science notes 8',
  ),
  fishSaltierPpt: limit(
    2,
    'ppt',
    'receiving water may be this much saltier for a fish that is moved at once',
    'science notes 8',
  ),
  fishFresherPpt: limit(
    3,
    'ppt',
    'and this much fresher: for fish less salt is no strain on the way',
    'our guess',
  ),
  otherGapPpt: limit(
    1,
    'ppt',
    'either way for invertebrates and corals that are moved at once',
    'science notes 8',
  ),
  mostRisePpt: limit(3, 'ppt', 'salinity is never raised by more in one session', 'science notes 8'),
  risePerDayPpt: limit(1, 'ppt', 'raised a day, in clean water', 'science notes 8'),
  saltierByPpt: limit(
    3,
    'ppt',
    'above the tank: the water a container is brought up with, a part a day',
    'our choice: a third to a sixth of the water is changed',
  ),
  quickTimes: limit(3, 'times', 'a quick drip against the slow one', 'science notes 8: 4.5 L/h against 1.5'),
  co2PerHour: limit(
    [1, 3, 6],
    '1/h',
    'escape of CO2 from an opened bag: still, usual, splashing',
    'science notes 8',
  ),
  carbonateFrom: limit(
    19,
    'practical salinity',
    'the constants of carbonic acid end here; fresher water is reckoned as if it were this',
    'Lueker, Dickson & Keeling 2000',
  ),
  floatingPerHour: limit(2.5, '1/h', 'a floating container follows the tank through plastic', 'our estimate'),
  openPerHour: limit(
    0.28,
    '1/h',
    'an open bucket of 4 L follows the room: half in two and a half hours',
    'our estimate',
  ),
  openLitres: limit(
    4,
    'L',
    'the bucket that figure is for; it scales with volume to the power -1/3',
    'our estimate',
  ),
} as const satisfies LimitTable;

export const ACCLIMATION = valuesOf(ACCLIMATION_LIMITS);
