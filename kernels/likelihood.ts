/** The log likelihood of core/forecast/likelihood.ts in AssemblyScript, two tanks to a SIMD register. The plain TypeScript there and in core/forecast/kernel.ts is
 *  the definition; a test holds this to it within 1e-9. Built by `npm run kernels`.
 *
 *  Memory is laid out by the caller: `place` says how much of everything there is and moves the pointers below, which are then filled. */

// What the codes mean: ACT in core/forecast/timeline.ts.
const AMMONIA = 1;
const FOOD = 2;
const SLOW = 3;
const SEAFOOD_OUT = 4;
const BOTTLE = 5;
const MATURE = 6;
const CHANGE = 7;
const ALKALINITY = 8;
const LOAD = 9;

/** Places in the vector of a tank: Z in core/forecast/prior.ts. */
const PRIMARY = 25;

/** A run of steps: f64 dt, amount; i32 steps, week, code, from, count. */
const RUN_BYTES: i32 = 40;
/** A reading: f64 low, high, share squared, floor squared; i32 what. */
const READING_BYTES: i32 = 40;
const LANE: i32 = 16;
const STATE_SIZE: i32 = 12;

let runs: i32 = 0;
let weeks: i32 = 0;
let dimensions: i32 = 0;
let weekSlots: i32 = 0;

export let atPrior: i32 = 0;
export let atDims: i32 = 0;
export let atRuns: i32 = 0;
export let atReadings: i32 = 0;
export let atZ: i32 = 0;
export let atResult: i32 = 0;
export let atStates: i32 = 0;
export let atWeights: i32 = 0;
export let atMean: i32 = 0;
export let atRoot: i32 = 0;
export let atSums: i32 = 0;
export let atHere: i32 = 0;
export let atOwn: i32 = 0;
export let atTried: i32 = 0;
export let atGain: i32 = 0;
/** Numbers a row of a matrix takes: even, so that pairs never straddle rows. */
export let rowLength: i32 = 0;
let atAway: i32 = 0;
let atPairs: i32 = 0;
/** What a pair of tanks takes in memory; places in it, in registers. */
let pairBytes: i32 = 0;
const STATE: i32 = 0;
const RUN: i32 = 12;
const CHANCES: i32 = 23;
const LOGS: i32 = 24;
const NATURAL: i32 = 25;
const FULL: i32 = 50;
let noisePlace: i32 = 0;
/** Pairs that go through time together: while one waits for a division the next one is under way. */
const GROUP: i32 = 8;

/** The next address that a register may be loaded from. */
@inline
function aligned(at: i32): i32 {
  return ((at + 15) >> 4) << 4;
}

/** Makes room for a fit: so many runs, readings, dimensions moved, weeks of growth so far (of `slots` kept), and tanks at a time. */
export function place(
  runCount: i32,
  readingCount: i32,
  dims: i32,
  weekCount: i32,
  slots: i32,
  tanks: i32,
): void {
  runs = runCount;
  weeks = weekCount;
  dimensions = dims;
  weekSlots = slots;
  // Behind the tables of the logarithm.
  let at: i32 = aligned(<i32>__heap_base);
  atPrior = at;
  at += PRIMARY * 16;
  atDims = at;
  at += aligned(dims * 4);
  atRuns = at;
  at += aligned(runCount * RUN_BYTES);
  atReadings = at;
  at += aligned(readingCount * READING_BYTES);
  noisePlace = FULL + PRIMARY + 2 * slots;
  pairBytes = (noisePlace + 2 * slots) * LANE;
  atPairs = at;
  at += GROUP * pairBytes;
  atZ = at;
  at += aligned((tanks + 1) * dims * 8);
  atResult = at;
  at += (tanks + 2) * 8;
  atStates = at;
  at += (tanks + 2) * STATE_SIZE * 8;
  rowLength = (dims + 1) & ~1;
  atWeights = at;
  at += (tanks + 2) * 8;
  atMean = aligned(at);
  at = atMean + rowLength * 8;
  atRoot = at;
  at += rowLength * dims * 8;
  atSums = at;
  at += rowLength * dims * 8;
  atAway = at;
  at += rowLength * 8;
  atHere = at;
  at += aligned(tanks * dims * 8);
  atOwn = at;
  at += aligned(tanks * dims * 8);
  atTried = at;
  at += aligned(tanks * dims * 8);
  atGain = at;
  at += (tanks + 2) * 8;
  const pages = (at >> 16) + 1;
  if (pages > memory.size()) memory.grow(pages - memory.size());
}

