/** The reading of a vial: cases by hand, and photos of another making. */
import { seededRandom } from '../random';
import { BAD, caseOf, LIGHTS, type Bad, type LightName } from '../testing/vialPhotos';
import { inverted, product } from './matrix';
import { labOf } from './colour';
import { lightOf, pathOf } from './path';
import { readVial, tailOf, type VialPhoto } from './read';
import type { Triple } from './colour';

const CARD = (
  [
    [0, [240, 230, 120]],
    [0.25, [215, 220, 110]],
    [0.5, [180, 205, 105]],
    [1, [140, 185, 105]],
    [2, [100, 160, 110]],
  ] as const
).map(([value, rgb]) => ({ value, rgb: rgb as Triple }));
const squares = CARD.map((c) => c.rgb);
const read = (vial: Triple, more: Partial<VialPhoto> = {}) => readVial(CARD, { squares, vial, ...more });
const dimmed = (rgb: Triple, share: number): Triple =>
  rgb.map((v) => Math.round(v * share)) as unknown as Triple;

test('a vial that looks like a square is read as its value, whatever the light did to both', () => {
  const same = read([180, 205, 105]);
  expect(same.best).toBeCloseTo(0.5, 1);
  expect(same.low!).toBeLessThan(0.5);
  expect(same.high!).toBeGreaterThan(0.5);
  const warm = (rgb: Triple): Triple => [
    Math.round(rgb[0] * 0.95),
    Math.round(rgb[1] * 0.8),
    Math.round(rgb[2] * 0.55),
  ];
  const lit = read(warm([180, 205, 105]), { squares: squares.map(warm) });
  expect(lit.best).toBeCloseTo(0.5, 1);
});
test('half way between two squares it is half way between their values', () => {
  const half = read([198, 213, 107]);
  expect(half.best!).toBeGreaterThan(0.3);
  expect(half.best!).toBeLessThan(0.45);
});
test('at the first square nothing is below; past the last the top is open', () => {
  expect(read([240, 230, 120]).low).toBe(0);
  const past = read([70, 140, 115]);
  expect(past.high).toBeNull();
  expect(past.low!).toBeGreaterThan(1);
  expect(past.best).toBe(2);
});
test.each([
  ['too dark', { squares: squares.map((s) => dimmed(s, 0.1)) }, [18, 20, 10], 'tooDark'],
  [
    'too bright',
    { squares: squares.map((s) => s.map((v) => Math.min(255, v * 2.4)) as unknown as Triple) },
    [255, 255, 250],
    'tooBright',
  ],
  [
    'a shadow over half the card',
    { squares: squares.map((s, i) => (i < 2 ? dimmed(s, 0.55) : s)) },
    [180, 205, 105],
    'cardUneven',
  ],
  ['another colour altogether', {}, [160, 90, 170], 'offThePath'],
  ['a shadow on the vial', {}, [95, 108, 55], 'offThePath'],
] as const)('%s is refused, not guessed', (_, more, vial, doubt) => {
  expect(read(vial as Triple, more)).toEqual({ low: null, best: null, high: null, doubts: [doubt] });
});
test('what cannot be a card is said by its field', () => {
  expect(() => readVial(CARD.slice(0, 2), { squares: squares.slice(0, 2), vial: [1, 1, 1] })).toThrow(
    /"reference"/,
  );
  expect(() => read([1, 1, 1], { squares: squares.slice(1) })).toThrow(/"photo\.squares" must be 5/);
  expect(() => readVial([...CARD].reverse(), { squares, vial: [1, 1, 1] })).toThrow(
    /"reference\[1\]\.value"/,
  );
});
test('the path is straight from square to square in CIELAB, and light and back is the same', () => {
  const path = pathOf(CARD, 4);
  expect(path).toHaveLength(4 * 4 + 5);
  expect(path[2]).toMatchObject({ at: 0.5, value: 0.125 });
  const lab = labOf([0.3, 0.5, 0.2]);
  lightOf(lab).forEach((x, i) => expect(x).toBeCloseTo([0.3, 0.5, 0.2][i]!, 5));
});
test('small algebra: an inverse undoes, and a normal leaves what tables say', () => {
  const m = [
    [4, 1, 0],
    [1, 3, 1],
    [0, 1, 2],
  ];
  product(m, inverted(m)).forEach((row, i) =>
    row.forEach((x, j) => expect(x).toBeCloseTo(i === j ? 1 : 0, 10)),
  );
  expect(() => inverted([[0]])).toThrow(RangeError);
  // Abramowitz & Stegun, table 26.1.
  expect(tailOf(1.96)).toBeCloseTo(0.025, 4);
  expect(tailOf(1)).toBeCloseTo(0.1587, 4);
});

describe('photos of another making', () => {
  const CASES = 60;
  const outcomes = (light: LightName, bad: Bad | null) =>
    Array.from({ length: CASES }, (_, seed) => {
      const c = caseOf(seededRandom(1000 + seed), light, bad);
      return { c, r: readVial(c.reference, c.photo) };
    });
  test.each(Object.keys(LIGHTS) as LightName[])(
    'under %s nine of ten that are read hold the truth',
    (light) => {
      const given = outcomes(light, null).filter(({ r }) => r.low !== null);
      const held = given.filter(({ c, r }) => c.truth >= r.low! && (r.high === null || c.truth <= r.high));
      expect(held.length / given.length).toBeGreaterThanOrEqual(0.9);
    },
  );
  test('of good ones at most one in ten is refused, of bad ones nine in ten are', () => {
    const all = (Object.keys(LIGHTS) as LightName[]).flatMap((light) => outcomes(light, null));
    expect(all.filter(({ r }) => r.low === null).length / all.length).toBeLessThanOrEqual(0.1);
    const bad = BAD.flatMap((b) => outcomes('D65', b));
    expect(bad.filter(({ r }) => r.low === null).length / bad.length).toBeGreaterThanOrEqual(0.9);
  });
});
