/** Bayesian inference of a tank's unknowns: adaptive tempered sequential Monte Carlo (Del Moral, Doucet & Jasra 2006) that keeps every state
 *  its chains pass through ("waste-free", Dau & Chopin 2022). Chains move by preconditioned Crank-Nicolson steps around the Gaussian fitted to
 *  the weighted particles (Cotter et al. 2013, with that Gaussian in the prior's place) and now and then by the difference of two other
 *  chains (ter Braak 2006). The likelihood counts for less than one reading each, because the tank is not the model.
 *
 *  The work comes in islands: fits of their own, alike but for their seed, pooled. How far they differ says how much of an answer is luck.
 *  Deterministic by seed, whatever machine or worker does which island. Generators, so that a worker can report progress. */
import { gaussianRandom, seededRandom, type Random } from '../random';
import { gaussianFrom, meanOf, whiten, type Gaussian } from './gaussian';
import { STATE_SIZE } from './kernel';
import type { Engine, Target } from './likelihood';
import { engineFor } from './likelihoodSimd';
import { TAKEN } from './limits';
import { DIMENSIONS, type Prior } from './prior';
import type { Timeline } from './timeline';

export interface InferOptions {
  seed: number;
  /** Chains of an island, and how many states of each are kept at each temperature and at the last. */
  chains: number;
  sweeps: number;
  lastSweeps: number;
  /** Particles an island hands on. */
  kept: number;
  /** Islands fitted, and at most while the dates still depend on luck. */
  islands: readonly [number, number];
}
export const DEFAULT_OPTIONS: InferOptions = {
  seed: 1,
  chains: TAKEN.chains,
  sweeps: TAKEN.sweeps,
  lastSweeps: TAKEN.lastSweeps,
  kept: TAKEN.keptParticles,
  islands: TAKEN.islands,
};

/** What an island hands on: so many particles alike in weight, in the dimensions moved. Plain data that can go between workers. */
export interface Island {
  dims: Int32Array;
  x: Float64Array;
  logLikelihood: Float64Array;
  /** Share of moves accepted at the last temperature, a sign of health. */
  acceptance: number;
  rounds: number;
}

export interface Posterior {
  /** Full vectors, island after island. */
  z: Float64Array;
  particles: number;
  islands: number;
  prior: Prior;
  timeline: Timeline;
  /** States at the present, particle by particle. */
  states: Float64Array;
  logLikelihood: Float64Array;
  acceptance: number;
  rounds: number;
}

export interface Progress {
  /** 0 to 1. */
  done: number;
}

/** Particles of `d` numbers each with their log likelihoods. */
interface Swarm {
  x: Float64Array;
  ll: Float64Array;
  n: number;
}

/** Everything a fit needs at hand. */
interface Fit {
  target: Target;
  engine: Engine;
  random: Random;
  normal: () => number;
  options: InferOptions;
}

function fitFor(target: Target, options: InferOptions): Fit {
  const random = seededRandom(Math.imul(options.seed, 0x9e3779b1) >>> 0);
  const engine = engineFor(target, Math.max(options.chains, BATCH), options.seed);
  return { target, engine, random, normal: gaussianRandom(random), options };
}

/** Tanks evaluated at a time. */
const BATCH = 1024;

/** Draws one island from the posterior. */
export function* inferIsland(target: Target, options: InferOptions): Generator<Progress, Island> {
  const fit = fitFor(target, options);
  const d = target.dims.length;
  const n = options.chains * options.sweeps;
  let swarm: Swarm = { x: Float64Array.from({ length: n * d }, fit.normal), ll: new Float64Array(n), n };
  evaluateAll(fit, swarm);
  let beta = 0;
  let rounds = 0;
  let moved = { swarm, acceptance: 0 };
  while (beta < TAKEN.temper && rounds < 60) {
    const weights = new Float64Array(swarm.n);
    const next = nextBeta(swarm.ll, beta, TAKEN.temper, weights);
    const sweeps = next >= TAKEN.temper ? options.lastSweeps : options.sweeps;
    moved = yield* move(fit, swarm, weights, next, sweeps, [beta / TAKEN.temper, next / TAKEN.temper]);
    swarm = moved.swarm;
    beta = next;
    rounds++;
  }
  return { ...handedOn(swarm, target.dims, options.kept), acceptance: moved.acceptance, rounds };
}

/** An island carried on to a log that has grown a little: its particles reweighted by what the new readings say, then moved on. Null when too
 *  few of them still count, or when the log speaks of less than before; then it must be fitted anew. */
