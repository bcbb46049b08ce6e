/** What is usual of a kind in its first days, so that nobody treats a fish for being a fish; and what is not. */
import type { Species } from '../species';

/** A sentence or two; null where nothing is peculiar. */
export function usualOf(species: Species): string | null {
  return USUAL.find(([holds]) => holds(species))?.[1] ?? null;
}

const is = (s: Species, kind: Species['is'][number]): boolean => s.is.includes(kind);

/** The first that holds is said. */
const USUAL: readonly (readonly [(s: Species) => boolean, string])[] = [
  [
    (s) => s.rivalKey === 'sand wrasse',
    'Gone into the sand for up to three days is usual. Do not dig for it.',
  ],
  [(s) => s.family === 'Labridae', 'Hidden in the rock on day 1 is usual; a night in a veil of slime, too.'],
  [(s) => s.family === 'Acanthuridae', 'Pale at night and pacing on day 1 are usual; spots are not.'],
  [
    (s) => s.family === 'Callionymidae',
    'It picks all day at things too small to see. A hollow belly is not usual.',
  ],
  [(s) => s.family === 'Microdesmidae', 'In its hole with only the head out for days is usual.'],
  [
    (s) => s.family === 'Grammatidae' || s.family === 'Pseudochromidae',
    'Hidden on day 1, even upside down under a ledge, is usual.',
  ],
  [
    (s) => s.family === 'Apogonidae',
    'Still by day and out at dusk is usual; a male that does not eat may hold eggs.',
  ],
  [(s) => s.rivalKey === 'clownfish', 'Swimming in one corner or at the surface is usual; gasping is not.'],
  [(s) => s.group === 'fish', 'Hiding and no appetite on day 1 are usual; fast breathing is not.'],
  [
    (s) => is(s, 'shrimp'),
    'An empty, see-through shell is a moult: leave it. Hiding for two days after it is usual.',
  ],
  [
    (s) => is(s, 'crab'),
    'An empty shell of a crab is often a moult: look for the living one before mourning it.',
  ],
  [(s) => is(s, 'snail'), 'Still for a day is usual; a smell is not.'],
  [(s) => is(s, 'clam'), 'Half open for a day is usual; gaping and slow to close is not.'],
  [(s) => is(s, 'anemone'), 'Walking, and shrinking once a day, are usual; a mouth that gapes is not.'],
  [
    (s) => is(s, 'soft'),
    'Closed and waxy for some days is usual: it sheds a skin. White, dissolving spots are not.',
  ],
  [(s) => is(s, 'zoanthid'), 'Closed for a few days is usual.'],
  [(s) => s.group === 'coral', 'Drawn in for a day or two is usual; tissue that lifts from the edge is not.'],
];
