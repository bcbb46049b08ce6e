/** A flat card seen at a slant: where its points lie in a photo, from its four corners. Source: Heckbert 1989, "Fundamentals of Texture Mapping and
 *  Image Warping", section 2.2.3 (unit square to quadrilateral). */

/** Shares of the photo's width and height, from its upper left corner; on a card, of the card's. */
export type Point = readonly [number, number];
/** Upper left, upper right, lower right, lower left of the card as it is printed. */
export type Corners = readonly [Point, Point, Point, Point];

/** The eight numbers of the projection: x = (a u + b v + c) / (g u + h v + 1), y = (d u + e v + f) / (g u + h v + 1). */
interface Projection {
  a: number;
  b: number;
  c: number;
  d: number;
  e: number;
  f: number;
  g: number;
  h: number;
}

function projectionOf([[x0, y0], [x1, y1], [x2, y2], [x3, y3]]: Corners): Projection {
  const [dx1, dx2, sx] = [x1 - x2, x3 - x2, x0 - x1 + x2 - x3];
  const [dy1, dy2, sy] = [y1 - y2, y3 - y2, y0 - y1 + y2 - y3];
  const area = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / area;
  const h = (dx1 * sy - sx * dy1) / area;
  return {
    a: x1 - x0 + g * x1,
    b: x3 - x0 + h * x3,
    c: x0,
    d: y1 - y0 + g * y1,
    e: y3 - y0 + h * y3,
    f: y0,
    g,
    h,
  };
}

/** Do the corners make a card: each turn the same way round, none of them flat? */
export function isCard(corners: Corners): boolean {
  const turns = corners.map(([x, y], i) => {
    const [x1, y1] = corners[(i + 1) % 4] as Point;
    const [x2, y2] = corners[(i + 2) % 4] as Point;
    return (x1 - x) * (y2 - y1) - (y1 - y) * (x2 - x1);
  });
  return turns.every((t) => t > LEAST_TURN);
}
/** Twice the least area of a corner's triangle, in shares of the photo. */
const LEAST_TURN = 1e-4;

/** Where a point of the card lies in the photo. @throws RangeError where the corners make no card */
export function inPhoto(corners: Corners, [u, v]: Point): Point {
  if (!isCard(corners)) throw new RangeError('the corners make no card');
  const { a, b, c, d, e, f, g, h } = projectionOf(corners);
  const w = g * u + h * v + 1;
  return [(a * u + b * v + c) / w, (d * u + e * v + f) / w];
}

/** The way back: where on the card a point of the photo lies. @throws RangeError where the corners make no card */
export function onCard(corners: Corners, [x, y]: Point): Point {
  if (!isCard(corners)) throw new RangeError('the corners make no card');
  const { a, b, c, d, e, f, g, h } = projectionOf(corners);
  // Two lines through the point, solved by Cramer's rule.
  const [m11, m12, r1] = [a - g * x, b - h * x, x - c];
  const [m21, m22, r2] = [d - g * y, e - h * y, y - f];
  const det = m11 * m22 - m12 * m21;
  return [(r1 * m22 - m12 * r2) / det, (m11 * r2 - r1 * m21) / det];
}
