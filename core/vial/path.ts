/** The path a card's colours make from value to value, straight in CIELAB between neighbours. */
import { labOf, toLinear, type Triple } from './colour';

export interface ReferenceSquare {
  value: number;
  /** 8-bit sRGB of the square in the card's reference photo. */
  rgb: Triple;
}

export interface PathPoint {
  /** In squares: 0 is the first, 1.5 half way between the second and third; past the last it goes on as it came. */
  at: number;
  value: number;
  lab: Triple;
  /** Linear sRGB light. */
  light: Triple;
}

const between = (a: Triple, b: Triple, share: number): Triple => [
  a[0] + share * (b[0] - a[0]),
  a[1] + share * (b[1] - a[1]),
  a[2] + share * (b[2] - a[2]),
];

const inverse = (t: number): number => (t > 6 / 29 ? t ** 3 : 3 * (6 / 29) ** 2 * (t - 4 / 29));

/** Linear sRGB light of a colour in CIELAB; below nothing it is nothing. */
export function lightOf([l, a, b]: Triple): Triple {
  const fy = (l + 16) / 116;
  const x = 0.95047 * inverse(fy + a / 500);
  const y = inverse(fy);
  const z = 1.08883 * inverse(fy - b / 200);
  const least = 1e-4;
  return [
    Math.max(least, 3.2404542 * x - 1.5371385 * y - 0.4985314 * z),
    Math.max(least, -0.969266 * x + 1.8760108 * y + 0.041556 * z),
    Math.max(least, 0.0556434 * x - 0.2040259 * y + 1.0572252 * z),
  ];
}

/** Points from one square to the next, and on past the last by one step. @param steps from square to square */
export function pathOf(reference: readonly ReferenceSquare[], steps: number): PathPoint[] {
  const labs = reference.map((r) => labOf(toLinear(r.rgb)));
  const points: PathPoint[] = [];
  const add = (at: number, value: number, lab: Triple) =>
    points.push({ at, value, lab, light: lightOf(lab) });
  for (let i = 0; i + 1 < reference.length; i++) {
    const [from, to] = [labs[i] as Triple, labs[i + 1] as Triple];
    const [low, high] = [
      (reference[i] as ReferenceSquare).value,
      (reference[i + 1] as ReferenceSquare).value,
    ];
    for (let k = 0; k < steps; k++)
      add(i + k / steps, low + (k / steps) * (high - low), between(from, to, k / steps));
  }
  const last = reference.length - 1;
  const [before, end] = [labs[last - 1] as Triple, labs[last] as Triple];
  const top = (reference[last] as ReferenceSquare).value;
  for (let k = 0; k <= steps; k++)
    add(last + k / steps, top, between(end, between(before, end, 2), k / steps));
  return points;
}
