/** The species list: a data file with its schema. Sizes and habits are guides, common practice at the time. */
import { resolved, type WithKinds } from './own';
import raw from './species.json';
import type { Species } from './schema';

/** The whole list in file order. The file is checked against speciesSchema by a test, not at each start. */
export const SPECIES = raw as unknown as readonly Species[];
export const SPECIES_IDS: ReadonlySet<string> = new Set(SPECIES.map((s) => s.id));
const BY_ID = new Map(SPECIES.map((s) => [s.id, s]));

/** @throws RangeError for an id that is not in the list. */
export function speciesById(id: string): Species {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`"speciesId" must be in the species list, got "${id}"`);
  return found;
}

/** A kind of the list, or one of the person's own, what it does not say taken from its nearest relative.
 *  @throws RangeError for an id that is in neither. */
export function speciesOf({ species }: WithKinds, id: string): Species {
  const own = species[id];
  return own ? resolved(own, speciesById(own.likeId)) : speciesById(id);
}

/** The list, and the person's own kinds after it. */
export const allSpecies = (kinds: WithKinds): Species[] => [
  ...SPECIES,
  ...Object.keys(kinds.species).map((id) => speciesOf(kinds, id)),
];
