/** Names of what may be said of a kind. */
import type { AssumedField } from '../../../core/species';

export const ASSUMED_WORDS: Record<AssumedField, string> = {
  scientific: 'scientific name',
  arrivalCm: 'size when bought',
  minTankL: 'least tank',
  minTankCm: 'least length of the glass',
  temperament: 'temperament',
  reefSafe: 'whether corals are safe',
  jumps: 'whether it jumps',
  maxPerTank: 'how many in a tank',
  minTankAgeDays: 'age of the tank',
};
