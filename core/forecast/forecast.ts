/** From the particles of the present to bands and dates, under a plan. */
import { gaussianRandom, seededRandom, type Random } from '../random';
import type { Posterior } from './infer';
import { advance, applyAct, S, STATE_SIZE, warmthAt, weekOf, WEEKS, type TankParams } from './kernel';
import { biasFrom, DIMENSIONS, emptyParams, noiseFrom, paramsFrom } from './prior';
import { sittingsOf } from './habits';
import { TAKEN } from './limits';
import { heldC, PROOF_MG_N, type CarePlan } from './plan';
import { ACT } from './acts';
import { STEP_DAYS, type Timeline } from './timeline';

export interface Quantiles {
  p10: number | null;
  p50: number | null;
  p90: number | null;
}

export interface DailyBand {
  /** Days from now. */
  day: number;
  ammonia: [number, number, number];
  nitrite: [number, number, number];
  nitrate: [number, number, number];
  alkalinity: [number, number, number];
}

export interface Forecast {
  /** Days from now at which a proof dose would be cleared in a day; null beyond the horizon. */
  ready: Quantiles;
  ammoniaClear: Quantiles;
  nitriteClear: Quantiles;
  /** Day at which the tank could feed the planned load with free-running ammonia under the limit. */
  readyForLoad: Quantiles | null;
  bands: DailyBand[];
  /** Doubling times, hours: 10, 50, 90 %. */
  doublingA: [number, number, number];
  doublingN: [number, number, number];
  /** Share of particles that are ready now. */
  readyNowShare: number;
  /** Share that does not get there within the horizon. */
  neverShare: number;
  /** Alkalinity reaches 7 and 5 dKH, days from now. */
  alkalinity7: Quantiles;
  alkalinity5: Quantiles;
  horizonDays: number;
  /** How far the likely dates may be off by the luck of the draw alone: standard errors in days, from how the islands of the fit differ. */
  luck: { ready: number; ammoniaClear: number; bothClear: number };
  /** Days to ready, future by future; Infinity when never. Same seed, same futures: two plans can be compared one by one. */
  readyDays: Float64Array;
}

/** The difference in days that a change of plan makes, over futures that get there under both. */
export function gainOf(base: Forecast, other: Forecast): { days: Quantiles; reachesMore: number } {
  const gains = Array.from(base.readyDays, (d, i) => d - (other.readyDays[i] ?? Infinity)).filter(
    Number.isFinite,
  );
  return {
    days: gains.length < 20 ? { p10: null, p50: null, p90: null } : quantilesOf(Float64Array.from(gains)),
    reachesMore: base.neverShare - other.neverShare,
  };
}

const HALF = 0.5;
/** Steps of a trial, days, and how many times the zero limit it may leave in them. */
const TRIALS = [
  [STEP_DAYS, 4],
  [1 / 12, 1.6],
  [1 / 32, 1],
] as const;

const quantile = (sorted: Float64Array, q: number): number | null => {
  const v = sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(q * (sorted.length - 1))))] ?? Infinity;
  return Number.isFinite(v) ? v : null;
};
const quantilesOf = (values: Float64Array): Quantiles => {
  const sorted = Float64Array.from(values).sort();
  return { p10: quantile(sorted, 0.1), p50: quantile(sorted, 0.5), p90: quantile(sorted, 0.9) };
};
/** Standard error of the pooled middle, days: how far the islands differ in the share of futures that is there by then, over how steeply that
 *  share rises. Their own middles would say too little where some lie beyond the horizon. `values` island after island, alike in number. */
export function luckOf(values: Float64Array, islands: number, horizonDays: number): number {
  if (islands < 2) return 0;
  const sorted = Float64Array.from(values).sort();
  const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))] as number;
  const middle = Math.min(at(0.5), horizonDays);
  const low = at(0.45);
  const high = at(0.55);
  if (low > horizonDays) return 0;
  const perTenth = high <= horizonDays ? high - low : 2 * (middle - low);
  const each = values.length / islands;
  const shares = Array.from(
    { length: islands },
    (_, i) => values.subarray(i * each, (i + 1) * each).filter((v) => v <= middle).length / each,
  );
  const mean = shares.reduce((a, b) => a + b, 0) / islands;
  const variance = shares.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (islands - 1);
  return Math.sqrt(variance / islands) * 10 * perTenth;
}

