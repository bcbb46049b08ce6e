/** The glass itself, apart from what stands in it: how much it holds, and for whom that is enough. */
import type { Water } from '../document';
import { VOLUME } from './limits';

export interface Glass {
  /** Water in the glass itself, L, without a sump. */
  glassL: number;
  /** Longest side; null where only a volume was given. */
  lengthCm: number | null;
}

export function glassOf({ size }: Pick<Water, 'size'>): Glass {
  if (size.kind === 'volume') return { glassL: size.volumeL, lengthCm: null };
  const { lengthCm, widthCm, waterHeightCm } = size;
  return { glassL: (lengthCm * widthCm * waterHeightCm) / 1000, lengthCm: Math.max(lengthCm, widthCm) };
}

/** Does a glass hold as much as a kind wants, L? A tank is called by its glass, and is not filled to the brim. */
export const hasRoom = (glassL: number, { minTankL }: { minTankL: number }): boolean =>
  glassL >= VOLUME.waterOfGlass * minTankL;
