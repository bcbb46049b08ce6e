/** A card at a slant, and the colour of a spot. */
import fc from 'fast-check';
import { isEven, patchAt } from './patch';
import { inPhoto, isCard, onCard, type Corners, type Point } from './quad';

const SQUARE: Corners = [
  [0.2, 0.1],
  [0.8, 0.1],
  [0.8, 0.9],
  [0.2, 0.9],
];
/** A road into the distance: parallel sides that meet far above. */
const ROAD: Corners = [
  [0.4, 0.2],
  [0.6, 0.2],
  [1, 0.8],
  [0, 0.8],
];

test('seen straight on, a point lies where its shares say', () => {
  const near = (found: Point, [x, y]: Point) => {
    expect(found[0]).toBeCloseTo(x, 12);
    expect(found[1]).toBeCloseTo(y, 12);
  };
  near(inPhoto(SQUARE, [0.5, 0.25]), [0.5, 0.3]);
  near(onCard(SQUARE, [0.5, 0.5]), [0.5, 0.5]);
});
test('corners lie at the corners, and the middle where the diagonals cross', () => {
  const ends: readonly Point[] = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ];
  ends.forEach((end, i) =>
    inPhoto(ROAD, end).forEach((x, c) => expect(x).toBeCloseTo(ROAD[i]![c as 0 | 1]!, 12)),
  );
  // The diagonals from (0.4, 0.2) to (1, 0.8) and from (0.6, 0.2) to (0, 0.8) meet at x 0.5, y 0.3.
  const [x, y] = inPhoto(ROAD, [0.5, 0.5]);
  expect(x).toBeCloseTo(0.5, 12);
  expect(y).toBeCloseTo(0.3, 12);
});
test('there and back is the same, and what is straight on the card is straight in the photo', () => {
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  const off = fc.double({ min: -0.12, max: 0.12, noNaN: true });
  fc.assert(
    fc.property(fc.array(off, { minLength: 8, maxLength: 8 }), share, share, (d, u, v) => {
      const corners = SQUARE.map(([x, y], i) => [x + d[2 * i]!, y + d[2 * i + 1]!]) as unknown as Corners;
      fc.pre(isCard(corners));
      onCard(corners, inPhoto(corners, [u, v])).forEach((s, i) => expect(s).toBeCloseTo([u, v][i]!, 8));
      const [a, b, c] = [0, v, 1].map((w) => inPhoto(corners, [u, w])) as [Point, Point, Point];
      expect((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])).toBeCloseTo(0, 8);
    }),
  );
});
test('corners that cross, turn the wrong way or fall together make no card', () => {
  const [a, b, c, d] = SQUARE;
  for (const wrong of [
    [a, c, b, d],
    [d, c, b, a],
    [a, a, c, d],
    [a, [0.5, 0.1], b, d],
  ] as unknown as Corners[]) {
    expect(isCard(wrong)).toBe(false);
    expect(() => inPhoto(wrong, [0, 0])).toThrow(RangeError);
    expect(() => onCard(wrong, [0, 0])).toThrow(RangeError);
  }
});

/** A picture of one colour with a bright right half. */
const picture = (bright: number) => ({
  width: 20,
  height: 10,
  data: Array.from({ length: 200 }, (_, i) => {
    const v = i % 20 < 10 ? 100 : bright;
    return [v, v / 2, v / 4, 255];
  }).flat(),
});
test('a plain spot has its colour and no spread; a rim or a reflection shows', () => {
  const plain = patchAt(picture(200), 4, 5, 3);
  expect(plain.rgb).toEqual([100, 50, 25]);
  expect(plain.spread).toBeCloseTo(0, 9);
  expect(isEven(patchAt(picture(200), 4, 5, 3))).toBe(true);
  expect(isEven(patchAt(picture(200), 10, 5, 3))).toBe(false);
  // A little grain is no rim.
  expect(isEven(patchAt(picture(110), 10, 5, 3))).toBe(true);
});
test('a speck does not change the colour; beyond the picture there is none', () => {
  const speck = picture(100);
  speck.data[4 * (5 * 20 + 4)] = 255;
  expect(patchAt(speck, 4, 5, 3).rgb).toEqual([100, 50, 25]);
  expect(patchAt(picture(200), 0, 0, 2).rgb).toEqual([100, 50, 25]);
  expect(() => patchAt(picture(200), 40, 5, 2)).toThrow(RangeError);
});