@inline
function c(x: f64): v128 {
  return f64x2.splat(x);
}

@inline
function add(a: v128, b: v128): v128 {
  return f64x2.add(a, b);
}

@inline
function sub(a: v128, b: v128): v128 {
  return f64x2.sub(a, b);
}

@inline
function mul(a: v128, b: v128): v128 {
  return f64x2.mul(a, b);
}

@inline
function div(a: v128, b: v128): v128 {
  return f64x2.div(a, b);
}

@inline
function at(base: i32, i: i32): v128 {
  return v128.load(base + i * LANE);
}

@inline
function put(base: i32, i: i32, value: v128): void {
  v128.store(base + i * LANE, value);
}

/** e to the power of both lanes: 2^k times a polynomial of the rest (|r| at most ln 2 / 2: up to the tenth power leaves 3e-13 of it), its terms
 *  gathered in pairs so that few wait for each other. */
@inline
function exp2lanes(x: v128): v128 {
  const held = f64x2.pmax(f64x2.pmin(x, c(350)), c(-350));
  const k = f64x2.nearest(mul(held, c(1.4426950408889634)));
  const r = sub(sub(held, mul(k, c(6.93147180369123816490e-1))), mul(k, c(1.90821492927058770002e-10)));
  const r2 = mul(r, r);
  const r4 = mul(r2, r2);
  const p01 = add(c(1), r);
  const p23 = add(c(0.5), mul(r, c(1.0 / 6.0)));
  const p45 = add(c(1.0 / 24.0), mul(r, c(1.0 / 120.0)));
  const p67 = add(c(1.0 / 720.0), mul(r, c(1.0 / 5040.0)));
  const p89 = add(c(1.0 / 40320.0), mul(r, c(1.0 / 362880.0)));
  const low = add(p01, mul(r2, p23));
  const middle = add(p45, mul(r2, p67));
  const high = add(p89, mul(r2, c(1.0 / 3628800.0)));
  const p = add(low, mul(r4, add(middle, mul(r4, high))));
  const whole = i64x2.extend_low_i32x4_s(i32x4.trunc_sat_f64x2_s_zero(k));
  return mul(p, i64x2.shl(i64x2.add(whole, i64x2.splat(1023)), 52));
}

/** What is left of something that goes at a steady rate. */
@inline
function kept(u: v128): v128 {
  return div(c(1), add(add(c(1), u), mul(c(0.5), mul(u, u))));
}

/** Both tanks of a pair from standard normals to natural units and weekly growth. */
@inline
function fillPair(pair: i32, wanderKept: f64, wanderFresh: f64, wanderSd: f64): void {
  for (let i = 0; i < PRIMARY; i++) {
    const median = load<f64>(atPrior + i * 16);
    const sd = load<f64>(atPrior + i * 16 + 8);
    put(pair, NATURAL + i, exp2lanes(add(c(median), mul(c(sd), at(pair, FULL + i)))));
  }
  for (let g = 0; g < 2; g++) {
    let w = c(0);
    for (let k = 0; k < weeks; k++) {
      const e = at(pair, FULL + PRIMARY + g * weekSlots + k);
      w = k == 0 ? e : add(mul(c(wanderKept), w), mul(c(wanderFresh), e));
      put(pair, noisePlace + g * weekSlots + k, exp2lanes(mul(c(wanderSd), w)));
    }
  }
}

