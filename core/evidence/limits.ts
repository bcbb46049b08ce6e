/** What the evidence counts by: each number with its unit and where it comes from. docs/limits.md is written from here. */
import { PRINTED_PER_N } from '../units/nitrogen';
import { limit, valuesOf, type LimitTable } from '../limits';

export const EVIDENCE_LIMITS = {
  riseMgN: limit(
    0.15,
    'mg N/L',
    'ammonia or nitrite that counts as "there was something": about 0.2 mg/L as NH4, above the noise of a colour chart',
    'common practice',
  ),
  riseAloneMgN: limit(
    0.1,
    'mg N/L',
    'one reading of ammonia counts as a rise by itself where even its lower end is above this; two of any kind count',
    'our estimate: a single misread lowest step is no rise',
  ),
  nitrateShownMgN: limit(
    0.5,
    'mg N/L',
    'nitrate this much above what was there before the source shows that something was oxidised: about 2 mg/L as NO3',
    'common practice',
  ),
  zeroHidesMgN: limit(
    0.25,
    'mg N/L',
    'a kit whose zero may hide more than this closes no gate: free ammonia of 0.02 at pH 8.3',
    'science notes 2 and 10',
  ),
  freeZeroHidesMgN: limit(
    0.02,
    'mg NH3-N/L',
    'a monitor of free ammonia whose zero may hide more than this says nothing',
    'science notes 2',
  ),
  sittingHours: limit(
    12,
    'hours',
    'ammonia and nitrite read this near to one another are one sitting',
    'common practice',
  ),
  blipMgN: limit(
    0.3,
    'mg N/L',
    'one trace up to this between two zeros is a misreading, no relapse; two running are one',
    'our estimate: kit error of a step',
  ),
  dailyGapHours: limit(
    [12, 44],
    'hours',
    'daily tests lie this far apart: a day, with room for a life',
    'common practice',
  ),
  fallShare: limit(
    0.7,
    'share of the peak',
    'falling: at or below this share of the measured peak, water changes taken out',
    'common practice',
  ),
  clearApartHours: limit(
    20,
    'hours',
    'two clear tests lie at least this far apart: a day, with room for a life',
    'school zero-zero, common practice',
  ),
  nitrateSeenDays: limit(
    7,
    'days',
    'nitrate measured within this time before a clear test shows that something was oxidised',
    'common practice',
  ),
  proofDoseMgN: limit(
    1.8 / PRINTED_PER_N.ammonia.ion,
    'mg N/L',
    'a proof dose is at least 1.8 mg/L as NH4; 2 is asked: clearing less does not show that 2 would be cleared',
    'school 24-hour proof, common practice',
  ),
  proofEarliestHours: limit(
    6,
    'hours',
    'a zero sooner than this after a dose may only mean the dose has not spread or was dead',
    'common practice',
  ),
  proofHours: limit(
    26,
    'hours',
    'the proof is cleared within a day; two hours more for a person with a life',
    'school 24-hour proof, common practice',
  ),
  proofDecidesHours: limit(
    23,
    'h',
    'a test so long after the dose that still finds something decides it: no second one is asked for on that evening',
    'our choice',
  ),
  proofLenientHours: limit(
    50,
    'hours',
    'the lenient proof is cleared within two days; two hours more for a person with a life',
    'school 24-hour proof, common practice',
  ),
  proofUndoneDays: limit(
    7,
    'days',
    'ammonia or nitrite that comes back within this time undoes a proof; what comes later is another story',
    'our estimate',
  ),
  doseWindowHours: limit(
    72,
    'hours',
    'after a dose nitrogen is expected; it is no relapse',
    'common practice',
  ),
  proofFadesDays: limit(
    21,
    'days',
    'a proof older than this with nothing fed since is weak evidence',
    'common practice',
  ),
  nitriteSeaMgN: limit(
    0.5,
    'mg N/L',
    'nitrite let pass where it is weighed as in sea water; chloride competes at the gill',
    'science notes 2, common practice of some',
  ),
  nitriteInterferesMgN: limit(
    0.15,
    'mg N/L',
    'nitrite above this makes nitrate kits over-read (about 0.5 mg/L as NO2)',
    'kit leaflets, common practice',
  ),
  movedWithinDays: limit(
    7,
    'days',
    'a whole old tank told as moved in this near to the day its animals left it is that one',
    'our choice',
  ),
  interferenceNearDays: limit(
    2,
    'days',
    'the nitrite reading nearest to a nitrate reading counts for it within this time',
    'common practice',
  ),
} as const satisfies LimitTable;

export const EVIDENCE = valuesOf(EVIDENCE_LIMITS);
