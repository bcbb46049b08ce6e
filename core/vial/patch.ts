/** The colour of a spot in a photo, from its pixels. */
import type { Triple } from './colour';
import { VIAL } from './limits';

/** Pixels as a canvas hands them over: red, green, blue and opacity, row by row. */
export interface Pixels {
  data: ArrayLike<number>;
  width: number;
  height: number;
}

export interface Patch {
  /** Mean of what lies in the middle, 8-bit sRGB. */
  rgb: Triple;
  /** Standard deviation of brightness across the spot, 8-bit levels: a rim, a letter or a reflection shows in it. */
  spread: number;
}

/** The spot around a pixel. The darkest and the brightest tenth are left out of the mean: dust and grain. @param radius pixels, at least one
 *  @throws RangeError where no pixel of it lies in the photo */
export function patchAt({ data, width, height }: Pixels, x: number, y: number, radius: number): Patch {
  const found: { rgb: Triple; grey: number }[] = [];
  for (let j = Math.ceil(y - radius); j <= y + radius; j++)
    for (let i = Math.ceil(x - radius); i <= x + radius; i++) {
      if (i < 0 || j < 0 || i >= width || j >= height || (i - x) ** 2 + (j - y) ** 2 > radius ** 2) continue;
      const at = 4 * (j * width + i);
      const rgb: Triple = [data[at] as number, data[at + 1] as number, data[at + 2] as number];
      found.push({ rgb, grey: (rgb[0] + rgb[1] + rgb[2]) / 3 });
    }
  if (found.length === 0) throw new RangeError('the spot lies outside the photo');
  const mean = found.reduce((sum, p) => sum + p.grey, 0) / found.length;
  const spread = Math.sqrt(found.reduce((sum, p) => sum + (p.grey - mean) ** 2, 0) / found.length);
  const off = Math.floor(found.length * VIAL.patchTrim);
  const kept = [...found].sort((a, b) => a.grey - b.grey).slice(off, found.length - off);
  const channel = (c: 0 | 1 | 2): number => kept.reduce((sum, p) => sum + p.rgb[c], 0) / kept.length;
  return { rgb: [channel(0), channel(1), channel(2)], spread };
}

/** Is a spot of one colour? One that is not lies on a rim, or something shines in it. */
export const isEven = ({ spread }: Patch): boolean => spread <= VIAL.patchSpread;