/** Log likelihoods of the tanks at `atZ` into `atResult`, their states of the present into `atStates`. */
export function evaluate(
  tanks: i32,
  believedL: f64,
  warmth: f64,
  wanderKept: f64,
  wanderFresh: f64,
  wanderSd: f64,
  tail: f64,
  cell: f64,
): void {
  for (let tank = 0; tank < tanks; tank += 2 * GROUP) {
    const pairs = min(GROUP, (tanks - tank + 1) >> 1);
    for (let p = 0; p < pairs; p++) {
      const pair = atPairs + p * pairBytes;
      const one = tank + 2 * p;
      const other = min(one + 1, tanks - 1);
      for (let i = 0; i < PRIMARY + 2 * weekSlots; i++) put(pair, FULL + i, c(0));
      for (let k = 0; k < dimensions; k++) {
        const place = pair + (FULL + load<i32>(atDims + k * 4)) * LANE;
        store<f64>(place, load<f64>(atZ + (one * dimensions + k) * 8));
        store<f64>(place + 8, load<f64>(atZ + (other * dimensions + k) * 8));
      }
      fillPair(pair, wanderKept, wanderFresh, wanderSd);
      start(pair);
    }
    for (let run = 0; run < runs; run++) {
      const here = atRuns + run * RUN_BYTES;
      const steps = load<i32>(here + 16);
      const dt = load<f64>(here);
      if (steps > 0)
        for (let p = 0; p < pairs; p++) begin(atPairs + p * pairBytes, dt, load<i32>(here + 20), warmth);
      for (let i = 0; i < steps; i++) for (let p = 0; p < pairs; p++) step(atPairs + p * pairBytes, dt);
      const code = load<i32>(here + 24);
      const from = load<i32>(here + 28);
      const count = load<i32>(here + 32);
      for (let p = 0; p < pairs; p++) {
        const pair = atPairs + p * pairBytes;
        if (code != 0) act(pair, code, load<f64>(here + 8), believedL);
        for (let o = from; o < from + count; o++) compare(pair, o, tail, cell);
      }
    }
    for (let p = 0; p < pairs; p++) {
      const one = tank + 2 * p;
      finish(atPairs + p * pairBytes, one, min(one + 1, tanks - 1));
    }
  }
}

/** The state of day 0. */
@inline
function start(pair: i32): void {
  for (let i = 0; i < STATE_SIZE; i++) put(pair, STATE + i, c(0));
  put(pair, STATE + 1, at(pair, NATURAL + 13));
  put(pair, STATE + 5, at(pair, NATURAL));
  put(pair, STATE + 6, at(pair, NATURAL + 1));
  put(pair, STATE + 7, at(pair, NATURAL + 16));
  put(pair, CHANCES, c(1));
  put(pair, LOGS, c(0));
}

/** What stays the same through a run. */
@inline
function begin(pair: i32, days: f64, week: i32, warmth: f64): void {
  const dt = c(days);
  put(pair, RUN, kept(mul(at(pair, NATURAL + 11), dt)));
  put(pair, RUN + 1, kept(mul(at(pair, NATURAL + 12), dt)));
  put(pair, RUN + 2, kept(mul(at(pair, NATURAL + 15), dt)));
  put(pair, RUN + 3, kept(mul(at(pair, NATURAL + 18), dt)));
  put(pair, RUN + 4, mul(mul(at(pair, NATURAL + 6), at(pair, noisePlace + week)), c(warmth)));
  put(pair, RUN + 5, mul(mul(at(pair, NATURAL + 7), at(pair, noisePlace + weekSlots + week)), c(warmth)));
  put(pair, RUN + 6, mul(at(pair, STATE + 8), dt));
  put(pair, RUN + 7, div(c(1), at(pair, NATURAL + 22)));
  put(pair, RUN + 8, div(c(1), at(pair, NATURAL + 23)));
  put(pair, RUN + 9, div(c(1), at(pair, NATURAL + 24)));
  put(pair, RUN + 10, div(c(1), dt));
}

