/** The compiled engine against the plain one: the same tanks, logs and draws. */
import { colour, gaussianFrom, meanOf, whiten } from './gaussian';
import { logChance, plainEngine, targetOf, type Engine, type Target } from './likelihood';
import { engineFor } from './likelihoodSimd';
import { STATE_SIZE } from './kernel';
import { gaussianRandom, seededRandom } from '../random';
import { DAY, START_MS } from '../testing/history';
import { OTHER_START, otherTank } from '../testing/otherTank';
import { read } from '.';

const TANKS = 37;

function targetAt(seed: number, day: number): Target {
  const asked = read(otherTank(seed).doc, {
    waterId: 't',
    atMs: OTHER_START + day * DAY,
    seed: 1,
    horizonDays: 30,
    plan: 'asSoFar',
    loadMgN: null,
  });
  if ('status' in asked) throw new Error('nothing to fit');
  return asked.target;
}
const both = (target: Target): [Engine, Engine] => [
  plainEngine(target, TANKS, 5),
  engineFor(target, TANKS, 5),
];
const worst = (a: Float64Array, b: Float64Array): number =>
  a.reduce((most, v, i) => Math.max(most, Math.abs(v - (b[i] as number)) / Math.max(1, Math.abs(v))), 0);
const fill = (list: Float64Array, seed: number): void => {
  const normal = gaussianRandom(seededRandom(seed));
  list.forEach((_, i) => (list[i] = normal()));
};

/** Every kind of act and reading: doses, seafood in and out, food by the day, media, live animals, water changes. */
const LOGS = [
  [1, 15],
  [2, 30],
  [3, 48],
  [5, 30],
  [10, 15],
  [20, 30],
  [29, 60],
  [30, 80],
] as const;

test.each(LOGS)('tank %i on day %i: the compiled engine says what the plain one says', (seed, day) => {
  const target = targetAt(seed, day);
  const [plain, quick] = both(target);
  expect(quick.z).not.toBe(plain.z);
  fill(plain.z, seed);
  quick.z.set(plain.z);
  for (const tanks of [TANKS, 2, 1]) {
    plain.evaluate(tanks);
    quick.evaluate(tanks);
    expect(worst(plain.logLikelihood.slice(0, tanks), quick.logLikelihood.slice(0, tanks))).toBeLessThan(
      1e-9,
    );
    const states = tanks * STATE_SIZE;
    expect(worst(plain.states.slice(0, states), quick.states.slice(0, states))).toBeLessThan(1e-9);
  }
});

test('the log likelihood is the sum of what each kit says', () => {
  const target = targetAt(1, 15);
  const [first] = target.timeline.observations;
  if (!first) throw new Error('no reading');
  const alone = (observations: typeof target.timeline.observations) => {
    const timeline = { ...target.timeline, observations };
    const water = otherTank(1).doc.waters.t;
    if (water?.kind !== 'display') throw new Error('no display');
    const engine = plainEngine(targetOf(water, timeline), 1, 1);
    engine.evaluate(1);
    return engine.logLikelihood[0] as number;
  };
  const all = target.timeline.observations;
  const half = Math.floor(all.length / 2);
  expect(alone(all)).toBeCloseTo(alone(all.slice(0, half)) + alone(all.slice(half)), 1);
  expect(alone([])).toBeCloseTo(0, 12);
  // Nothing was given before the first reading: the tank holds next to nothing.
  expect(alone([{ ...first, day: 0, what: 0, low: 0, high: 0.1 }])).toBeCloseTo(
    logChance({ ...first, what: 0, low: 0, high: 0.1 }, 0),
    9,
  );
});

test('draws, covariance and steps are the same, number for number', () => {
  const target = targetAt(5, 30);
  const d = target.dims.length;
  const [plain, quick] = both(target);
  const x = new Float64Array(TANKS * 3 * d);
  fill(x, 9);
  const n = TANKS * 3;
  const weights = Float64Array.from({ length: n }, (_, i) => (i % 4 === 0 ? 0 : 1));
  const sum = weights.reduce((a, b) => a + b, 0);
  const shares = weights.map((w) => w / sum);
  const mean = meanOf(x, shares, n, d);
  const covariance = plain.covarianceOf(x, shares, n, mean);
  const lower = (m: Float64Array) => m.filter((_, i) => i % d <= Math.floor(i / d));
  expect(worst(lower(covariance), lower(quick.covarianceOf(x, shares, n, mean)))).toBeLessThan(1e-12);
  const gaussian = gaussianFrom(mean, covariance, 0.1);
  for (const engine of [plain, quick]) {
    engine.around(gaussian);
    engine.here.set(x.subarray(0, TANKS * d));
    for (let i = 0; i < TANKS; i++) whiten(gaussian, engine.here, i * d, engine.own, i * d);
  }
  for (const b of [1, 0.6, 0.85]) {
    plain.propose(TANKS, b);
    quick.propose(TANKS, b);
    expect(worst(plain.z, quick.z)).toBeLessThan(1e-9);
    expect(worst(plain.tried, quick.tried)).toBeLessThan(1e-9);
    expect(worst(plain.gain, quick.gain)).toBeLessThan(1e-9);
  }
});

test('whitening undoes colouring, and a Gaussian has the moments it was made from', () => {
  const d = 4;
  const normal = gaussianRandom(seededRandom(3));
  const root = [2, 0, 0, 0, 1, 0.5, 0, 0, -1, 0.3, 1, 0, 0.2, 0.1, 0.4, 0.7];
  const given = { mean: Float64Array.of(1, -2, 0, 3), root: Float64Array.from(root) };
  const n = 20_000;
  const own = Float64Array.from({ length: n * d }, normal);
  const x = new Float64Array(n * d);
  const back = new Float64Array(n * d);
  for (let i = 0; i < n; i++) {
    colour(given, own, i * d, x, i * d);
    whiten(given, x, i * d, back, i * d);
  }
  expect(worst(own, back)).toBeLessThan(1e-9);
  const shares = new Float64Array(n).fill(1 / n);
  const target = { ...targetAt(1, 15), dims: Int32Array.of(0, 1, 2, 3) };
  const mean = meanOf(x, shares, n, d);
  const fitted = gaussianFrom(mean, plainEngine(target, 1, 1).covarianceOf(x, shares, n, mean), 0);
  expect(worst(given.mean, fitted.mean)).toBeLessThan(0.05);
  expect(worst(given.root, fitted.root)).toBeLessThan(0.05);
});

test('a tank is moved only where its log can speak', () => {
  const reached = (seed: number, day: number) => targetAt(seed, day).dims.length;
  // Two more for each week of the log.
  expect(reached(1, 36) - reached(1, 29)).toBe(2);
  expect(START_MS).toBeGreaterThan(0);
});
