/** What the reading of a vial goes by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const VIAL_LIMITS = {
  levelNoise: limit(1, '8-bit levels', 'error of the mean of an even field in a photo', 'our estimate'),
  modelNoise: limit(
    0.02,
    'log units',
    'a card is copied by a camera no better than this',
    'our estimate, from simulated photos',
  ),
  brightness: limit(
    0.06,
    'log units',
    'uneven light from one field to the next',
    'our estimate, from simulated photos',
  ),
  gainSpread: limit(1.5, 'log units', 'light and exposure, each channel by itself', 'our estimate'),
  contrastSpread: limit(0.2, 'exponent', 'contrast of a camera, about 1', 'our estimate'),
  mixSpread: limit(0.08, 'exponent', 'one channel looking into another under coloured light', 'our estimate'),
  priorSquares: limit(
    3,
    'squares',
    'by so many the usual noise is believed against what the card shows',
    'our choice',
  ),
  interval: limit(
    1.65,
    'standard deviations',
    'on either side of the best',
    'to hold nine in ten with some to spare',
  ),
  blackLevels: limit(
    20,
    '8-bit levels',
    'in which a channel fades into black and tells less and less',
    'our estimate',
  ),
  tellingSd: limit(
    0.25,
    'log units',
    'a channel that is less sure says nothing about the card',
    'our choice',
  ),
  leastLevel: limit(
    12,
    '8-bit levels',
    'a field whose brightest channel is darker tells nothing',
    'our estimate',
  ),
  leastBright: limit(40, '8-bit levels', 'the brightest of a card, or the photo is too dark', 'our estimate'),
  clippedLevel: limit(253, '8-bit levels', 'a channel that is as bright is cut off', 'our estimate'),
  vialOff: limit(
    7,
    'squared distance',
    'of the vial from the nearest colour of the card, three channels',
    'chi-squared 0.93, with noise taken rather high; from simulated photos',
  ),
  cardOff: limit(
    3.5,
    'times',
    'the card departs from its reference by so much more than is usual',
    'our estimate, from simulated photos',
  ),
  clippedSd: limit(0.4, 'log units', 'what is known of a channel that is cut off', 'our estimate'),
  cardUneven: limit(
    2.2,
    'times',
    'the card is lit so much less evenly than is usual: a shadow, a reflection',
    'our estimate, from simulated photos',
  ),
  colourOff: limit(
    4,
    'CIEDE2000',
    'the corrected vial from the path of the card',
    'our estimate, from simulated photos',
  ),
  patchTrim: limit(0.1, 'share', 'of a spot’s pixels left out at either end', 'our choice'),
  patchSpread: limit(
    12,
    '8-bit levels',
    'a spot that is less even is no plain colour: a rim, a letter, a reflection',
    'our estimate',
  ),
  widestSteps: limit(1.6, 'steps', 'a reading that is vaguer is none', 'our choice'),
} as const satisfies LimitTable;

export const VIAL = valuesOf(VIAL_LIMITS);
