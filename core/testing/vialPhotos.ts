/** Photos of a card and a vial, made from spectra: lights, a camera of its own, uneven light, noise, a tone curve. For tests and the judge only: it shares
 *  nothing with the reading but the shape of what is handed over. */
import type { Random } from '../random';
import type { ReferenceSquare, VialPhoto } from '../vial';

type Spectrum = readonly number[];
type Rgb = [number, number, number];

const NM = Array.from({ length: 61 }, (_, i) => 400 + 5 * i);
const bell = (centre: number, width: number): Spectrum =>
  NM.map((nm) => Math.exp(-0.5 * ((nm - centre) / width) ** 2));

/** Planck's law, at 560 nm one. */
const glowing = (kelvin: number): Spectrum => {
  const power = (nm: number) => 1 / ((nm * 1e-9) ** 5 * (Math.exp(0.014388 / (nm * 1e-9 * kelvin)) - 1));
  return NM.map((nm) => power(nm) / power(560));
};

export const LIGHTS = {
  A: glowing(2856),
  D50: glowing(5003),
  D65: glowing(6504),
  tank: glowing(6504).map((x, i) => x + 2.2 * (bell(452, 12)[i] as number)),
} as const;
export type LightName = keyof typeof LIGHTS;

const CAMERA: readonly Spectrum[] = [bell(598, 42), bell(538, 42), bell(458, 32)];
/** Sensors overlap: what the camera does about it. */
const SHARPEN: readonly (readonly number[])[] = [
  [1.55, -0.45, -0.1],
  [-0.25, 1.45, -0.2],
  [-0.05, -0.4, 1.45],
];

/** What a card's colours are made of: two dyes, and how much of each at the first square and the last. */
export interface Card {
  dyes: readonly [Spectrum, Spectrum];
  from: readonly [number, number];
  to: readonly [number, number];
  values: readonly number[];
}

const CARDS: readonly Omit<Card, 'values'>[] = [
  // Yellow to green to blue.
  { dyes: [bell(440, 35), bell(630, 45)], from: [1.6, 0.05], to: [1.2, 1.3] },
  // Pale to a deep red.
  { dyes: [bell(520, 45), bell(450, 40)], from: [0.08, 0.25], to: [1.5, 0.7] },
  // Pale yellow to orange.
  { dyes: [bell(450, 40), bell(520, 40)], from: [0.35, 0.02], to: [1.7, 0.7] },
  // Pale to blue.
  { dyes: [bell(620, 60), bell(570, 40)], from: [0.05, 0.02], to: [1.3, 0.6] },
];

function cardOf(random: Random): Card {
  const kind = CARDS[Math.floor(random() * CARDS.length)] as Omit<Card, 'values'>;
  const n = 5 + Math.floor(random() * 4);
  let value = 0;
  const values = Array.from({ length: n }, (_, i) => (i === 0 ? 0 : (value += 0.5 + random() * 2 * (i + 1))));
  return { ...kind, values };
}

/** What comes back from a field so many squares along. */
function reflected({ dyes, from, to, values }: Card, at: number): Spectrum {
  const share = at / (values.length - 1);
  return NM.map(
    (_, i) =>
      0.88 *
      Math.exp(
        -dyes.reduce(
          (sum, dye, d) =>
            sum +
            ((from[d] as number) + share * ((to[d] as number) - (from[d] as number))) * (dye[i] as number),
          0,
        ),
      ),
  );
}

interface Shot {
  light: Spectrum;
  exposure: number;
  /** How much of the light's colour the camera takes out, 0 to 1. */
  balance: number;
  gamma: number;
}

