/** Net water volume of a system: what the glass holds, less what rock and sand displace, plus the sump.
 *  Dry reef rock displaces by its carbonate skeleton: about 2.4 kg per litre displaced (solid aragonite is 2.93;
 *  pores the water does not reach bring it down), 15 % either way. Sand grains 2.8 kg/L, 5 %.
 *  Until rock and sand are said a tenth of the glass is taken off, with a doubt as wide as what is usual.
 *  Uncertainties are standard deviations, combined as independent. */
import { assertPositive, assertRange } from '../check';
import { VOLUME } from './limits';

export type WaterSize =
  | { kind: 'dimensions'; lengthCm: number; widthCm: number; waterHeightCm: number }
  | { kind: 'volume'; volumeL: number };

export interface VolumeInput {
  size: WaterSize;
  /** Water in the running sump, L. */
  sumpL: number;
  /** Null where it is not said yet: a tenth of the glass is taken off for both together. */
  rockKg: number | null;
  sandKg: number | null;
  /** kg of rock and of sand for each litre of water they displace, where they are known; else the usual. */
  rockKgPerL?: number;
  sandKgPerL?: number;
  /** A better estimate that the person put in use; the arithmetic of the parts is still shown. */
  volumeInUse?: { litres: number; sdL: number; from: string };
}

export interface VolumeLine {
  part: 'display' | 'sump' | 'rock' | 'sand';
  /** Signed litres. */
  litres: number;
  sdL: number;
}

export interface NetVolume {
  netL: number;
  sdL: number;
  lines: VolumeLine[];
  /** Where the figure in use comes from. */
  from: string;
  /** What dimensions, rock and sand alone give. */
  byParts: { netL: number; sdL: number };
}

export const ROCK_KG_PER_L = VOLUME.rockKgPerL;
export const SAND_KG_PER_L = VOLUME.sandKgPerL;

/** Net volume with its standard deviation and the arithmetic, one line a part.
 *  Check by hand: 100 x 50 x 48 cm = 240 L; 24 kg rock -> -10 L; 28 kg sand -> -10 L; net 220 L.
 *  @throws RangeError for sizes of zero or below, and when rock and sand leave no water. */
export function netVolume(input: VolumeInput): NetVolume {
  const { size } = input;
  if (size.kind === 'dimensions') {
    assertPositive('lengthCm', size.lengthCm, 'cm');
    assertPositive('widthCm', size.widthCm, 'cm');
    assertPositive('waterHeightCm', size.waterHeightCm, 'cm');
  } else assertPositive('volumeL', size.volumeL, 'L');
  assertRange('sumpL', input.sumpL, 0, 1e6, 'L');
  assertRange('rockKg', input.rockKg ?? 0, 0, 1e6, 'kg');
  assertRange('sandKg', input.sandKg ?? 0, 0, 1e6, 'kg');
  const grossL =
    size.kind === 'dimensions' ? (size.lengthCm * size.widthCm * size.waterHeightCm) / 1000 : size.volumeL;
  const rockDensity = input.rockKgPerL ?? ROCK_KG_PER_L;
  const sandDensity = input.sandKgPerL ?? SAND_KG_PER_L;
  assertPositive('rockKgPerL', rockDensity, 'kg/L');
  assertPositive('sandKgPerL', sandDensity, 'kg/L');
  const displaced = (kg: number | null, kgPerL: number, sdShare: number, unsaidShare: number) =>
    kg === null
      ? { litres: grossL * unsaidShare, sdL: grossL * unsaidShare * VOLUME.unsaidSd }
      : { litres: kg / kgPerL, sdL: (kg / kgPerL) * sdShare };
  const rock = displaced(input.rockKg, rockDensity, VOLUME.rockSd, VOLUME.rockUnsaid);
  const sand = displaced(input.sandKg, sandDensity, VOLUME.sandSd, VOLUME.sandUnsaid);
  const lines: VolumeLine[] = [
    // A tape measure outside the glass, a guessed water line: 3 %. A volume off a label: 6 %.
    {
      part: 'display',
      litres: grossL,
      sdL: grossL * (size.kind === 'dimensions' ? VOLUME.tapeSd : VOLUME.labelSd),
    },
    { part: 'sump', litres: input.sumpL, sdL: input.sumpL * VOLUME.sumpSd },
    { part: 'rock', litres: -rock.litres, sdL: rock.sdL },
    { part: 'sand', litres: -sand.litres, sdL: sand.sdL },
  ];
  const unsaid = input.rockKg === null || input.sandKg === null;
  const netL = lines.reduce((sum, line) => sum + line.litres, 0);
  if (netL <= 0)
    throw new RangeError(
      `"rockKg" and "sandKg" displace more than the tank holds: ${netL.toFixed(1)} L left`,
    );
  const sdL = Math.sqrt(lines.reduce((sum, line) => sum + line.sdL ** 2, 0));
  const used = input.volumeInUse;
  return {
    netL: used?.litres ?? netL,
    sdL: used?.sdL ?? sdL,
    from:
      used?.from ??
      (unsaid ? 'its size, less a tenth for rock and sand not said yet' : 'dimensions, rock and sand'),
    byParts: { netL, sdL },
    lines: lines.filter((line) => line.litres !== 0),
  };
}