/** 10, 50, 90 %. */
export const triple = (values: Float64Array): [number, number, number] => {
  const sorted = Float64Array.from(values).sort();
  const at = (q: number) => sorted[Math.round(q * (sorted.length - 1))] ?? 0;
  return [at(0.1), at(0.5), at(0.9)];
};

/** Some of the futures with what kits would show in them, for asking what a test would teach. */
export interface Shown {
  futures: number;
  /** Days to ready of each, Infinity for never. */
  ready: Float64Array;
  /** What the person's kits would show, mg N/L or dKH: day by day, future by future. */
  ammonia: Float64Array;
  nitrite: Float64Array;
  nitrate: Float64Array;
  alkalinity: Float64Array;
  /** Real over believed volume. */
  volume: Float64Array;
}

interface Aims {
  horizonDays: number;
  seed: number;
  /** Daily nitrogen of the first animals meant, or null. */
  loadMgN: number | null;
  /** Bands are not asked for: those of a single future stand in their place, and each future ends once its dates are known. */
  datesOnly?: boolean;
}

/** Runs every particle on under the plan. */
export const forecast = (posterior: Posterior, plan: CarePlan, o: Aims): Forecast =>
  forecastWith(posterior, plan, o).forecast;

/** The same, with some of the futures themselves. */
export function forecastWith(
  posterior: Posterior,
  plan: CarePlan,
  o: Aims,
): { forecast: Forecast; shown: Shown } {
  const { particles: n, timeline: t, prior } = posterior;
  const random = seededRandom(o.seed ^ 0x5bd1e995);
  const normal = gaussianRandom(random);
  const days = Math.max(1, Math.round(o.horizonDays));
  const halves = days * 2;
  const params = emptyParams();
  const noise = new Float64Array(2 * WEEKS);
  const bias = new Float64Array(4);
  const s = new Float64Array(STATE_SIZE);
  const probe = new Float64Array(STATE_SIZE);
  const halfAgo = new Float64Array(STATE_SIZE);
  const ready = new Float64Array(n).fill(Infinity);
  const readyLoad = new Float64Array(n).fill(Infinity);
  const clearA = new Float64Array(n).fill(Infinity);
  const clearN = new Float64Array(n).fill(Infinity);
  const doubleA = new Float64Array(n);
  const doubleN = new Float64Array(n);
  // Bands and alkalinity need no more than some of the futures; the others end once their dates are known.
  const every = o.datesOnly ? n : Math.max(1, Math.floor(n / TAKEN.bandParticles));
  const shown = Math.ceil(n / every);
  const kh7 = new Float64Array(shown).fill(Infinity);
  const kh5 = new Float64Array(shown).fill(Infinity);
  const slots = [S.ammonia, S.nitrite, S.nitrate, S.alkalinity] as const;
  const series = slots.map(() => new Float64Array((days + 1) * shown));
  const biases = new Float64Array(3 * shown);
  const volumes = new Float64Array(shown);
  const lately = latelyOf(t);
  const [firstDkh, secondDkh] = TAKEN.alkalinityDkh;
  const warmth = warmthAt(heldC(plan, t));
  const keptUp = keptUpTo(plan);
  const firstChange = nextChange(plan, t);

  for (let i = 0; i < n; i++) {
    paramsFrom(posterior.z, i * DIMENSIONS, prior, params);
    biasFrom(posterior.z, i * DIMENSIONS, prior, bias);
    noiseFrom(posterior.z, i * DIMENSIONS, noise);
    redrawFuture(noise, t.nowDay, normal);
    s.set(posterior.states.subarray(i * STATE_SIZE, (i + 1) * STATE_SIZE));
    const week0 = weekOf(t.nowDay);
    const growth = (mu: number, g: number) => (Math.LN2 / (mu * g * warmth)) * 24;
    doubleA[i] = growth(params.muA, noise[week0] ?? 1);
    doubleN[i] = growth(params.muN, noise[WEEKS + week0] ?? 1);
    startNow(s, plan, params, t.believedL);
    const person = personFor(plan, lately, random);
    let buffered = 0;
    let changeAt = firstChange;
    const stretch = Math.exp(TAKEN.dateSpread * normal());
    const place = i % every === 0 ? i / every : -1;
    if (place >= 0) {
      for (let k = 0; k < 3; k++) biases[3 * place + k] = bias[k] as number;
      volumes[place] = params.volume;
    }
    // Tried daily; a pass is then looked for half a day earlier.
    let tryAt = 0;
    for (let h = 0; h <= halves; h++) {
      const day = h * HALF;
      const aSeen = (s[S.ammonia] as number) * (bias[0] as number);
      const nSeen = (s[S.nitrite] as number) * (bias[1] as number);
      if (clearA[i] === Infinity && aSeen < t.zeroAmmonia) clearA[i] = day * stretch;
      if (clearN[i] === Infinity && nSeen < t.zeroNitrite && aSeen < t.zeroAmmonia) clearN[i] = day * stretch;
      if (place >= 0) {
        if (h % 2 === 0)
          for (let k = 0; k < slots.length; k++)
            (series[k] as Float64Array)[(h / 2) * shown + place] = s[slots[k] as number] as number;
        const unbuffered = (s[S.alkalinity] as number) - buffered;
        if (kh7[place] === Infinity && unbuffered < firstDkh) kh7[place] = day;
        if (kh5[place] === Infinity && unbuffered < secondDkh) kh5[place] = day;
      }
      if ((s[S.alkalinity] as number) < keptUp.below) {
        s[S.alkalinity] = (s[S.alkalinity] as number) + keptUp.by;
        buffered += keptUp.by;
      }
      if (ready[i] === Infinity && h >= tryAt) {
        const left = trial(s, probe, params, bias, noise, t, warmth, day);
        if (left === 0) {
          const earlier = h > 0 && trial(halfAgo, probe, params, bias, noise, t, warmth, day - HALF) === 0;
          ready[i] = (earlier ? day - HALF : day) * stretch;
        }
        tryAt = h + 2;
      }
      if (o.loadMgN !== null && readyLoad[i] === Infinity && carries(s, o.loadMgN, params, t))
        readyLoad[i] = day * stretch;
      if (h + 1 === tryAt) halfAgo.set(s);
      if (h === halves) break;
      if (
        place < 0 &&
        ready[i] !== Infinity &&
        clearN[i] !== Infinity &&
        (o.loadMgN === null || readyLoad[i] !== Infinity)
      )
        break;
      // The person's next half day.
      if (plan.change && day >= changeAt) {
        applyAct(s, ACT.change, plan.change.share, params, t.believedL);
        changeAt += plan.change.everyDays;
      }
      if (
        plan.doseMgNPerL > 0 &&
        (s[S.ammonia] as number) < TAKEN.doseBelowMgN &&
        dosesNow(person, day, aSeen < t.zeroAmmonia, nSeen < t.zeroNitrite)
      )
        applyAct(s, ACT.ammonia, plan.doseMgNPerL * t.believedL, params, t.believedL);
      if (plan.feedMgNPerDay > 0) applyAct(s, ACT.food, plan.feedMgNPerDay * HALF, params, t.believedL);
      const week = weekOf(t.nowDay + day);
      const gA = noise[week] as number;
      const gN = noise[WEEKS + week] as number;
      advance(s, STEP_DAYS, HALF / STEP_DAYS, params, warmth, gA, gN);
    }
    // A stretched date may leave the horizon: then it is beyond it.
    for (const dates of [ready, readyLoad, clearA, clearN])
      if ((dates[i] as number) > days) dates[i] = Infinity;
  }
  const bands = Array.from({ length: days + 1 }, (_, day): DailyBand => {
    const [a, b, c, d] = series.map((x) => triple(x.subarray(day * shown, (day + 1) * shown)));
    return {
      day,
      ammonia: a as [number, number, number],
      nitrite: b as [number, number, number],
      nitrate: c as [number, number, number],
      alkalinity: d as [number, number, number],
    };
  });
  const seen = (k: 0 | 1 | 2) =>
    (series[k] as Float64Array).map((v, at) => v * (biases[3 * (at % shown) + k] as number));
  const share = (f: (v: number) => boolean) => ready.reduce((sum, v) => sum + (f(v) ? 1 : 0), 0) / n;
  const said: Forecast = {
    ready: quantilesOf(ready),
    ammoniaClear: quantilesOf(clearA),
    nitriteClear: quantilesOf(clearN),
    readyForLoad: o.loadMgN === null ? null : quantilesOf(readyLoad),
    bands,
    doublingA: triple(doubleA),
    doublingN: triple(doubleN),
    readyNowShare: share((v) => v === 0),
    neverShare: share((v) => v === Infinity),
    alkalinity7: quantilesOf(kh7),
    alkalinity5: quantilesOf(kh5),
    horizonDays: days,
    luck: {
      ready: luckOf(ready, posterior.islands, days),
      ammoniaClear: luckOf(clearA, posterior.islands, days),
      bothClear: luckOf(clearN, posterior.islands, days),
    },
    readyDays: ready,
  };
  return {
    forecast: said,
    shown: {
      futures: shown,
      ready: Float64Array.from({ length: shown }, (_, k) => ready[k * every] as number),
      ammonia: seen(0),
      nitrite: seen(1),
      nitrate: seen(2),
      alkalinity: series[3] as Float64Array,
      volume: volumes,
    },
  };
}

