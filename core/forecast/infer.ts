/** Bayesian inference of a tank's unknowns: adaptive tempered sequential Monte Carlo (Del Moral, Doucet & Jasra 2006) with differential
 *  evolution moves (ter Braak 2006) and preconditioned Crank-Nicolson moves (Cotter et al. 2013) on standard normals. Kit readings are
 *  intervals with the reader's error and a heavy tail; the likelihood counts for less than one reading each, because the tank is not the
 *  model. Deterministic by seed. A generator, so that a worker can report progress and be stopped between rounds. */
import type { Display } from '../document';
import { seededRandom, type Random } from '../random';
import { planSteps, runPlan, startState, STATE_SIZE, WEEKS, type Plan, type TankParams } from './kernel';
import { TAKEN } from './limits';
import { biasFrom, DIMENSIONS, emptyParams, noiseFrom, paramsFrom, priorFor, type Prior } from './prior';
import type { Observation, Timeline } from './timeline';

export interface InferOptions {
  seed: number;
  particles: number;
  /** Moves of each particle after each tempering. */
  sweeps: number;
}
export const DEFAULT_OPTIONS: InferOptions = { seed: 1, particles: TAKEN.particles, sweeps: TAKEN.sweeps };

const TAIL = TAKEN.strayShare;
/** The chance that a mistaken reading falls on the step it shows. */
const CELL = 0.12;

export interface Posterior {
  z: Float64Array;
  particles: number;
  prior: Prior;
  timeline: Timeline;
  /** States at the present, particle by particle. */
  states: Float64Array;
  logLikelihood: Float64Array;
  /** Share of moves accepted, a sign of health. */
  acceptance: number;
  rounds: number;
}

export interface Progress {
  /** 0 to 1. */
  done: number;
}

/** Standard normal by Box and Muller; the second number is thrown away to keep the stream simple. */
export const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

/** Logarithm of the chance that a kit shows what it showed, the truth being `value`. */
export function logChance(o: Observation, value: number): number {
  // A logistic with this scale has about the spread of a normal with that sd.
  const s = 0.58 * Math.sqrt(o.share * o.share * value * value + o.floor * o.floor);
  const up = o.high === Infinity ? 1 : logistic((o.high - value) / s);
  const down = o.low <= 0 ? 0 : logistic((o.low - value) / s);
  const inside = up - down;
  return Math.log(TAIL * CELL + (1 - TAIL) * (inside > 0 ? inside : 0));
}

interface Machine {
  plan: Plan;
  params: TankParams;
  bias: Float64Array;
  noise: Float64Array;
  state: Float64Array;
}

export const machineFor = (t: Timeline): Machine => ({
  plan: planSteps(t.acts, t.observations, 0, t.nowDay),
  params: emptyParams(),
  bias: new Float64Array(4),
  noise: new Float64Array(2 * WEEKS),
  state: new Float64Array(STATE_SIZE),
});

/** Runs one vector to the present; the log likelihood of all readings. The machine's state is then that of the present. */
function logLikelihood(z: Float64Array, at: number, prior: Prior, t: Timeline, m: Machine): number {
  paramsFrom(z, at, prior, m.params);
  biasFrom(z, at, prior, m.bias);
  noiseFrom(z, at, m.noise);
  startState(m.state, m.params);
  let sum = 0;
  const observations = t.observations;
  runPlan(m.state, m.plan, m.params, m.noise, 0, t, (state, from, count) => {
    for (let i = from; i < from + count; i++) {
      const o = observations[i];
      if (!o) continue;
      const slot = o.what === 3 ? 7 : o.what + 2;
      sum += logChance(o, (state[slot] as number) * (m.bias[o.what] as number));
    }
  });
  return Number.isFinite(sum) ? sum : -1e9;
}