export function* refreshIsland(
  island: Island,
  target: Target,
  options: InferOptions,
): Generator<Progress, Island | null> {
  const places = Array.from(target.dims, (place) => island.dims.indexOf(place));
  if (island.dims.some((place) => !target.dims.includes(place))) return null;
  const fit = fitFor(target, options);
  const d = target.dims.length;
  const before = island.dims.length;
  const n = island.logLikelihood.length;
  // What the old log could not speak of is as believed.
  const x = new Float64Array(n * d);
  for (let i = 0; i < n; i++)
    places.forEach((from, k) => {
      x[i * d + k] = from < 0 ? fit.normal() : (island.x[i * before + from] as number);
    });
  const swarm: Swarm = { x, ll: new Float64Array(n), n };
  evaluateAll(fit, swarm);
  const gain = swarm.ll.map((ll, i) => ll - (island.logLikelihood[i] as number));
  const weights = new Float64Array(n);
  if (effectiveShare(gain, TAKEN.temper, weights) < TAKEN.refreshShare) return null;
  const moved = yield* move(fit, swarm, weights, TAKEN.temper, TAKEN.refreshSweeps, [0, 1]);
  return {
    ...handedOn(moved.swarm, target.dims, options.kept),
    acceptance: moved.acceptance,
    rounds: 1,
  };
}

/** Islands into one posterior; what the log does not reach is drawn from the prior. */
export function pooled(target: Target, islands: readonly Island[], seed: number): Posterior {
  const { dims, prior, timeline } = target;
  const d = dims.length;
  const n = islands.reduce((sum, i) => sum + i.logLikelihood.length, 0);
  const normal = gaussianRandom(seededRandom(seed ^ 0x3c6ef372));
  const z = Float64Array.from({ length: n * DIMENSIONS }, normal);
  const engine = engineFor(target, BATCH, seed);
  const states = new Float64Array(n * STATE_SIZE);
  const logLikelihood = new Float64Array(n);
  let at = 0;
  for (const island of islands) {
    const count = island.logLikelihood.length;
    for (let i = 0; i < count; i++)
      for (let k = 0; k < d; k++)
        z[(at + i) * DIMENSIONS + (dims[k] as number)] = island.x[i * d + k] as number;
    for (let from = 0; from < count; from += BATCH) {
      const some = Math.min(BATCH, count - from);
      engine.z.set(island.x.subarray(from * d, (from + some) * d));
      engine.evaluate(some);
      states.set(engine.states.subarray(0, some * STATE_SIZE), (at + from) * STATE_SIZE);
    }
    logLikelihood.set(island.logLikelihood, at);
    at += count;
  }
  const mean = (of: (i: Island) => number) => islands.reduce((sum, i) => sum + of(i), 0) / islands.length;
  return {
    z,
    particles: n,
    islands: islands.length,
    prior,
    timeline,
    states,
    logLikelihood,
    acceptance: mean((i) => i.acceptance),
    rounds: Math.round(mean((i) => i.rounds)),
  };
}

function evaluateAll({ target, engine }: Fit, { x, ll, n }: Swarm): void {
  const d = target.dims.length;
  for (let from = 0; from < n; from += BATCH) {
    const some = Math.min(BATCH, n - from);
    engine.z.set(x.subarray(from * d, (from + some) * d));
    engine.evaluate(some);
    ll.set(engine.logLikelihood.subarray(0, some), from);
  }
}

/** Some of the swarm, evenly spread over chains and sweeps: steps of the golden ratio. */
function handedOn(
  { x, ll, n }: Swarm,
  dims: Int32Array,
  kept: number,
): Pick<Island, 'dims' | 'x' | 'logLikelihood'> {
  const d = dims.length;
  const out = new Float64Array(kept * d);
  const logLikelihood = new Float64Array(kept);
  for (let i = 0; i < kept; i++) {
    const from = Math.floor(n * ((0.5 + i * 0.6180339887498949) % 1));
    out.set(x.subarray(from * d, (from + 1) * d), i * d);
    logLikelihood[i] = ll[from] as number;
  }
  return { dims, x: out, logLikelihood };
}

/** How much of the way to b = 1 the Crank-Nicolson steps of successive sweeps go: whole ones draw from the Gaussian itself. */
const REACH = [1, 0.85, 1, 0.6];

/** Chains started from the weighted swarm and moved under the likelihood to the power beta; every state passed is kept. */
function* move(
  fit: Fit,
  from: Swarm,
  weights: Float64Array,
  beta: number,
  sweeps: number,
  [begun, ends]: readonly [number, number],
): Generator<Progress, { swarm: Swarm; acceptance: number }> {
  const { engine, random, target, options } = fit;
  const { z, here, own, tried, gain } = engine;
  const d = target.dims.length;
  const m = options.chains;
  let gaussian = gaussianOf(engine, from.x, weights, from.n, d);
  const n = m * sweeps;
  const x = new Float64Array(n * d);
  const ll = new Float64Array(n);
  resampleInto(x, ll, from, weights, m, d, random());
  here.set(x.subarray(0, m * d));
  const settle = () => {
    engine.around(gaussian);
    for (let i = 0; i < m; i++) whiten(gaussian, here, i * d, own, i * d);
  };
  settle();
  let taken = 0;
  const relearn = Math.ceil(sweeps / 3);
  for (let sweep = 1; sweep < sweeps; sweep++) {
    const last = (sweep - 1) * m;
    // A long run fits its Gaussian anew from where it has been.
    if (sweeps > 3 * REACH.length && sweep % relearn === 0) {
      gaussian = relearned(engine, x, sweep * m, d);
      settle();
    }
    engine.propose(m, REACH[sweep % REACH.length] as number);
    for (let i = 0; i < m; i++) {
      if (random() >= TAKEN.differenceShare) continue;
      const at = i * d;
      stepByDifference(x, last, i, m, d, z, random);
      whiten(gaussian, z, at, tried, at);
      let q = 0;
      for (let k = at; k < at + d; k++) q += (here[k] as number) ** 2 - (z[k] as number) ** 2;
      gain[i] = q / 2;
    }
    engine.evaluate(m);
    for (let i = 0; i < m; i++) {
      const next = engine.logLikelihood[i] as number;
      const was = ll[last + i] as number;
      const up = (gain[i] as number) + beta * (next - was);
      const takes = up >= 0 || random() < Math.exp(up);
      ll[sweep * m + i] = takes ? next : was;
      if (!takes) continue;
      taken++;
      for (let k = i * d; k < (i + 1) * d; k++) {
        here[k] = z[k] as number;
        own[k] = tried[k] as number;
      }
    }
    x.set(here.subarray(0, m * d), sweep * m * d);
    if (sweep % 4 === 0) yield { done: begun + ((ends - begun) * sweep) / sweeps };
  }
  return { swarm: { x, ll, n }, acceptance: taken / Math.max(1, m * (sweeps - 1)) };
}