/** What the log says of the last days: when the last test and dose were, and since when it has been clear. Days from now, so negative. */
interface Lately {
  tested: number;
  dosed: number;
  ammoniaClearSince: number | null;
  bothClearSince: number | null;
}

function latelyOf(t: Timeline): Lately {
  const sittings = sittingsOf(t);
  const dosed = t.acts.filter((a) => a.code === ACT.ammonia).pop()?.day ?? -Infinity;
  const since = (holds: (s: (typeof sittings)[number]) => boolean): number | null => {
    let first: number | null = null;
    for (const s of sittings) first = s.day > dosed && holds(s) ? (first ?? s.day) : null;
    return first === null ? null : first - t.nowDay;
  };
  return {
    tested: (sittings[sittings.length - 1]?.day ?? t.nowDay) - t.nowDay,
    dosed: dosed - t.nowDay,
    ammoniaClearSince: since((s) => s.ammoniaZero),
    bothClearSince: since((s) => s.ammoniaZero && s.nitriteZero !== false),
  };
}

/** The person of one future: one habit, one rhythm of tests. */
interface Person {
  habit: 'ammoniaClear' | 'bothClear' | 'clock' | 'never';
  testGap: number;
  wait: number;
  clock: number;
  nextTest: number;
  doseAt: number;
  lastDose: number;
}

