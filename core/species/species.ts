/** The species list: a data file with its schema. Sizes and habits are guides, common practice at the time. */
import type { z } from 'zod';
import raw from './species.json';
import type { speciesSchema } from './schema';

export type Species = z.infer<typeof speciesSchema>;

/** The whole list in file order. The file is checked against speciesSchema by a test, not at each start. */
export const SPECIES = raw as readonly Species[];
export const SPECIES_IDS: ReadonlySet<string> = new Set(SPECIES.map((s) => s.id));
const BY_ID = new Map(SPECIES.map((s) => [s.id, s]));

/** @throws RangeError for an id that is not in the list. */
export function speciesById(id: string): Species {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`"speciesId" must be in the species list, got "${id}"`);
  return found;
}
