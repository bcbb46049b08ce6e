/** From tapped places to colours, and to what the vial says. */
import type { Card, Kit, Reading, ReadingValue } from '../document';
import { isEven, type Patch } from './patch';
import { inPhoto, onCard, type Corners, type Point } from './quad';
import { readVial, type VialReading } from './read';
import { formatDecimal } from '../units';

interface PhotoSpot {
  at: Point;
  /** As a share of the picture's width. */
  radius: number;
}

/** A square is looked at this far towards its nearest neighbour, and no further than so much of the picture's width. */
const [REACH, WIDEST, NARROWEST] = [0.22, 0.02, 0.003];

/** Spots that stay clear of each other. @param aspect width of the picture over its height */
export function spotsAt(places: readonly Point[], aspect: number): PhotoSpot[] {
  const gap = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], (a[1] - b[1]) / aspect);
  return places.map((at, i) => {
    const nearest = Math.min(...places.flatMap((other, j) => (j === i ? [] : [gap(at, other)])));
    return { at, radius: Math.min(WIDEST, Math.max(NARROWEST, REACH * nearest)) };
  });
}

/** Where a card's squares lie in a picture. */
export const squaresIn = (card: Card, corners: Corners): Point[] =>
  card.squares.map((s) => inPhoto(corners, s.place));

/** A card from its picture. Null where squares lie off it or are not of one colour; then their values are named. */
export function cardFrom(
  corners: Corners,
  squares: readonly { value: number; at: Point }[],
  patches: readonly Patch[],
): { squares: Card['squares'] } | { uneven: number[] } | { outside: number[] } {
  const places = squares.map((s) => onCard(corners, s.at));
  const off = squares.filter((_, i) => places[i]!.some((x) => x < 0 || x > 1));
  if (off.length > 0) return { outside: off.map((s) => s.value) };
  const uneven = squares.filter((_, i) => !isEven(patches[i]!));
  if (uneven.length > 0) return { uneven: uneven.map((s) => s.value) };
  return {
    squares: squares.map((s, i) => ({
      value: s.value,
      rgb: [...patches[i]!.rgb] as [number, number, number],
      place: [...places[i]!] as [number, number],
    })),
  };
}

/** What a picture's colours say. @param patches the card's squares in its order, the vial last */
export function readingOf(card: Card, patches: readonly Patch[]): VialReading | 'vialUneven' {
  const vial = patches[patches.length - 1]!;
  if (!isEven(vial)) return 'vialUneven';
  return readVial(card.squares, { squares: patches.slice(0, -1).map((p) => p.rgb), vial: vial.rgb });
}

type PhotoSaid = NonNullable<Reading['photo']>;

/** As it is kept: rounded outwards, so that nothing of the interval is lost. Null where it must not be read. */
export function photoSaid({ low, best, high }: VialReading): PhotoSaid | null {
  if (low === null || best === null) return null;
  const down = Math.floor(low * 100) / 100;
  const up = high === null ? null : Math.ceil(high * 100) / 100;
  return { low: down, best: Math.round(best * 100) / 100, high: up };
}

/** As a reading. */
export const valueOf = ({ low, best, high }: PhotoSaid): ReadingValue =>
  high === null
    ? { kind: 'over', low }
    : high > low
      ? { kind: 'between', low, high }
      : { kind: 'exact', value: best };

/** "between 0.3 and 0.6, most likely 0.4"; "over 4". */
export const saidWords = ({ low, best, high }: PhotoSaid): string =>
  high === null
    ? `over ${formatDecimal(low, 2)}`
    : `between ${formatDecimal(low, 2)} and ${formatDecimal(high, 2)}, most likely ${formatDecimal(best, 2)}`;

/** Does the person's own reading touch what the photo says? A step of a chart stands for all that lies nearer to it than to its neighbours. */
export function agree(own: ReadingValue, kit: Kit, { low, high }: PhotoSaid): boolean {
  const steps = kit.scale.kind === 'steps' ? kit.scale.steps : [];
  const half = (x: number, side: 1 | -1): number => {
    const i = steps.indexOf(x);
    const next = i < 0 ? undefined : steps[i + side];
    return next === undefined ? x : (x + next) / 2;
  };
  const values = 'values' in own ? own.values : 'value' in own ? [own.value] : [own.low];
  const from = own.kind === 'exact' ? half(own.value, -1) : Math.min(...values);
  const to =
    own.kind === 'over'
      ? Infinity
      : own.kind === 'between'
        ? own.high
        : own.kind === 'exact'
          ? half(own.value, 1)
          : Math.max(...values);
  return to >= low && from <= (high ?? Infinity);
}

/** Can this kit be read so? */
export const hasCard = (kit: Kit): boolean => kit.scale.kind === 'steps' && kit.scale.steps.length >= 3;