function seen(field: Spectrum, shot: Shot): Rgb {
  const raw = CAMERA.map((s) =>
    s.reduce((sum, x, i) => sum + x * (field[i] as number) * (shot.light[i] as number), 0),
  );
  const white = CAMERA.map((s) => s.reduce((sum, x, i) => sum + x * (shot.light[i] as number), 0));
  const even = CAMERA.map((s) => s.reduce((sum, x) => sum + x, 0));
  const green = white[1] as number;
  const balanced = raw.map((x, c) => {
    const full = x / (white[c] as number);
    const none = (x / green) * ((even[1] as number) / (even[c] as number));
    return full ** shot.balance * none ** (1 - shot.balance);
  });
  return SHARPEN.map(
    (line) =>
      Math.max(
        0,
        line.reduce((sum, k, c) => sum + k * (balanced[c] as number), 0),
      ) * shot.exposure,
  ) as Rgb;
}

/** A tone curve near that of sRGB, ended at white. */
const toned = (light: Rgb, gamma: number): Rgb =>
  light.map((x) => 255 * Math.min(1, x) ** (1 / gamma)) as Rgb;

const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
const levels = (rgb: Rgb, random: Random, noise: number): Rgb =>
  rgb.map((v) => Math.max(0, Math.min(255, Math.round(v + noise * normal(random))))) as Rgb;

export const BAD = ['glare', 'shadow', 'cardShadow', 'dark', 'bright', 'other'] as const;
export type Bad = (typeof BAD)[number];

export interface Case {
  reference: ReferenceSquare[];
  photo: VialPhoto;
  /** In squares, and as a value. */
  at: number;
  truth: number;
}

/** A photo of a vial somewhere on the card's path. @param bad what is wrong with it; null for a usual one */
export function caseOf(random: Random, lightName: LightName, bad: Bad | null): Case {
  const card = cardOf(random);
  const n = card.values.length;
  const good: Shot = { light: LIGHTS.D65, exposure: 0.85, balance: 1, gamma: 2.2 };
  const reference = card.values.map((value, i) => ({
    value,
    rgb: levels(toned(seen(reflected(card, i), good), good.gamma), random, 0.3),
  }));
  const exposure = bad === 'dark' ? 0.006 : bad === 'bright' ? 3.2 : 0.45 + 0.45 * random();
  const shot: Shot = {
    light: LIGHTS[lightName],
    exposure,
    balance: lightName === 'tank' ? 0.75 + 0.2 * random() : 0.65 + 0.35 * random(),
    gamma: 2 + 0.4 * random(),
  };
  const at = random() * (n - 1);
  // Light falls off evenly across the picture, and a little from field to field.
  const tilt = 0.12 * (random() - 0.5);
  const uneven = (place: number): number => Math.exp(tilt * (place - 0.5) + 0.015 * normal(random));
  const field = (spectrum: Spectrum, place: number, extra = 1): Rgb =>
    seen(spectrum, shot).map((x) => x * uneven(place) * extra) as Rgb;
  const squares = card.values.map((_, i) => {
    const shade = bad === 'cardShadow' && i < n / 2 ? 0.45 : 1;
    return levels(toned(field(reflected(card, i), i / n, shade), shot.gamma), random, 0.7);
  });
  const spectrum =
    bad === 'other'
      ? NM.map(
          (_, i) =>
            0.85 *
            Math.exp(
              -1.4 * (bell(670, 40)[i] as number) -
                1.2 * (bell(400, 30)[i] as number) -
                0.9 * (bell(560, 30)[i] as number),
            ),
        )
      : reflected(card, at);
  let vial = field(spectrum, 0.5, bad === 'shadow' ? 0.4 + 0.15 * random() : 1);
  if (bad === 'glare') {
    const share = 0.3 + 0.3 * random();
    const shine = seen(
      NM.map(() => 1),
      shot,
    );
    vial = vial.map((x, c) => x * (1 - share) + share * (shine[c] as number)) as Rgb;
  }
  const i = Math.min(n - 2, Math.floor(at));
  const [low, high] = [card.values[i] as number, card.values[i + 1] as number];
  return {
    reference,
    photo: { squares, vial: levels(toned(vial, shot.gamma), random, 0.7) },
    at,
    truth: low + (at - i) * (high - low),
  };
}
