import { STARTER_KITS, type Card } from '../document';
import type { Patch } from './patch';
import type { Corners } from './quad';
import {
  agree,
  cardFrom,
  hasCard,
  photoSaid,
  readingOf,
  saidWords,
  spotsAt,
  squaresIn,
  valueOf,
} from './card';

const kit = STARTER_KITS.find((k) => k.id === 'kit-nitrite')!;
const even = (rgb: Patch['rgb']): Patch => ({ rgb, spread: 1 });
const CORNERS: Corners = [
  [0.1, 0.1],
  [0.9, 0.1],
  [0.9, 0.9],
  [0.1, 0.9],
];
const SQUARES = [
  { value: 0, at: [0.3, 0.5] },
  { value: 1, at: [0.5, 0.5] },
  { value: 2, at: [0.7, 0.5] },
] as const;
const COLOURS: readonly Patch['rgb'][] = [
  [230, 220, 190],
  [150, 190, 170],
  [70, 140, 160],
];
const card: Card = {
  id: 'c',
  kitId: kit.id,
  at: '2026-05-01T12:00:00.000Z',
  squares: SQUARES.map((s, i) => ({
    value: s.value,
    rgb: [...COLOURS[i]!],
    place: [(s.at[0] - 0.1) / 0.8, 0.5],
  })),
};

test('a card is its squares by colour and place; those off it or not of one colour are named', () => {
  const patches = COLOURS.map(even);
  const made = cardFrom(CORNERS, SQUARES, patches);
  if (!('squares' in made)) throw new Error('no card');
  made.squares.forEach((s, i) => {
    expect(s.rgb).toEqual(COLOURS[i]);
    s.place.forEach((x, c) => expect(x).toBeCloseTo(card.squares[i]!.place[c]!, 10));
  });
  expect(cardFrom(CORNERS, SQUARES, [patches[0]!, { ...patches[1]!, spread: 30 }, patches[2]!])).toEqual({
    uneven: [1],
  });
  expect(cardFrom(CORNERS, [{ value: 0, at: [0.02, 0.5] }, ...SQUARES.slice(1)], patches)).toEqual({
    outside: [0],
  });
});
test('squares are found again in another picture, and looked at clear of each other', () => {
  squaresIn(card, CORNERS).forEach((p, i) =>
    p.forEach((x, c) => expect(x).toBeCloseTo(SQUARES[i]!.at[c]!, 10)),
  );
  const far = spotsAt(squaresIn(card, CORNERS), 1.5);
  expect(far.map((s) => s.radius)).toEqual([0.02, 0.02, 0.02]);
  const near = spotsAt(
    [
      [0.5, 0.5],
      [0.55, 0.5],
    ],
    1.5,
  );
  expect(near[0]!.radius).toBeCloseTo(0.22 * 0.05, 10);
});
test('a vial like a square is read about there; one that is not of one colour is not', () => {
  const patches = COLOURS.map(even);
  const read = readingOf(card, [...patches, even([150, 190, 170])]);
  if (read === 'vialUneven') throw new Error('refused');
  expect(read.best).toBeCloseTo(1, 1);
  expect(readingOf(card, [...patches, { rgb: [150, 190, 170], spread: 40 }])).toBe('vialUneven');
});
test('what is kept is rounded outwards, and what was refused is nothing', () => {
  const said = photoSaid({ low: 0.338, best: 0.4149, high: 0.501, doubts: [] });
  expect(said).toEqual({ low: 0.33, best: 0.41, high: 0.51 });
  expect(valueOf(said!)).toEqual({ kind: 'between', low: 0.33, high: 0.51 });
  expect(saidWords(said!)).toBe('between 0.33 and 0.51, most likely 0.41');
  const open = { low: 4, best: 5, high: null };
  expect([valueOf(open), saidWords(open)]).toEqual([{ kind: 'over', low: 4 }, 'over 4']);
  expect(photoSaid({ low: null, best: null, high: null, doubts: ['tooDark'] })).toBeNull();
});
test('a step stands for what lies nearer to it than to its neighbours', () => {
  // Steps 0, 0.2, 0.5, 1, 2, 5: the 1 stands from 0.75 to 1.5.
  const photo = { low: 1.4, best: 1.5, high: 1.6 };
  expect(agree({ kind: 'exact', value: 1 }, kit, photo)).toBe(true);
  expect(agree({ kind: 'exact', value: 0.5 }, kit, photo)).toBe(false);
  expect(agree({ kind: 'between', low: 1, high: 2 }, kit, photo)).toBe(true);
  expect(agree({ kind: 'between', low: 0.2, high: 0.5 }, kit, photo)).toBe(false);
  expect(agree({ kind: 'over', low: 5 }, kit, photo)).toBe(false);
  expect(agree({ kind: 'over', low: 5 }, kit, { low: 4, best: 5, high: null })).toBe(true);
  expect(agree({ kind: 'repeats', values: [0.1, 1.45] }, kit, photo)).toBe(true);
});
test('kits with three steps or more can have a card', () => {
  expect(hasCard(kit)).toBe(true);
  expect(hasCard(STARTER_KITS.find((k) => k.scale.kind === 'number')!)).toBe(false);
  expect(hasCard({ ...kit, scale: { kind: 'steps', steps: [0, 1], topOpen: false } })).toBe(false);
});
