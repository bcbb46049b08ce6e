/** How well tanks explain a log: each tank, a vector of standard normals, is run from the start to the present and held against every
 *  reading. Kit readings are intervals with the reader's error and a heavy tail. The plain engine is the definition; likelihoodSimd.ts does
 *  the same two tanks at a time. */
import type { Display } from '../document';
import { gaussianRandom, seededRandom } from '../random';
import { colour, type Gaussian } from './gaussian';
import { planSteps, runPlan, startState, STATE_SIZE, WEEKS, type Plan, type TankParams } from './kernel';
import { TAKEN } from './limits';
import {
  biasFrom,
  DIMENSIONS,
  emptyParams,
  noiseFrom,
  paramsFrom,
  priorFor,
  reachedBy,
  type Prior,
} from './prior';
import type { Observation, Timeline } from './timeline';

export const TAIL = TAKEN.strayShare;
/** The chance that a mistaken reading falls on the step it shows. */
export const CELL = 0.12;

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

/** What is fitted: a log, what was believed before it, and the dimensions of a tank that the log can speak of. */
export interface Target {
  prior: Prior;
  timeline: Timeline;
  plan: Plan;
  /** Places in the full vector that are moved; the others stay as believed. */
  dims: Int32Array;
}

export function targetOf(water: Display, timeline: Timeline): Target {
  return {
    prior: priorFor(water, timeline),
    timeline,
    plan: planSteps(timeline.acts, timeline.observations, 0, timeline.nowDay),
    dims: reachedBy(timeline),
  };
}

/** What a sampler asks for again and again, for many tanks side by side: `dims` numbers each, one tank after the other. */
export interface Engine {
  /** Tanks to be evaluated. */
  z: Float64Array;
  logLikelihood: Float64Array;
  /** States at the present, STATE_SIZE numbers for each. */
  states: Float64Array;
  /** Log likelihoods and states of the first `tanks` of `z`. */
  evaluate: (tanks: number) => void;
  /** The covariance of `n` tanks about their mean, under weights that add up to one; lower half. */
  covarianceOf: (x: Float64Array, weights: Float64Array, n: number, mean: Float64Array) => Float64Array;
  /** Chains as they stand, in their own numbers and in the Gaussian's. */
  here: Float64Array;
  own: Float64Array;
  /** Where they would go, in the Gaussian's coordinates; `z` has it in their own. */
  tried: Float64Array;
  /** What that gains of prior over Gaussian, as a logarithm. */
  gain: Float64Array;
  /** Sets the Gaussian that steps are drawn around. */
  around: (g: Gaussian) => void;
  /** A Crank-Nicolson step for each chain: `tried` = sqrt(1 - b²) `own` + b times a normal. */
  propose: (chains: number, b: number) => void;
}

/** What the stream of normals of an engine starts from. */
export const normalsSeed = (seed: number): number => Math.imul(seed + 1, 0x85ebca6b) >>> 0;

export interface Machine {
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

/** One tank after the other, in plain numbers: the definition. */
export function plainEngine(target: Target, tanks: number, seed: number): Engine {
  const { prior, timeline: t, plan, dims } = target;
  const d = dims.length;
  const m = { ...machineFor(t), plan };
  const full = new Float64Array(DIMENSIONS);
  const room = () => new Float64Array(tanks * d);
  const [z, here, own, tried] = [room(), room(), room(), room()];
  const logLikelihood = new Float64Array(tanks);
  const states = new Float64Array(tanks * STATE_SIZE);
  const gain = new Float64Array(tanks);
  const normal = gaussianRandom(seededRandom(normalsSeed(seed)));
  let gaussian: Gaussian = { mean: new Float64Array(d), root: new Float64Array(d * d) };
  const one = (tank: number): number => {
    for (let k = 0; k < d; k++) full[dims[k] as number] = z[tank * d + k] as number;
    paramsFrom(full, 0, prior, m.params);
    biasFrom(full, 0, prior, m.bias);
    noiseFrom(full, 0, m.noise);
    startState(m.state, m.params);
    let sum = 0;
    runPlan(m.state, m.plan, m.params, m.noise, 0, t, (state, from, count) => {
      for (let i = from; i < from + count; i++) {
        const o = t.observations[i];
        if (!o) continue;
        const slot = o.what === 3 ? 7 : o.what + 2;
        sum += logChance(o, (state[slot] as number) * (m.bias[o.what] as number));
      }
    });
    return sum;
  };
  return {
    z,
    logLikelihood,
    states,
    here,
    own,
    tried,
    gain,
    evaluate: (count) => {
      for (let i = 0; i < count; i++) {
        const sum = one(i);
        logLikelihood[i] = Number.isFinite(sum) ? sum : -1e9;
        states.set(m.state, i * STATE_SIZE);
      }
    },
    covarianceOf: (x, weights, n, mean) => {
      const sums = new Float64Array(d * d);
      for (let i = 0; i < n; i++) {
        const w = weights[i] as number;
        for (let k = 0; k < d && w > 0; k++) {
          const away = w * ((x[i * d + k] as number) - (mean[k] as number));
          for (let j = 0; j <= k; j++)
            sums[k * d + j] =
              (sums[k * d + j] as number) + away * ((x[i * d + j] as number) - (mean[j] as number));
        }
      }
      return sums;
    },
    around: (g) => {
      gaussian = g;
    },
    propose: (chains, b) => {
      const keep = Math.sqrt(1 - b * b);
      for (let i = 0; i < chains; i++) {
        const at = i * d;
        let q = 0;
        for (let k = at; k < at + d; k++) {
          const y = own[k] as number;
          const next = keep * y + b * normal();
          tried[k] = next;
          q += next * next - y * y;
        }
        colour(gaussian, tried, at, z, at);
        for (let k = at; k < at + d; k++) q += (here[k] as number) ** 2 - (z[k] as number) ** 2;
        gain[i] = q / 2;
      }
    },
  };
}
