/** From the particles of the present to bands and dates, under a plan. */
import { seededRandom, type Random } from '../random';
import { normal, type Posterior } from './infer';
import { advance, applyAct, S, STATE_SIZE, WEEKS, warmthAt, type TankParams } from './kernel';
import { biasFrom, DIMENSIONS, emptyParams, noiseFrom, paramsFrom } from './prior';
import { sittingsOf } from './habits';
import { TAKEN } from './limits';
import { PROOF_MG_N, type CarePlan } from './plan';
import { ACT, STEP_DAYS, type Timeline } from './timeline';

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

const quantile = (sorted: Float64Array, q: number): number | null => {
  const v = sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(q * (sorted.length - 1))))] ?? Infinity;
  return Number.isFinite(v) ? v : null;
};
const quantilesOf = (values: Float64Array): Quantiles => {
  const sorted = Float64Array.from(values).sort();
  return { p10: quantile(sorted, 0.1), p50: quantile(sorted, 0.5), p90: quantile(sorted, 0.9) };
};
const triple = (values: Float64Array): [number, number, number] => {
  const sorted = Float64Array.from(values).sort();
  const at = (q: number) => sorted[Math.round(q * (sorted.length - 1))] ?? 0;
  return [at(0.1), at(0.5), at(0.9)];
};

