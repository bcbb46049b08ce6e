/** What places are judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const PLACEMENT_LIMITS = {
  dimPerCm: limit(0.024, '1/cm', 'light lost with depth, spread of a fixture included', 'our estimate'),
  nearestCm: limit(1, 'cm', 'two points closer than this are one', 'our choice'),
  farCm: limit(25, 'cm', 'from the nearest measured point on, light is a guess', 'our choice'),
  lightSlack: limit(1.2, 'times', 'outside the range of a coral before it is spoken of', 'science notes 8'),
  shadeCm: limit(3, 'cm', 'higher than another to stand in its light', 'our choice'),
  inRockCm: limit(3, 'cm', 'below the top of a block, and rock stands over it', 'our choice'),
  holdCm: limit(6, 'cm', 'from rock or a pane, and something may carry it', 'our choice'),
  oneMoveHours: limit(1, 'h', 'what is put right so soon was one move', 'our choice'),
  sandCm: limit(8, 'cm', 'above the bottom is the sand zone', 'our choice'),
} as const satisfies LimitTable;

export const PLACEMENT = valuesOf(PLACEMENT_LIMITS);