/** A step of `advance` in core/forecast/kernel.ts, with the same names. */
@inline
function step(pair: i32, days: f64): void {
  const one = c(1);
  const half = c(0.5);
  const dt = c(days);
  const halfStep = c(0.5 * days);
  const food = at(pair, STATE);
  const slow = at(pair, STATE + 1);
  const n = at(pair, STATE + 3);
  const x = at(pair, STATE + 5);
  const y = at(pair, STATE + 6);
  const kh = at(pair, STATE + 7);
  const ka = at(pair, NATURAL + 8);
  const kn = at(pair, NATURAL + 9);
  const perMax = at(pair, RUN + 7);
  const perKiA = at(pair, RUN + 8);
  const perKiN = at(pair, RUN + 9);
  const perDay = at(pair, RUN + 10);
  const k2 = mul(kh, kh);
  const buffered = div(mul(dt, k2), add(k2, c(2.25)));
  const nextFood = mul(food, at(pair, RUN));
  const nextSlow = mul(slow, at(pair, RUN + 1));
  const a0 = add(at(pair, STATE + 2), add(add(sub(food, nextFood), sub(slow, nextSlow)), at(pair, RUN + 6)));
  const ua = mul(buffered, add(x, mul(halfStep, at(pair, STATE + 10))));
  const da = add(add(ka, a0), mul(mul(a0, a0), perKiA));
  const wa = add(da, mul(half, ua));
  const ma = mul(a0, da);
  const wa2 = mul(wa, wa);
  const ma2 = mul(ma, ma);
  const pa = mul(ua, wa2);
  const qa = add(add(mul(ka, wa2), mul(ma, wa)), mul(ma2, perKiA));
  const qa2 = mul(qa, qa);
  const a1 = div(mul(a0, qa2), add(add(qa2, mul(pa, qa)), mul(half, mul(pa, pa))));
  const oxA = sub(a0, a1);
  const held = mul(c(64), wa2);
  const ym = add(y, mul(halfStep, at(pair, STATE + 11)));
  const un = div(mul(mul(buffered, ym), held), add(held, ma2));
  const nh = add(n, mul(half, oxA));
  const dn = add(add(kn, nh), mul(mul(nh, nh), perKiN));
  const wn = add(dn, mul(half, un));
  const mn = mul(nh, dn);
  const wn2 = mul(wn, wn);
  const pn = mul(un, wn2);
  const qn = add(add(mul(kn, wn2), mul(mn, wn)), mul(mul(mn, mn), perKiN));
  const pq = mul(pn, qn);
  const qn2 = mul(qn, qn);
  const pn2 = mul(pn, pn);
  const n1 = add(
    div(mul(n, qn2), add(add(qn2, pq), mul(half, pn2))),
    div(mul(oxA, qn2), add(add(qn2, mul(half, pq)), mul(c(0.125), pn2))),
  );
  const oxN = sub(add(n, oxA), n1);
  const since = add(at(pair, STATE + 9), dt);
  // The share of the step that lies behind the lag, where growth is full.
  const past = f64x2.pmax(f64x2.pmin(mul(sub(since, at(pair, NATURAL + 10)), perDay), one), c(0));
  const lag = add(c(0.1), mul(c(0.9), past));
  const roomA = f64x2.pmax(sub(one, mul(x, perMax)), c(0));
  const roomN = f64x2.pmax(sub(one, mul(y, perMax)), c(0));
  const keepAlive = at(pair, RUN + 3);
  const x1 = mul(add(x, mul(mul(at(pair, RUN + 4), lag), mul(oxA, roomA))), keepAlive);
  const y1 = mul(add(y, mul(mul(at(pair, RUN + 5), lag), mul(oxN, roomN))), keepAlive);
  put(pair, STATE, nextFood);
  put(pair, STATE + 1, nextSlow);
  put(pair, STATE + 2, a1);
  put(pair, STATE + 3, n1);
  put(pair, STATE + 4, mul(add(at(pair, STATE + 4), oxN), at(pair, RUN + 2)));
  put(pair, STATE + 5, x1);
  put(pair, STATE + 6, y1);
  put(pair, STATE + 7, f64x2.pmax(sub(kh, mul(c(0.4), oxA)), c(0)));
  put(pair, STATE + 9, since);
  put(pair, STATE + 10, mul(sub(x1, x), perDay));
  put(pair, STATE + 11, mul(sub(y1, y), perDay));
}

