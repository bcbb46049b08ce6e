/** What animals, places and waters are called. */
import type { Animal, GoneReason, Place, QuarantineLine, Water, WaterKind } from '../document';
import { speciesOf, type WithKinds } from '../species';

/** "2 × Banggai cardinalfish". @param kinds the document or evidence, for kinds of one’s own */
export const animalWords = (kinds: WithKinds, a: Animal): string =>
  `${a.count > 1 ? `${a.count} × ` : ''}${speciesOf(kinds, a.speciesId).common}`;

export const GONE_WORDS: Record<GoneReason, string> = {
  died: 'Died',
  rehomed: 'Rehomed',
  returned: 'Given back',
  eaten: 'Eaten',
  missing: 'Missing',
  notSaid: 'Gone',
};

export const KIND_WORDS: Record<WaterKind, string> = {
  display: 'Display',
  quarantine: 'Quarantine',
  holding: 'Holding container',
  mixing: 'Mixing container',
};

export const LINE_WORDS: Record<QuarantineLine, string> = {
  fish: 'Fish',
  invertebrate: 'Invertebrates',
  coral: 'Corals',
  anemone: 'Anemones',
};

/** "Wished for", "In Spare tank", "Died". @param waters the person's, by id */
export function placeWords(place: Place, waters: Readonly<Record<string, Water>>): string {
  if (place.kind === 'wish') return 'Wished for';
  if (place.kind === 'gone') return GONE_WORDS[place.reason];
  return `In ${waters[place.waterId]?.name ?? 'a water that was removed'}`;
}
