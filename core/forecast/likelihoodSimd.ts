/** The engine of likelihood.ts in WebAssembly (kernels/likelihood.ts): two tanks in a register. Where the machine cannot, the plain one. */
import { compiledOnce, type Begin } from '../compiled';
import { warmthAt, STATE_SIZE, WEEKS } from './kernel';
import { CELL, normalsSeed, plainEngine, TAIL, type Engine, type Target } from './likelihood';
import { LIKELIHOOD_WASM } from './likelihoodBytes';
import { TAKEN } from './limits';

/** An address in the kernel's memory. */
interface Pointer {
  value: number;
}

interface Kernel {
  memory: { buffer: ArrayBuffer };
  place: (runs: number, readings: number, dims: number, weeks: number, slots: number, tanks: number) => void;
  evaluate: (
    tanks: number,
    believedL: number,
    warmth: number,
    wanderKept: number,
    wanderFresh: number,
    wanderSd: number,
    tail: number,
    cell: number,
  ) => void;
  addSquares: (tanks: number) => void;
  seedNormals: (seed: number) => void;
  propose: (chains: number, b: number) => void;
  rowLength: Pointer;
  atWeights: Pointer;
  atMean: Pointer;
  atRoot: Pointer;
  atSums: Pointer;
  atHere: Pointer;
  atOwn: Pointer;
  atTried: Pointer;
  atGain: Pointer;
  atPrior: Pointer;
  atDims: Pointer;
  atRuns: Pointer;
  atReadings: Pointer;
  atZ: Pointer;
  atResult: Pointer;
  atStates: Pointer;
}

/** A run and a reading in the kernel's memory. */
const RUN_BYTES = 40;
const READING_BYTES = 40;

const moduleOf = compiledOnce(LIKELIHOOD_WASM);

/** The quickest engine this machine has, for so many tanks at a time. */
export function engineFor(target: Target, tanks: number, seed: number): Engine {
  const begin = moduleOf();
  return begin ? simdEngine(target, tanks, seed, begin) : plainEngine(target, tanks, seed);
}

function simdEngine(target: Target, tanks: number, seed: number, begin: Begin): Engine {
  const { prior, timeline: t, plan, dims } = target;
  const abort = () => {
    throw new Error('the kernel of the forecast stopped');
  };
  const kernel = begin({ env: { abort } }) as Kernel;
  const runs = plan.dt.length;
  const weeks = 1 + plan.week.reduce((a, b) => Math.max(a, b), 0);
  kernel.place(runs, t.observations.length, dims.length, weeks, WEEKS, tanks);
  const memory = new DataView(kernel.memory.buffer);
  const at = (pointer: Pointer): number => pointer.value;
  prior.median.forEach((median, i) => {
    memory.setFloat64(at(kernel.atPrior) + i * 16, median, true);
    memory.setFloat64(at(kernel.atPrior) + i * 16 + 8, prior.sd[i] as number, true);
  });
  dims.forEach((place, k) => memory.setInt32(at(kernel.atDims) + k * 4, place, true));
  for (let i = 0; i < runs; i++) {
    const here = at(kernel.atRuns) + i * RUN_BYTES;
    memory.setFloat64(here, plan.dt[i] as number, true);
    memory.setFloat64(here + 8, plan.amount[i] as number, true);
    [plan.steps, plan.week, plan.code, plan.from, plan.count].forEach((list, k) =>
      memory.setInt32(here + 16 + 4 * k, list[i] as number, true),
    );
  }
  t.observations.forEach((o, i) => {
    const here = at(kernel.atReadings) + i * READING_BYTES;
    [o.low, o.high, o.share * o.share, o.floor * o.floor].forEach((value, k) =>
      memory.setFloat64(here + 8 * k, value, true),
    );
    memory.setInt32(here + 32, o.what, true);
  });
  kernel.seedNormals(normalsSeed(seed));
  const d = dims.length;
  const row = kernel.rowLength.value;
  const view = (pointer: Pointer, length: number): Float64Array =>
    new Float64Array(kernel.memory.buffer, at(pointer), length);
  const z = view(kernel.atZ, tanks * d);
  const logLikelihood = view(kernel.atResult, tanks);
  const mean = view(kernel.atMean, d);
  const root = view(kernel.atRoot, row * d);
  const sums = view(kernel.atSums, row * d);
  const weightsThere = view(kernel.atWeights, tanks);
  const kept = TAKEN.wanderKept;
  return {
    z,
    logLikelihood,
    states: view(kernel.atStates, tanks * STATE_SIZE),
    here: view(kernel.atHere, tanks * d),
    own: view(kernel.atOwn, tanks * d),
    tried: view(kernel.atTried, tanks * d),
    gain: view(kernel.atGain, tanks),
    evaluate: (count) => {
      kernel.evaluate(
        count,
        t.believedL,
        warmthAt(t.tempC),
        kept,
        Math.sqrt(1 - kept * kept),
        TAKEN.wanderSd,
        TAIL,
        CELL,
      );
      for (let i = 0; i < count; i++)
        if (!Number.isFinite(logLikelihood[i] as number)) logLikelihood[i] = -1e9;
    },
    covarianceOf: (x, weights, n, about) => {
      mean.set(about);
      sums.fill(0);
      for (let from = 0; from < n; from += tanks) {
        const some = Math.min(tanks, n - from);
        z.set(x.subarray(from * d, (from + some) * d));
        weightsThere.set(weights.subarray(from, from + some));
        kernel.addSquares(some);
      }
      return Float64Array.from(
        { length: d * d },
        (_, i) => sums[Math.floor(i / d) * row + (i % d)] as number,
      );
    },
    around: (g) => {
      mean.set(g.mean);
      for (let k = 0; k < d; k++) root.set(g.root.subarray(k * d, (k + 1) * d), k * row);
    },
    propose: (chains, b) => kernel.propose(chains, b),
  };
}