/** Runs every particle on under the plan. `loadMgN` is the daily nitrogen of the first animals meant, or null. */
export function forecast(
  posterior: Posterior,
  plan: CarePlan,
  o: { horizonDays: number; seed: number; loadMgN: number | null },
): Forecast {
  const { particles: n, timeline: t, prior } = posterior;
  const random = seededRandom(o.seed ^ 0x5bd1e995);
  const days = Math.max(1, Math.round(o.horizonDays));
  const halves = days * 2;
  const params = emptyParams();
  const noise = new Float64Array(2 * WEEKS);
  const bias = new Float64Array(4);
  const s = new Float64Array(STATE_SIZE);
  const probe = new Float64Array(STATE_SIZE);
  const ready = new Float64Array(n).fill(Infinity);
  const readyLoad = new Float64Array(n).fill(Infinity);
  const clearA = new Float64Array(n).fill(Infinity);
  const clearN = new Float64Array(n).fill(Infinity);
  const kh7 = new Float64Array(n).fill(Infinity);
  const kh5 = new Float64Array(n).fill(Infinity);
  const doubleA = new Float64Array(n);
  const doubleN = new Float64Array(n);
  const series = [S.ammonia, S.nitrite, S.nitrate, S.alkalinity].map((slot) => ({
    slot,
    data: Array.from({ length: days + 1 }, () => new Float64Array(n)),
  }));
  const lately = latelyOf(t);
  const [firstDkh, secondDkh] = TAKEN.alkalinityDkh;
  const tempC = t.tempC + (plan.warmerK ?? 0);
  const warmth = warmthAt(tempC);

  for (let i = 0; i < n; i++) {
    paramsFrom(posterior.z, i * DIMENSIONS, prior, params);
    biasFrom(posterior.z, i * DIMENSIONS, prior, bias);
    noiseFrom(posterior.z, i * DIMENSIONS, noise);
    redrawFuture(noise, t.nowDay, () => normal(random));
    s.set(posterior.states.subarray(i * STATE_SIZE, (i + 1) * STATE_SIZE));
    const week0 = weekOf(t.nowDay);
    const growth = (mu: number, g: number) => (Math.LN2 / (mu * g * warmth)) * 24;
    doubleA[i] = growth(params.muA, noise[week0] ?? 1);
    doubleN[i] = growth(params.muN, noise[WEEKS + week0] ?? 1);
    startNow(s, plan, params, t.believedL);
    const person = personFor(plan, lately, random);
    let buffered = 0;
    const stretch = Math.exp(TAKEN.dateSpread * normal(random));
    for (let h = 0; h <= halves; h++) {
      const day = h * HALF;
      if (h % 2 === 0)
        for (const { slot, data } of series) (data[h / 2] as Float64Array)[i] = s[slot] as number;
      const aSeen = (s[S.ammonia] as number) * (bias[0] as number);
      const nSeen = (s[S.nitrite] as number) * (bias[1] as number);
      if (clearA[i] === Infinity && aSeen < t.zeroAmmonia) clearA[i] = day * stretch;
      if (clearN[i] === Infinity && nSeen < t.zeroNitrite && aSeen < t.zeroAmmonia) clearN[i] = day * stretch;
      const unbuffered = (s[S.alkalinity] as number) - buffered;
      if (kh7[i] === Infinity && unbuffered < firstDkh) kh7[i] = day;
      if (kh5[i] === Infinity && unbuffered < secondDkh) kh5[i] = day;
      if (plan.keepsAlkalinity !== false && (s[S.alkalinity] as number) < TAKEN.keptAlkalinityDkh) {
        s[S.alkalinity] = (s[S.alkalinity] as number) + TAKEN.bufferedByDkh;
        buffered += TAKEN.bufferedByDkh;
      }
      if (ready[i] === Infinity && passes(s, probe, params, bias, noise, t, warmth, day))
        ready[i] = day * stretch;
      if (o.loadMgN !== null && readyLoad[i] === Infinity && carries(s, o.loadMgN, params, t))
        readyLoad[i] = day * stretch;
      if (h === halves) break;
      // The person's next half day.
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
    const [a, b, c, d] = series.map((x) => triple(x.data[day] as Float64Array));
    return {
      day,
      ammonia: a as [number, number, number],
      nitrite: b as [number, number, number],
      nitrate: c as [number, number, number],
      alkalinity: d as [number, number, number],
    };
  });
  const share = (f: (v: number) => boolean) => ready.reduce((sum, v) => sum + (f(v) ? 1 : 0), 0) / n;
  return {
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
    readyDays: ready,
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

/** Does this person dose at this half day? Tests fall on their days; only a test tells that it is clear. */
function dosesNow(p: Person, day: number, ammoniaZero: boolean, nitriteZero: boolean): boolean {
  if (p.habit === 'never') return false;
  if (day >= p.nextTest) {
    p.nextTest = day + p.testGap;
    const clear = ammoniaZero && (p.habit !== 'bothClear' || nitriteZero);
    p.doseAt = clear ? Math.min(p.doseAt, day + p.wait) : Infinity;
  }
  const due = p.habit === 'clock' ? day >= p.lastDose + p.clock : day >= p.doseAt;
  if (!due) return false;
  p.lastDose = day;
  p.doseAt = Infinity;
  return true;
}

const weekOf = (day: number): number => Math.min(WEEKS - 1, Math.max(0, Math.floor(day / 7)));

/** What the plan does at once. */
function startNow(s: Float64Array, plan: CarePlan, p: TankParams, believedL: number): void {
  if (plan.changeShare) applyAct(s, ACT.change, plan.changeShare, p, believedL);
  if (plan.bufferDkh) applyAct(s, ACT.alkalinity, plan.bufferDkh, p, believedL);
  if (plan.bottle) applyAct(s, ACT.bottle, 1, p, believedL);
  if (plan.media) applyAct(s, ACT.mature, 1, p, believedL);
}

/** Weeks after the present are not learned from readings: drawn anew, carried on from the present one. */
function redrawFuture(noise: Float64Array, nowDay: number, draw: () => number): void {
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

/** Would 2 mg/L dosed now be cleared in a day, as the person's kits see it? */
function passes(
  s: Float64Array,
  probe: Float64Array,
  p: TankParams,
  bias: Float64Array,
  noise: Float64Array,
  t: Timeline,
  warmth: number,
  day: number,
): boolean {
  // Far off: not even the capacity for half of it.
  if ((s[S.x] as number) < TAKEN.capacityNeeded || (s[S.y] as number) < TAKEN.capacityNeeded) return false;
  probe.set(s);
  applyAct(probe, ACT.ammonia, PROOF_MG_N * t.believedL, p, t.believedL);
  const week = weekOf(t.nowDay + day);
  advance(probe, 1 / 32, 32, p, warmth, noise[week] as number, noise[WEEKS + week] as number);
  return (
    (probe[S.ammonia] as number) * (bias[0] as number) < t.zeroAmmonia &&
    (probe[S.nitrite] as number) * (bias[1] as number) < t.zeroNitrite
  );
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
