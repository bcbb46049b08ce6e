/** What is only read of a kind: other names, how it is kept, sources. A file of its own, so that no judgement has to carry it. */
import type { z } from 'zod';
import raw from './guide.json';
import type { guideSchema, Species } from './schema';

export type Guide = z.infer<typeof guideSchema>[string];

const GUIDE = raw as Readonly<Record<string, Guide>>;

/** @param species one of the list, or what an own kind was taken from */
export const guideOf = (species: Pick<Species, 'id'>): Guide | null => GUIDE[species.id] ?? null;