function personFor(plan: CarePlan, lately: Lately, random: Random): Person {
  // Drawn in any case, so that futures of different plans stay comparable one by one.
  const [u, v, w, x] = [random(), random(), random(), random()];
  const { ammoniaClear, bothClear, clock } = plan.when;
  const habit =
    u < ammoniaClear
      ? 'ammoniaClear'
      : u < ammoniaClear + bothClear
        ? 'bothClear'
        : u < ammoniaClear + bothClear + clock
          ? 'clock'
          : 'never';
  const within = ([low, high]: readonly [number, number], share: number) => low + (high - low) * share;
  const testGap = within(plan.rhythm.testGapDays, v);
  const wait = within(habit === 'bothClear' ? plan.rhythm.bothWaitDays : plan.rhythm.waitDays, w);
  const clockGap = within(plan.rhythm.clockDays, x);
  const since =
    habit === 'ammoniaClear'
      ? lately.ammoniaClearSince
      : habit === 'bothClear'
        ? lately.bothClearSince
        : null;
  return {
    habit,
    testGap,
    wait,
    clock: clockGap,
    lastDose: lately.dosed,
    nextTest: Math.max(0, lately.tested + testGap),
    doseAt: since === null ? Infinity : Math.max(0.5 * testGap, since + wait),
  };
}

/** Does this person dose at this half day? Tests fall on their days; only a test tells that it is clear. What falls between two half days is done at
 *  the nearer one and reckoned on from its own moment: rounded up each time, a person would dose a tenth too seldom. */
function dosesNow(p: Person, day: number, ammoniaZero: boolean, nitriteZero: boolean): boolean {
  if (p.habit === 'never') return false;
  const [from, until] = [day - HALF / 2, day + HALF / 2];
  if (until >= p.nextTest) {
    const testAt = Math.max(p.nextTest, from);
    const clear = ammoniaZero && (p.habit !== 'bothClear' || nitriteZero);
    p.doseAt = clear ? Math.min(p.doseAt, testAt + p.wait) : Infinity;
    p.nextTest = testAt + p.testGap;
  }
  const dueAt = p.habit === 'clock' ? p.lastDose + p.clock : p.doseAt;
  if (until < dueAt) return false;
  p.lastDose = Math.max(dueAt, from);
  p.doseAt = Infinity;
  return true;
}

/** Below what alkalinity the person adds, and by how much at a time, dKH: as planned, else when it runs low. */
const keptUpTo = ({ alkalinityDkh }: CarePlan): { below: number; by: number } =>
  alkalinityDkh === undefined
    ? { below: TAKEN.keptAlkalinityDkh, by: TAKEN.bufferedByDkh }
    : { below: alkalinityDkh - TAKEN.keptWithinDkh, by: TAKEN.keptWithinDkh };

