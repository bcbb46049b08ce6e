/** How far a reading is believed, and how long a text may be. What may be entered at all stands in plausible.ts. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const DOCUMENT_LIMITS = {
  name: limit(80, 'characters', 'the longest name', 'common practice'),
  note: limit(2000, 'characters', 'the longest note', 'common practice'),
  plan: limit(600, 'characters', 'the longest plan that a forecast held for', 'common practice'),
  meterShare: limit(0.05, 'share', 'error of a meter or titration, unless its kit says', 'science notes 4'),
  thermometerShare: limit(0.02, 'share', 'error of a thermometer: half a degree', 'common practice'),
  salinityShare: limit(0.014, 'share', 'error of a salinity meter: half a part', 'common practice'),
  phShare: limit(0.012, 'share', 'error of a pH pen: a tenth', 'common practice'),
  meterZero: limit(0.05, 'as printed', 'at most this much on a meter may be called zero', 'common practice'),
  ammoniaMeterZero: limit(
    0.08,
    'as printed',
    'ammonia: at most this much on a meter may be called zero, its own error around nothing',
    'photometer leaflets state 0.05 and more; common practice',
  ),
  nitriteMeterZero: limit(
    0.15,
    'as printed',
    'nitrite: at most this much on a meter may be called zero: what the lowest step of a chart hides',
    'common practice',
  ),
  fileMegabytes: limit(
    64,
    'MB',
    'the largest file that is read: thirty years of daily samples stay below',
    'this app',
  ),
  fileDepth: limit(12, 'levels', 'the deepest nesting of a file; our own go to seven', 'this app'),
  faultsNamed: limit(10, 'faults', 'named of a file that cannot be read', 'this app'),
  faultText: limit(90, 'characters', 'the longest place, and the longest word, of a fault', 'this app'),
  revisions: limit(
    8,
    'revisions',
    'of an entity that are remembered, to tell which of two came later',
    'this app',
  ),
  overTopTimes: limit(1.25, 'times', 'the top step: how "over" it is drawn', 'common practice'),
} as const satisfies LimitTable;

export const TAKEN = valuesOf(DOCUMENT_LIMITS);
