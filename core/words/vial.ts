/** Why a photo is not read, and what to do. */
import type { VialDoubt } from '../vial';

export const VIAL_WORDS: Record<VialDoubt | 'vialUneven', string> = {
  vialUneven:
    'The vial is not of one colour there: tap its middle, off the rim and off any reflection, or take the photo again.',
  tooDark: 'The photo is too dark: take it again in daylight, away from the lamp.',
  tooBright: 'The photo is too bright, colours are cut off: take it again away from the lamp, without flash.',
  cardUneven:
    'The card is lit unevenly, or something shines on it: take it again, card and vial in the same light, no shadow.',
  offThePath:
    'The vial’s colour is none of the card’s: something shines in it, a shadow lies on it, or it is another test. Take it again.',
  tooVague: 'The colours are too close in this light to tell: take it again in daylight.',
};