@inline
function plus(pair: i32, slot: i32, value: v128): void {
  put(pair, STATE + slot, add(at(pair, STATE + slot), value));
}

/** `applyAct` of core/forecast/kernel.ts. */
@inline
function act(pair: i32, code: i32, amount: f64, believedL: f64): void {
  const volume = at(pair, NATURAL + 14);
  const perL = div(c(amount), mul(c(believedL), volume));
  if (code == AMMONIA) plus(pair, 2, perL);
  else if (code == FOOD) plus(pair, 0, mul(perL, at(pair, NATURAL + 17)));
  else if (code == SLOW) plus(pair, 1, mul(perL, at(pair, NATURAL + 17)));
  else if (code == SEAFOOD_OUT) put(pair, STATE + 1, mul(c(0.1), at(pair, STATE + 1)));
  else if (code == BOTTLE) {
    plus(pair, 5, mul(at(pair, NATURAL + 2), c(amount)));
    plus(pair, 6, mul(at(pair, NATURAL + 3), c(amount)));
  } else if (code == MATURE) {
    plus(pair, 5, mul(at(pair, NATURAL + 4), c(amount)));
    plus(pair, 6, mul(at(pair, NATURAL + 5), c(amount)));
  } else if (code == CHANGE) {
    const keep = sub(c(1), f64x2.pmin(c(1), div(c(amount), volume)));
    for (let slot = 2; slot <= 4; slot++) put(pair, STATE + slot, mul(at(pair, STATE + slot), keep));
    const fresh = mul(at(pair, NATURAL + 16), sub(c(1), keep));
    put(pair, STATE + 7, add(mul(at(pair, STATE + 7), keep), fresh));
  } else if (code == ALKALINITY) plus(pair, 7, c(amount));
  else if (code == LOAD) plus(pair, 8, perL);
}

/** `logChance` of core/forecast/likelihood.ts; chances are multiplied, and their logarithm taken now and then. */
@inline
function compare(pair: i32, o: i32, tail: f64, cell: f64): void {
  const reading = atReadings + o * READING_BYTES;
  const what = load<i32>(reading + 32);
  // Kits of nitrogen err by a factor of their own; alkalinity's does not.
  const value =
    what < 3
      ? mul(at(pair, STATE + 2 + what), at(pair, NATURAL + 19 + what))
      : at(pair, STATE + 7);
  const low = load<f64>(reading);
  const high = load<f64>(reading + 8);
  const share2 = c(load<f64>(reading + 16));
  const floor2 = c(load<f64>(reading + 24));
  const perS = div(c(1.0 / 0.58), f64x2.sqrt(add(mul(mul(share2, value), value), floor2)));
  // logistic(high) - logistic(low), over one denominator.
  let inside: v128;
  if (high == Infinity) {
    const below = low > 0 ? exp2lanes(mul(sub(value, c(low)), perS)) : c(0);
    inside = low > 0 ? div(below, add(c(1), below)) : c(1);
  } else {
    const above = exp2lanes(mul(sub(value, c(high)), perS));
    if (low > 0) {
      const below = exp2lanes(mul(sub(value, c(low)), perS));
      inside = div(sub(below, above), mul(add(c(1), above), add(c(1), below)));
    } else inside = div(c(1), add(c(1), above));
  }
  const chance = add(c(tail * cell), mul(c(1 - tail), f64x2.pmax(inside, c(0))));
  put(pair, CHANCES, mul(at(pair, CHANCES), chance));
  // A product of at most so many chances stays far from underflow.
  if ((o & 31) == 31) settle(pair);
}

function settle(pair: i32): void {
  const place = pair + LOGS * LANE;
  const chances = at(pair, CHANCES);
  store<f64>(place, load<f64>(place) + Math.log(f64x2.extract_lane(chances, 0)));
  store<f64>(place + 8, load<f64>(place + 8) + Math.log(f64x2.extract_lane(chances, 1)));
  put(pair, CHANCES, c(1));
}