/** The Gaussian of `n` particles under weights of any sum. */
function gaussianOf(engine: Engine, x: Float64Array, weights: Float64Array, n: number, d: number): Gaussian {
  const sum = weights.reduce((a, b) => a + b, 0);
  const shares = weights.map((w) => w / sum);
  const mean = meanOf(x, shares, n, d);
  return gaussianFrom(mean, engine.covarianceOf(x, shares, n, mean), TAKEN.gaussianShrink);
}

/** The Gaussian of up to eight thousand of the states so far, all alike in weight. */
function relearned(engine: Engine, x: Float64Array, n: number, d: number): Gaussian {
  const stride = Math.max(1, Math.floor(n / 8000));
  return gaussianOf(
    engine,
    x,
    Float64Array.from({ length: n }, (_, i) => Number(i % stride === 0)),
    n,
    d,
  );
}

/** A trial for chain i: along the difference of two chains of the other half, which stand still meanwhile; of full length now and then, to
 *  jump between modes. */
function stepByDifference(
  x: Float64Array,
  last: number,
  i: number,
  m: number,
  d: number,
  trial: Float64Array,
  random: Random,
): void {
  const half = Math.floor(m / 2);
  const other = i < half ? half : 0;
  const many = i < half ? m - half : half;
  const a = (last + other + Math.floor(random() * many)) * d;
  const b = (last + other + Math.floor(random() * many)) * d;
  const part = random() < 0.5 ? 0.35 : 1;
  const length = random() < 0.1 ? 0.98 : (2.38 / Math.sqrt(2 * d * part)) * (0.5 + random());
  const was = (last + i) * d;
  for (let k = 0; k < d; k++) {
    const moves = part === 1 || random() < part;
    const by = moves ? length * ((x[a + k] as number) - (x[b + k] as number)) + 0.01 * (random() - 0.5) : 0;
    trial[i * d + k] = (x[was + k] as number) + by;
  }
}

/** Share of the particles that still count when each is weighted by e to the power of `power` times its gain. Fills the weights. */
function effectiveShare(gain: Float64Array, power: number, weights: Float64Array): number {
  const n = gain.length;
  let top = -Infinity;
  for (let i = 0; i < n; i++) top = Math.max(top, gain[i] as number);
  let sum = 0;
  let squares = 0;
  for (let i = 0; i < n; i++) {
    const w = Math.exp(power * ((gain[i] as number) - top));
    weights[i] = w;
    sum += w;
    squares += w * w;
  }
  return (sum * sum) / squares / n;
}

/** The next temperature: as far as a share of the particles still counts. Fills the weights. */
function nextBeta(ll: Float64Array, beta: number, end: number, weights: Float64Array): number {
  if (effectiveShare(ll, end - beta, weights) >= TAKEN.countingShare) return end;
  let low = beta;
  let high = end;
  for (let i = 0; i < 18; i++) {
    const mid = (low + high) / 2;
    if (effectiveShare(ll, mid - beta, weights) >= TAKEN.countingShare) low = mid;
    else high = mid;
  }
  const next = Math.max(low, beta + 1e-6);
  effectiveShare(ll, next - beta, weights);
  return next;
}

/** Systematic resampling of `m` particles into the front of `x` and `ll`. */
function resampleInto(
  x: Float64Array,
  ll: Float64Array,
  from: Swarm,
  weights: Float64Array,
  m: number,
  d: number,
  lot: number,
): void {
  const sum = weights.reduce((a, b) => a + b, 0);
  let j = 0;
  let reached = (weights[0] as number) / sum;
  for (let i = 0; i < m; i++) {
    const u = (lot + i) / m;
    while (u > reached && j < from.n - 1) {
      j++;
      reached += (weights[j] as number) / sum;
    }
    x.set(from.x.subarray(j * d, (j + 1) * d), i * d);
    ll[i] = from.ll[j] as number;
  }
}
