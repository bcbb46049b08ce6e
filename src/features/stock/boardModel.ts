/** The board as plain data: who can be placed, the tinted fields of light, and texts into points. */
import { placeOf, type Animal, type Display, type Document } from '../../../core/document';
import {
  EMPTY_BOARD,
  lightAt,
  placesHere,
  type Board,
  type Glass,
  type Placed,
  type Spot,
} from '../../../core/placement';
import { speciesOf } from '../../../core/species';
import { readEntry, type UnitPreferences } from '../../../core/units';

export const boardOf = (water: Display): Board => water.board ?? EMPTY_BOARD;

/** The sides of the glass; null where only a volume is known. */
export function glassSides({ size }: Display): Glass | null {
  return size.kind === 'volume'
    ? null
    : { lengthCm: size.lengthCm, widthCm: size.widthCm, waterCm: size.waterHeightCm };
}

/** Corals, anemones and clams that stand in the tank, are on their way or wished for. */
export const placeable = (doc: Document, water: Display): Animal[] =>
  Object.values(doc.animals)
    .filter((a) => a.homeId === water.id && placeOf(a).kind !== 'gone')
    .filter((a) => speciesOf(doc, a.speciesId).coral !== undefined)
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/** Where it stands in the glass that is its home, or is to stand. */
export const spotOf = ({ waters }: Document, a: Animal): Spot | null => placesHere(a, waters).pop() ?? null;

export const placedOf = (doc: Document, animals: readonly Animal[]): Placed[] =>
  animals.flatMap((a) => {
    const spot = spotOf(doc, a);
    return spot ? [{ id: a.id, species: speciesOf(doc, a.speciesId), spot }] : [];
  });

/** One word for the drawing: what tells it from others of its group. */
export function shortName(common: string): string {
  const words = common.split(' ').filter((word) => !GROUP_WORDS.has(word));
  return words[words.length - 1] ?? common;
}

/** What each is called in the drawing: the short name, or the whole where another kind has the same. */
export function labelOf(placed: readonly Placed[], { species }: Placed): string {
  const short = shortName(species.common);
  const isShared = placed.some((p) => p.species.id !== species.id && shortName(p.species.common) === short);
  return isShared ? species.common : short;
}

const GROUP_WORDS = new Set(['coral', 'anemone', 'clam', 'mushroom']);

const COLUMNS = 6;
const ROWS = 4;
/** PAR of the deepest tint. */
const BRIGHT = 400;

/** Fields of light of a side: front at the depth of whoever is looked at, top at its height; else at the middle of them. */
export function lightFields(board: Board, glass: Glass, side: 'front' | 'top', looked: Spot | null) {
  const up = side === 'front' ? glass.waterCm : glass.widthCm;
  const width = glass.lengthCm / COLUMNS;
  const height = up / ROWS;
  return Array.from({ length: COLUMNS * ROWS }, (_, i) => {
    const x = (i % COLUMNS) * width;
    const y = Math.floor(i / COLUMNS) * height;
    const { yCm, zCm } = looked ?? { yCm: glass.widthCm / 2, zCm: glass.waterCm / 2 };
    const middle = { xCm: x + width / 2, yCm, zCm };
    const spot = side === 'front' ? { ...middle, zCm: y + height / 2 } : { ...middle, yCm: y + height / 2 };
    const light = lightAt(board, spot, glass.waterCm);
    return light ? [{ x, y, width, height, share: Math.min(1, light.par / BRIGHT), par: light.par }] : [];
  }).flat();
}

export interface SpotTexts {
  x: string;
  y: string;
  z: string;
}
export type SpotFaults = Partial<Record<keyof SpotTexts, string>>;

/** A spot as typed, in the person's unit, within the glass. */
export function readSpot(
  t: SpotTexts,
  glass: Glass,
  units: UnitPreferences,
): { ok: true; spot: Spot } | { ok: false; faults: SpotFaults } {
  const read = (text: string, name: string, max: number) =>
    readEntry(text, { name, unit: units.length, min: 0, max });
  const x = read(t.x, 'From the left', glass.lengthCm);
  const y = read(t.y, 'From the front', glass.widthCm);
  const z = read(t.z, 'Above the bottom', glass.waterCm);
  if (x.ok && y.ok && z.ok) return { ok: true, spot: { xCm: x.value, yCm: y.value, zCm: z.value } };
  return {
    ok: false,
    faults: {
      ...(x.ok ? {} : { x: x.message }),
      ...(y.ok ? {} : { y: y.message }),
      ...(z.ok ? {} : { z: z.message }),
    },
  };
}
