/** A vial read against the person's own card in one photo. The card's squares say what the light and the camera did to colours; the vial's colour
 *  is looked for along the card's path, and comes back as an interval.
 *
 *  In logarithms of light a photo is linear: y = g + K log R + b, gains g by channel for light and exposure, K near one for contrast and for what
 *  channels see of each other, b uneven brightness from field to field. Gaussian priors on g and K and the squares give, exactly, what the vial
 *  would look like at every point of the path, with its covariance (Bayesian least squares; Rasmussen & Williams 2006, ch. 2). */
import { ciede2000, labOf, linear, toLinear, type Triple } from './colour';
import { inverted, product, transposed, type Matrix } from './matrix';
import { VIAL } from './limits';
import { pathOf, type PathPoint, type ReferenceSquare } from './path';

export type VialDoubt = 'tooDark' | 'tooBright' | 'cardUneven' | 'offThePath' | 'tooVague';

export interface VialReading {
  /** Null where it must not be read. */
  low: number | null;
  best: number | null;
  /** Null past the last square too. */
  high: number | null;
  doubts: VialDoubt[];
}

export interface VialPhoto {
  /** 8-bit sRGB means, in the reference's order. */
  squares: readonly Triple[];
  vial: Triple;
}

/** Points of the path from square to square. */
const FINE = 40;

/** @throws RangeError where there are too few squares, or not as many as in the reference, or values that do not rise */
export function readVial(reference: readonly ReferenceSquare[], photo: VialPhoto): VialReading {
  if (reference.length < 3) throw new RangeError('"reference" needs at least three squares');
  if (photo.squares.length !== reference.length)
    throw new RangeError(
      `"photo.squares" must be ${reference.length}, as many as the reference has, got ${photo.squares.length}`,
    );
  reference.forEach((r, i) => {
    if (i > 0 && r.value <= (reference[i - 1] as ReferenceSquare).value)
      throw new RangeError(`"reference[${i}].value" must be above the one before`);
  });
  const seen = exposure(reference, photo);
  if (seen.length > 0) return refused(seen);
  const fit = fitCard(reference, photo.squares);
  if (fit.off > VIAL.cardOff || fit.uneven > VIAL.cardUneven) return refused(['cardUneven']);
  const path = pathOf(reference, FINE);
  const weighed = path.map((p) => ({ p, ...distance(fit, p, photo.vial) }));
  const nearest = weighed.reduce((a, b) => (b.squared < a.squared ? b : a));
  if (nearest.squared > VIAL.vialOff || colourOff(fit, nearest.p, photo.vial) > VIAL.colourOff)
    return refused(['offThePath']);
  return intervalOf(reference, weighed);
}

const refused = (doubts: VialDoubt[]): VialReading => ({ low: null, best: null, high: null, doubts });

/** What cannot be read for want of light, or for too much. */
function exposure(reference: readonly ReferenceSquare[], { squares, vial }: VialPhoto): VialDoubt[] {
  const brightest = Math.max(...squares.map((rgb) => Math.max(...rgb)));
  const dark =
    brightest < VIAL.leastBright || [...squares, vial].some((rgb) => Math.max(...rgb) < VIAL.leastLevel);
  const cut = (rgb: Triple): number => rgb.filter((v) => v >= VIAL.clippedLevel).length;
  // A channel of a pale square may be cut off in the reference, too.
  const more = squares.filter((rgb, i) => cut(rgb) > cut((reference[i] as ReferenceSquare).rgb)).length;
  const bright = more > squares.length / 2 || cut(vial) > 1;
  return [...(dark ? (['tooDark'] as const) : []), ...(bright ? (['tooBright'] as const) : [])];
}

/** Logarithm of light of an 8-bit level, and its error. Half a level keeps black finite; where black begins no camera says, so that a dark channel
 *  tells little. */
function logLight(v: number): { y: number; sd: number } {
  // What is cut off is as bright, or brighter.
  if (v >= VIAL.clippedLevel) return { y: 0, sd: VIAL.clippedSd };
  const here = linear(Math.max(0.5, v));
  const around = linear(Math.min(255, v + 1)) - linear(Math.max(0, v - 1));
  const noise = VIAL.levelNoise * (1 + VIAL.blackLevels / (v + 1));
  return { y: Math.log(here), sd: ((around / 2) * noise) / here };
}

