/** What food brings. */
import { NITROGEN } from './limits';

/** mg N in a gram of food as given. Pellets 7.5 % N, frozen food 1.6 % (10 % protein wet / 6.25), raw seafood 2.75 %. */
export const FOOD_MG_N_PER_G = {
  pellets: NITROGEN.pelletsMgNPerG,
  frozen: NITROGEN.frozenMgNPerG,
  seafood: NITROGEN.seafoodMgNPerG,
} as const;
