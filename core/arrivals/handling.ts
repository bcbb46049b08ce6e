/** How an animal may be handled on its way in: what must never be done to it, and what must be. */
import type { Species } from '../species';

export type Handling =
  /** Corals: dipped as the label says, and looked over for what lives on them. */
  | 'dip'
  /** Anemones, clams and whatever else is no coral. */
  | 'neverDip'
  /** Air caught inside kills sponges; puffers that swallow it may not get rid of it. */
  | 'neverAir'
  /** Anemones wander, into pumps too. */
  | 'guardIntakes'
  /** Zoanthids and soft corals: palytoxin. */
  | 'toxin';

/** Kinds, as the species file names them, that may not be lifted out of the water. */
const NEVER_AIR = ['sponge', 'puffer', 'star', 'urchin'] as const;

export function handlingOf(species: Pick<Species, 'group' | 'is'>): Handling[] {
  const is = (kind: Species['is'][number]) => species.is.includes(kind);
  const dips = species.group === 'coral' && !is('anemone') && !is('clam') && !is('sponge');
  return [
    ...(NEVER_AIR.some(is) ? (['neverAir'] as const) : []),
    ...(is('anemone') ? (['guardIntakes'] as const) : []),
    ...(dips ? (['dip'] as const) : species.group === 'fish' ? [] : (['neverDip'] as const)),
    ...(dips && (is('zoanthid') || is('soft')) ? (['toxin'] as const) : []),
  ];
}