interface Fit {
  /** Gains, then by channel what it sees of the three. */
  mean: number[];
  covariance: Matrix;
  /** Variances of a field: noise by channel, uneven brightness. */
  noise: number;
  brightness: number;
  /** How much more the card departs than is usual, in colour and in brightness: 1 is as usual. */
  off: number;
  uneven: number;
}

const GAINS = 3;
const SIZE = GAINS + 9;

/** What the parameters do to one channel of a field. */
function row(channel: number, logs: Triple): number[] {
  const out = new Array<number>(SIZE).fill(0);
  out[channel] = 1;
  for (let d = 0; d < 3; d++) out[GAINS + 3 * channel + d] = logs[d] as number;
  return out;
}

const logsOf = (light: Triple): Triple => [Math.log(light[0]), Math.log(light[1]), Math.log(light[2])];

/** Twice: with the usual noise, then with what the card itself shows. */
function fitCard(reference: readonly ReferenceSquare[], squares: readonly Triple[]): Fit {
  const usual = { noise: VIAL.modelNoise ** 2, brightness: VIAL.brightness ** 2 };
  const first = solved(reference, squares, usual.noise, usual.brightness);
  // Of each square the mean of what is left is brightness, the rest is noise. A channel too dark to tell anything is left out.
  const left = residuals(reference, squares, first.mean).map((r, i) =>
    r.filter((_, c) => logLight((squares[i] as Triple)[c] as number).sd < VIAL.tellingSd),
  );
  const fields = left.filter((r) => r.length > 1);
  const means = fields.map((r) => r.reduce((sum, x) => sum + x, 0) / r.length);
  const spread = fields.reduce(
    (sum, r, i) => sum + r.reduce((own, x) => own + (x - (means[i] as number)) ** 2, 0),
    0,
  );
  const uneven = means.reduce((sum, m) => sum + m ** 2, 0);
  const shown = fields.reduce((sum, r) => sum + r.length - 1, 0);
  // The parameters have taken their share of what is left.
  const prior = VIAL.priorSquares;
  const noise = (prior * 2 * usual.noise + spread) / (prior * 2 + Math.max(1, shown - 6));
  const brightness = (prior * usual.brightness + uneven) / (prior + Math.max(1, fields.length - 2));
  return {
    ...solved(reference, squares, noise, brightness),
    noise,
    brightness,
    off: Math.sqrt(noise / usual.noise),
    uneven: Math.sqrt(brightness / usual.brightness),
  };
}

function solved(
  reference: readonly ReferenceSquare[],
  squares: readonly Triple[],
  noise: number,
  brightness: number,
): { mean: number[]; covariance: Matrix } {
  const prior = new Array<number>(SIZE).fill(0);
  const precision: Matrix = Array.from({ length: SIZE }, (_, i) => {
    const line = new Array<number>(SIZE).fill(0);
    const own = i >= GAINS && (i - GAINS) % 4 === 0;
    const sd = i < GAINS ? VIAL.gainSpread : own ? VIAL.contrastSpread : VIAL.mixSpread;
    if (own) prior[i] = 1;
    line[i] = 1 / sd ** 2;
    return line;
  });
  const right = prior.map((m, i) => m * ((precision[i] as number[])[i] as number));
  squares.forEach((rgb, s) => {
    const logs = logsOf(toLinear(atLeast((reference[s] as ReferenceSquare).rgb)));
    const measured = rgb.map(logLight);
    const weight = inverted(
      fieldCovariance(
        measured.map((m) => m.sd),
        noise,
        brightness,
      ),
    );
    const design: Matrix = [0, 1, 2].map((c) => row(c, logs));
    const weighted = product(weight, design);
    for (let i = 0; i < SIZE; i++) {
      for (let j = 0; j < SIZE; j++)
        for (let c = 0; c < 3; c++)
          (precision[i] as number[])[j]! +=
            ((design[c] as number[])[i] as number) * ((weighted[c] as number[])[j] as number);
      for (let c = 0; c < 3; c++)
        right[i]! += ((weighted[c] as number[])[i] as number) * (measured[c]?.y ?? 0);
    }
  });
  const covariance = inverted(precision);
  const mean = covariance.map((line) => line.reduce((sum, x, i) => sum + x * (right[i] as number), 0));
  return { mean, covariance };
}

const atLeast = (rgb: Triple): Triple => rgb.map((v) => Math.max(0.5, v)) as unknown as Triple;

/** Of one field: noise of its own in each channel, brightness shared by the three. */
const fieldCovariance = (sds: readonly number[], noise: number, brightness: number): Matrix =>
  [0, 1, 2].map((i) => [0, 1, 2].map((j) => brightness + (i === j ? noise + (sds[i] as number) ** 2 : 0)));

