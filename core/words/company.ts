/** What animals live on, and what they may eat of ours. */
import type { PreyKind, Species } from '../species';

export const DIET_WORDS: Record<Species['diet'][number], string> = {
  algae: 'algae',
  detritus: 'leftovers',
  meaty: 'meaty food',
  plankton: 'plankton',
  pods: 'pods',
  sponges: 'sponges',
  light: 'light',
};

export const PREY_WORDS: Record<PreyKind, string> = {
  snails: 'snails',
  shrimp: 'shrimps',
  crabs: 'crabs',
  smallFish: 'small fish',
  worms: 'worms',
  clams: 'clams',
  corals: 'corals',
  softCorals: 'soft corals',
  zoanthids: 'zoanthids',
  fleshyCorals: 'fleshy corals',
  smallPolypCorals: 'small-polyped corals',
};