/** Draws from the posterior. Yields progress; returns the particles. */
export function* infer(
  water: Display,
  t: Timeline,
  options: InferOptions = DEFAULT_OPTIONS,
): Generator<Progress, Posterior> {
  const { particles: n, sweeps } = options;
  const random = seededRandom(options.seed);
  const d = DIMENSIONS;
  const prior = priorFor(water, t);
  const m = machineFor(t);
  let z = new Float64Array(n * d);
  for (let i = 0; i < z.length; i++) z[i] = normal(random);
  let ll = new Float64Array(n);
  for (let i = 0; i < n; i++) ll[i] = logLikelihood(z, i * d, prior, t, m);
  const trial = new Float64Array(d);
  let beta = 0;
  let rounds = 0;
  let tried = 0;
  let taken = 0;
  const weights = new Float64Array(n);
  while (beta < TAKEN.temper && rounds < 40) {
    const next = nextBeta(ll, beta, TAKEN.temper, weights);
    ({ z, ll } = resampled(z, ll, weights, d, random));
    const from = beta;
    beta = next;
    rounds++;
    const rest = beta >= TAKEN.temper ? sweeps * 2 : sweeps;
    for (let sweep = 0; sweep < rest; sweep++) {
      for (let i = 0; i < n; i++) {
        const keepsPrior = propose(z, i, n, d, trial, random);
        const before = i * d;
        let priorGain = 0;
        for (let k = 0; k < d; k++)
          priorGain += ((z[before + k] as number) ** 2 - (trial[k] as number) ** 2) / 2;
        const next = logLikelihood(trial, 0, prior, t, m);
        tried++;
        const gain = beta * (next - (ll[i] as number)) + (keepsPrior ? 0 : priorGain);
        if (gain >= 0 || random() < Math.exp(gain)) {
          z.set(trial, before);
          ll[i] = next;
          taken++;
        }
      }
      yield { done: (0.95 * (from + ((beta - from) * (sweep + 1)) / rest)) / TAKEN.temper };
    }
  }
  const states = new Float64Array(n * STATE_SIZE);
  for (let i = 0; i < n; i++) {
    ll[i] = logLikelihood(z, i * d, prior, t, m);
    states.set(m.state, i * STATE_SIZE);
  }
  return {
    z,
    particles: n,
    prior,
    timeline: t,
    states,
    logLikelihood: ll,
    acceptance: tried > 0 ? taken / tried : 0,
    rounds,
  };
}

/** A proposal for particle i: the difference of two others, mostly; sometimes a small turn that keeps the prior by itself (Crank-Nicolson).
 *  Returns true for such a turn: the prior then has no part in whether it is taken. */
function propose(
  z: Float64Array,
  i: number,
  n: number,
  d: number,
  out: Float64Array,
  random: Random,
): boolean {
  const at = i * d;
  const kind = random();
  if (kind < 0.3) {
    const beta = kind < 0.1 ? 0.5 : kind < 0.2 ? 0.25 : 0.1;
    const keep = Math.sqrt(1 - beta * beta);
    for (let k = 0; k < d; k++) out[k] = keep * (z[at + k] as number) + beta * normal(random);
    return true;
  }
  const a = Math.floor(random() * n) * d;
  const b = Math.floor(random() * n) * d;
  // Full length now and then, to jump between modes; else the usual share for the dimensions moved.
  const part = kind < 0.6 ? 0.35 : 1;
  const gamma = kind > 0.95 ? 0.98 : (2.38 / Math.sqrt(2 * d * part)) * (0.5 + random());
  for (let k = 0; k < d; k++) {
    const moved = part === 1 || random() < part;
    out[k] =
      (z[at + k] as number) +
      (moved ? gamma * ((z[a + k] as number) - (z[b + k] as number)) + 0.01 * (random() - 0.5) : 0);
  }
  return false;
}

/** The next temperature: as far as half the particles still count. Fills the weights. */
function nextBeta(ll: Float64Array, beta: number, end: number, weights: Float64Array): number {
  const n = ll.length;
  let top = -Infinity;
  for (let i = 0; i < n; i++) top = Math.max(top, ll[i] as number);
  const fill = (b: number): number => {
    let sum = 0;
    let squares = 0;
    for (let i = 0; i < n; i++) {
      const w = Math.exp((b - beta) * ((ll[i] as number) - top));
      weights[i] = w;
      sum += w;
      squares += w * w;
    }
    return (sum * sum) / squares / n;
  };
  if (fill(end) >= 0.5) return end;
  let low = beta;
  let high = end;
  for (let i = 0; i < 40; i++) {
    const mid = (low + high) / 2;
    if (fill(mid) >= 0.5) low = mid;
    else high = mid;
  }
  const next = Math.max(low, beta + 1e-6);
  fill(next);
  return next;
}

/** Systematic resampling. */
function resampled(
  z: Float64Array,
  ll: Float64Array,
  weights: Float64Array,
  d: number,
  random: Random,
): { z: Float64Array<ArrayBuffer>; ll: Float64Array<ArrayBuffer> } {
  const n = ll.length;
  let sum = 0;
  for (let i = 0; i < n; i++) sum += weights[i] as number;
  const nextZ = new Float64Array(z.length);
  const nextL = new Float64Array(n);
  let j = 0;
  let reached = (weights[0] as number) / sum;
  const start = random() / n;
  for (let i = 0; i < n; i++) {
    const u = start + i / n;
    while (u > reached && j < n - 1) {
      j++;
      reached += (weights[j] as number) / sum;
    }
    nextZ.set(z.subarray(j * d, (j + 1) * d), i * d);
    nextL[i] = ll[j] as number;
  }
  return { z: nextZ, ll: nextL };
}