function residuals(
  reference: readonly ReferenceSquare[],
  squares: readonly Triple[],
  mean: readonly number[],
): number[][] {
  return squares.map((rgb, s) => {
    const logs = logsOf(toLinear(atLeast((reference[s] as ReferenceSquare).rgb)));
    return rgb.map((v, c) => logLight(v).y - dot(row(c, logs), mean));
  });
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, x, i) => sum + x * (b[i] as number), 0);

/** How far the vial is from what it would look like at a point of the path, and the logarithm of its likelihood. */
function distance(fit: Fit, point: PathPoint, vial: Triple): { squared: number; logLikelihood: number } {
  const design: Matrix = [0, 1, 2].map((c) => row(c, logsOf(point.light)));
  const measured = vial.map(logLight);
  const off = measured.map((m, c) => m.y - dot(design[c] as number[], fit.mean));
  const spread = product(product(design, fit.covariance), transposed(design));
  const field = fieldCovariance(
    measured.map((m) => m.sd),
    fit.noise,
    fit.brightness,
  );
  const all: Matrix = spread.map((line, i) => line.map((x, j) => x + ((field[i] as number[])[j] as number)));
  const weight = inverted(all);
  const squared = dot(
    off,
    weight.map((line) => dot(line, off)),
  );
  return { squared, logLikelihood: -0.5 * (squared + Math.log(determinant(all))) };
}

const determinant = ([a, b, c]: Matrix): number => {
  const [p, q, r] = [a, b, c] as [number[], number[], number[]];
  return (
    p[0]! * (q[1]! * r[2]! - q[2]! * r[1]!) -
    p[1]! * (q[0]! * r[2]! - q[2]! * r[0]!) +
    p[2]! * (q[0]! * r[1]! - q[1]! * r[0]!)
  );
};

/** The vial under the reference's light, against the card's nearest colour: what an eye would see of the difference. Brightness is left out: it is uneven. */
function colourOff(fit: Fit, point: PathPoint, vial: Triple): number {
  const mixing: Matrix = [0, 1, 2].map((c) => fit.mean.slice(GAINS + 3 * c, GAINS + 3 * c + 3));
  const back = inverted(mixing);
  const seen = vial.map((v, c) => logLight(v).y - (fit.mean[c] as number));
  const logs = back.map((line) => dot(line, seen));
  const shift = (logs[0]! + logs[1]! + logs[2]! - logsOf(point.light).reduce((a, b) => a + b, 0)) / 3;
  const light = logs.map((x) => Math.min(2, Math.exp(x - shift))) as unknown as Triple;
  return ciede2000(labOf(light), point.lab);
}

interface Weighed {
  p: PathPoint;
  logLikelihood: number;
}

/** Mean and spread of where on the path it is, in squares, and from there the values. */
function intervalOf(reference: readonly ReferenceSquare[], weighed: readonly Weighed[]): VialReading {
  const most = Math.max(...weighed.map((w) => w.logLikelihood));
  const weights = weighed.map((w) => Math.exp(w.logLikelihood - most));
  const total = weights.reduce((a, b) => a + b, 0);
  const last = reference.length - 1;
  const at = (share: number): number => {
    let sum = 0;
    for (const [i, w] of weighed.entries()) {
      sum += (weights[i] as number) / total;
      if (sum >= share) return w.p.at;
    }
    return last + 1;
  };
  const tail = tailOf(VIAL.interval);
  const [from, middle, to] = [at(tail), at(0.5), at(1 - tail)];
  if (to - from > VIAL.widestSteps) return refused(['tooVague']);
  return {
    low: valueAt(reference, from),
    best: valueAt(reference, middle),
    high: to > last ? null : valueAt(reference, to),
    doubts: [],
  };
}

/** What lies beyond so many standard deviations on one side of a normal. Abramowitz & Stegun 26.2.17. */
export function tailOf(z: number): number {
  const t = 1 / (1 + 0.2316419 * z);
  const series =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return (Math.exp(-(z ** 2) / 2) / Math.sqrt(2 * Math.PI)) * series;
}

function valueAt(reference: readonly ReferenceSquare[], at: number): number {
  const last = reference.length - 1;
  const i = Math.min(last - 1, Math.floor(Math.min(at, last)));
  const [low, high] = [reference[i] as ReferenceSquare, reference[i + 1] as ReferenceSquare];
  return low.value + Math.min(1, at - i) * (high.value - low.value);
}
