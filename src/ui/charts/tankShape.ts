/** The front of a tank to scale, as plain geometry. Lengths in cm come in, pixels go out; y grows downwards. */

export interface TankMeasures {
  lengthCm: number | null;
  widthCm: number | null;
  waterHeightCm: number | null;
  /** Bulk height of the sand bed, cm. */
  sandCm: number;
  /** Litres that rock fills with its gaps; null while nobody has said. */
  rockHeapL: number | null;
}

export interface TankShape {
  glass: { x: number; y: number; width: number; height: number };
  /** Top of the water; null while its height is not known. */
  waterY: number | null;
  sandY: number;
  /** Heaps of rock as outlines of a hill. */
  heaps: { points: readonly (readonly [number, number])[]; guessed: boolean }[];
  /** True while a side that shapes the drawing is still a guess. */
  guessed: boolean;
}

/** A common proportion, drawn while nothing is typed. */
const USUAL = { lengthCm: 80, waterHeightCm: 43 };
/** Glass above the water: a share of the water, which is all that is asked. */
const RIM = 0.1;
/** The two heaps by their share of the length, and where their middle stands. */
const HEAPS = [
  { middle: 0.28, foot: 0.32, share: 0.4 },
  { middle: 0.7, foot: 0.38, share: 0.6 },
] as const;
/** The most a heap may rise, as a share of the water: rock out of the water is not drawn. */
const HIGHEST = 0.86;

/** @param width @param highest of the room there is, px; the drawing is as high as the tank asks */
export function tankShape(m: TankMeasures, width: number, highest: number): TankShape {
  const lengthCm =
    m.lengthCm ?? USUAL.lengthCm * ((m.waterHeightCm ?? USUAL.waterHeightCm) / USUAL.waterHeightCm);
  const waterCm = m.waterHeightCm ?? USUAL.waterHeightCm * (lengthCm / USUAL.lengthCm);
  const glassCm = waterCm * (1 + RIM);
  const scale = Math.min(width / lengthCm, highest / glassCm);
  const height = glassCm * scale;
  const glass = {
    width: lengthCm * scale,
    height,
    x: (width - lengthCm * scale) / 2,
    y: 0,
  };
  const sandY = height - Math.min(m.sandCm, waterCm) * scale;
  const heaps = HEAPS.flatMap(({ middle, foot, share }) => {
    const guessed = m.rockHeapL === null;
    const litres = m.rockHeapL ?? (lengthCm * (m.widthCm ?? lengthCm / 2) * waterCm * 0.12) / 1000;
    const areaCm2 = (litres * share * 1000) / (m.widthCm ?? lengthCm / 2);
    const footCm = lengthCm * foot;
    // A hill with a flat top of a quarter of its foot holds five eighths of its box.
    const highCm = Math.min(areaCm2 / (footCm * 0.625), waterCm * HIGHEST);
    if (highCm <= 0) return [];
    const x = (share: number) => glass.x + (middle + (share - 0.5) * foot) * glass.width;
    const y = (share: number) => height - highCm * share * scale;
    return [
      {
        guessed,
        points: [
          [x(0), y(0)],
          [x(0.22), y(0.75)],
          [x(0.4), y(1)],
          [x(0.65), y(0.97)],
          [x(0.84), y(0.55)],
          [x(1), y(0)],
        ] as const,
      },
    ];
  });
  return {
    glass,
    waterY: m.waterHeightCm === null ? null : height - waterCm * scale,
    sandY,
    heaps,
    guessed: m.lengthCm === null || m.waterHeightCm === null,
  };
}