@inline
function finish(pair: i32, one: i32, other: i32): void {
  settle(pair);
  const place = pair + LOGS * LANE;
  store<f64>(atResult + other * 8, load<f64>(place + 8));
  store<f64>(atResult + one * 8, load<f64>(place));
  for (let slot = 0; slot < STATE_SIZE; slot++) keep(one, other, slot, at(pair, STATE + slot));
}

@inline
function keep(tank: i32, other: i32, slot: i32, value: v128): void {
  store<f64>(atStates + (other * STATE_SIZE + slot) * 8, f64x2.extract_lane(value, 1));
  store<f64>(atStates + (tank * STATE_SIZE + slot) * 8, f64x2.extract_lane(value, 0));
}

/** Adds the weighted squares of the tanks at `atZ` about the mean into the sums, whole rows up to the diagonal. */
export function addSquares(tanks: i32): void {
  const row = rowLength * 8;
  if (dimensions & 1) store<f64>(atAway + dimensions * 8, 0);
  for (let i = 0; i < tanks; i++) {
    const weight = load<f64>(atWeights + i * 8);
    if (weight == 0) continue;
    for (let k = 0; k < dimensions; k++)
      store<f64>(
        atAway + k * 8,
        load<f64>(atZ + (i * dimensions + k) * 8) - load<f64>(atMean + k * 8),
      );
    for (let k = 0; k < dimensions; k++) {
      const times = c(weight * load<f64>(atAway + k * 8));
      const sums = atSums + k * row;
      for (let j = 0; j <= k; j += 2) {
        const here = sums + j * 8;
        v128.store(here, add(v128.load(here), mul(times, v128.load(atAway + j * 8))));
      }
    }
  }
}

let state: u32 = 0;
let spare: f64 = 0;
let hasSpare: bool = false;

/** Starts the stream of normals: the one of gaussianRandom(seededRandom(seed)) in core/random.ts. */
export function seedNormals(seed: u32): void {
  state = seed;
  hasSpare = false;
}

@inline
function uniform(): f64 {
  state += 0x6d2b79f5;
  let t = state;
  t = (t ^ (t >>> 15)) * (t | 1);
  t ^= t + (t ^ (t >>> 7)) * (t | 61);
  return <f64>(t ^ (t >>> 14)) / 4294967296.0;
}

function normal(): f64 {
  if (hasSpare) {
    hasSpare = false;
    return spare;
  }
  for (;;) {
    const u = 2 * uniform() - 1;
    const v = 2 * uniform() - 1;
    const s = u * u + v * v;
    if (s >= 1 || s == 0) continue;
    const times = Math.sqrt((-2 * Math.log(s)) / s);
    spare = v * times;
    hasSpare = true;
    return u * times;
  }
}

/** Crank-Nicolson steps of all chains in the Gaussian's own coordinates: trials into `atTried` and, coloured, into `atZ`; into `atGain` what they
 *  gain of prior over Gaussian. */
export function propose(chains: i32, b: f64): void {
  const keepShare = Math.sqrt(1 - b * b);
  for (let i = 0; i < chains; i++) {
    const chain = i * dimensions * 8;
    let q: f64 = 0;
    for (let k = 0; k < dimensions; k++) {
      const y = load<f64>(atOwn + chain + k * 8);
      const next = keepShare * y + b * normal();
      store<f64>(atTried + chain + k * 8, next);
      store<f64>(atAway + k * 8, next);
      q += next * next - y * y;
    }
    if (dimensions & 1) store<f64>(atAway + dimensions * 8, 0);
    for (let k = 0; k < dimensions; k++) {
      let sums = c(0);
      const row = atRoot + k * rowLength * 8;
      for (let j = 0; j <= k; j += 2)
        sums = add(sums, mul(v128.load(row + j * 8), v128.load(atAway + j * 8)));
      const to =
        load<f64>(atMean + k * 8) + f64x2.extract_lane(sums, 0) + f64x2.extract_lane(sums, 1);
      store<f64>(atZ + chain + k * 8, to);
      const was = load<f64>(atHere + chain + k * 8);
      q += was * was - to * to;
    }
    store<f64>(atGain + i * 8, q / 2);
  }
}