/** Days from now to the next planned change: so long after the last one logged, or a whole stretch from now where there was none. */
function nextChange({ change }: CarePlan, t: Timeline): number {
  if (!change) return Infinity;
  const last = t.acts.filter((a) => a.code === ACT.change).pop();
  return last ? Math.max(0, last.day - t.nowDay + change.everyDays) : change.everyDays;
}

/** What the plan does at once. */
export function startNow(s: Float64Array, plan: CarePlan, p: TankParams, believedL: number): void {
  if (plan.changeShare) applyAct(s, ACT.change, plan.changeShare, p, believedL);
  if (plan.bottle) applyAct(s, ACT.bottle, 1, p, believedL);
  if (plan.media) applyAct(s, ACT.mature, 1, p, believedL);
}

/** Weeks after the present are not learned from readings: drawn anew, carried on from the present one. */
export function redrawFuture(noise: Float64Array, nowDay: number, draw: () => number): void {
  const now = weekOf(nowDay);
  const fresh = Math.sqrt(1 - TAKEN.wanderKept * TAKEN.wanderKept);
  for (let g = 0; g < 2; g++) {
    let w = Math.log(noise[g * WEEKS + now] as number) / TAKEN.wanderSd;
    for (let k = now + 1; k < WEEKS; k++) {
      w = TAKEN.wanderKept * w + fresh * draw();
      noise[g * WEEKS + k] = Math.exp(TAKEN.wanderSd * w);
    }
  }
}

/** What would be left a day after 2 mg/L dosed now, ammonia and nitrite, mg N/L; 0 when the person's kits would read both as zero. */
function trial(
  s: Float64Array,
  probe: Float64Array,
  p: TankParams,
  bias: Float64Array,
  noise: Float64Array,
  t: Timeline,
  warmth: number,
  day: number,
): number {
  const week = weekOf(t.nowDay + day);
  const gA = noise[week] as number;
  const gN = noise[WEEKS + week] as number;
  if (outOfReach(s, p, bias, t, p.muA * gA * warmth, p.muN * gN * warmth)) return Infinity;
  // In long steps first: far from zero there, it is not at zero in short ones.
  for (const [step, times] of TRIALS) {
    probe.set(s);
    applyAct(probe, ACT.ammonia, PROOF_MG_N * t.believedL, p, t.believedL);
    advance(probe, step, 1 / step, p, warmth, gA, gN);
    const a = probe[S.ammonia] as number;
    const n = probe[S.nitrite] as number;
    const clear =
      a * (bias[0] as number) < times * t.zeroAmmonia && n * (bias[1] as number) < times * t.zeroNitrite;
    if (!clear) return a + n;
  }
  return 0;
}

/** Cannot pass whatever happens: even with the capacity that all of it, once eaten, would add, and nothing holding the bacteria back, a day is
 *  too short. Uptake X A/(Ka+A) takes (A0-A1)/X + Ka/X ln(A0/A1) days from A0 to A1. Spares most trials. */
function outOfReach(
  s: Float64Array,
  p: TankParams,
  bias: Float64Array,
  t: Timeline,
  growA: number,
  growN: number,
): boolean {
  const a0 = (s[S.ammonia] as number) + PROOF_MG_N / p.volume;
  const a1 = t.zeroAmmonia / (bias[0] as number);
  const rotting = (s[S.food] as number) + (s[S.slow] as number);
  const most = (s[S.x] as number) + growA * (a0 + rotting);
  if (a0 > a1 && most < 0.97 * (a0 - a1 + p.ka * Math.log(a0 / a1))) return true;
  const n0 = (s[S.nitrite] as number) + a0 - a1;
  const n1 = t.zeroNitrite / (bias[1] as number);
  return (s[S.y] as number) + growN * (n0 + rotting) < 0.97 * (n0 - n1);
}

/** Could the planned animals be fed with ammonia and nitrite staying where they may? Uptake at those levels against the load. */
function carries(s: Float64Array, loadMgN: number, p: TankParams, t: Timeline): boolean {
  const perL = loadMgN / (t.believedL * p.volume);
  const { carriedAmmoniaMgN: a, carriedNitriteMgN: n } = TAKEN;
  return (
    ((s[S.x] as number) * a) / (p.ka + a) >= perL &&
    ((s[S.y] as number) * n) / (p.kn + n) >= perL &&
    (s[S.ammonia] as number) < TAKEN.carriedNowMgN
  );
}
