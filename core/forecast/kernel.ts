/** The tank as the forecast runs it: two pools of organic N that rot, ammonia, nitrite, nitrate, two capacities that grow on what they
 *  oxidise, alkalinity. Uptake is divided through (a rational exponential at mid-step): positive, second order, and nitrogen is conserved exactly. Nothing is allocated. */
import { ACT, type Act } from './acts';
import { type Observation, STEP_DAYS, type Timeline } from './timeline';

/** What varies from tank to tank; every number in natural units. */
export interface TankParams {
  x0: number;
  y0: number;
  bottleA: number;
  bottleN: number;
  matureA: number;
  matureN: number;
  muA: number;
  muN: number;
  ka: number;
  kn: number;
  lagDays: number;
  rotFood: number;
  rotSlow: number;
  /** mg N/L that rock gives off from day 0. */
  dieOff: number;
  /** Real over believed volume. */
  volume: number;
  /** Nitrate lost a day. */
  loss: number;
  alkalinity: number;
  /** Nitrogen in food against the usual. */
  food: number;
  decay: number;
  max: number;
  /** Ammonia and nitrite at which their own oxidation slows (Haldane), mg N/L. */
  kiA: number;
  kiN: number;
}

/** Slots of the state. */
export const S = {
  food: 0,
  slow: 1,
  ammonia: 2,
  nitrite: 3,
  nitrate: 4,
  x: 5,
  y: 6,
  alkalinity: 7,
  load: 8,
  sinceSeed: 9,
  /** How fast both capacities changed over the last step, mg N/L a day a day. */
  xRate: 10,
  yRate: 11,
} as const;
export const STATE_SIZE = 12;

/** Weeks for which growth may wander. */
export const WEEKS = 20;

/** A line of runs between moments at which something happens or is compared; each run is some equal steps within a day. */
export interface Plan {
  dt: Float64Array;
  steps: Int32Array;
  /** End of each run, days. */
  at: Float64Array;
  /** Week of growth each run lies in. */
  week: Int32Array;
  code: Uint8Array;
  amount: Float64Array;
  /** Index of the first observation compared after the run, and how many. */
  from: Int32Array;
  count: Int32Array;
}

/** Cuts the time from `fromDay` to `toDay` into runs of steps of at most STEP_DAYS that end exactly at acts, readings and weeks. */
export function planSteps(
  acts: readonly Act[],
  observations: readonly Observation[],
  fromDay: number,
  toDay: number,
): Plan {
  interface Run {
    dt: number;
    steps: number;
    at: number;
    week: number;
    code: number;
    amount: number;
    from: number;
    count: number;
  }
  const runs: Run[] = [];
  let day = fromDay;
  /** Runs to a day, a week at a time, and says what happens there. */
  const runTo = (target: number, code: number, amount: number, from: number, count: number) => {
    for (let end = weekEnd(day); end < target; end = weekEnd(day)) run(end, ACT.none, 0, 0, 0);
    run(target, code, amount, from, count);
  };
  const run = (to: number, code: number, amount: number, from: number, count: number) => {
    const span = Math.max(0, to - day);
    const steps = Math.ceil(span / STEP_DAYS - 1e-9);
    const dt = steps > 0 ? span / steps : 0;
    runs.push({ dt, steps, at: to, week: weekOf(day + span / 2), code, amount, from, count });
    day = Math.max(day, to);
  };
  let a = 0;
  let o = 0;
  while (a < acts.length || o < observations.length) {
    const actDay = acts[a]?.day ?? Infinity;
    const obsDay = observations[o]?.day ?? Infinity;
    const next = Math.min(actDay, obsDay);
    if (next > toDay) break;
    // A reading at the moment of an act was taken before it: the usual order, test then dose.
    if (obsDay <= actDay) {
      let n = 0;
      while (o + n < observations.length && (observations[o + n]?.day ?? Infinity) <= next + 1e-9) n++;
      runTo(next, ACT.none, 0, o, n);
      o += n;
    } else {
      runTo(next, acts[a]?.code ?? 0, acts[a]?.amount ?? 0, 0, 0);
      a++;
    }
  }
  if (day < toDay) runTo(toDay, ACT.none, 0, 0, 0);
  return {
    dt: Float64Array.from(runs, (r) => r.dt),
    steps: Int32Array.from(runs, (r) => r.steps),
    at: Float64Array.from(runs, (r) => r.at),
    week: Int32Array.from(runs, (r) => r.week),
    code: Uint8Array.from(runs, (r) => r.code),
    amount: Float64Array.from(runs, (r) => r.amount),
    from: Int32Array.from(runs, (r) => r.from),
    count: Int32Array.from(runs, (r) => r.count),
  };
}

/** The week of growth a day lies in; the last one lasts on. */
export const weekOf = (day: number): number => Math.min(WEEKS - 1, Math.max(0, Math.floor(day / 7)));

/** The end of the week that a day lies in; the end of a week lies in the next. */
const weekEnd = (day: number): number => 7 * (Math.floor(day / 7 + 1e-9) + 1);

/** Sets the state of day 0. */
export function startState(state: Float64Array, p: TankParams): void {
  state.fill(0);
  state[S.slow] = p.dieOff;
  state[S.x] = p.x0;
  state[S.y] = p.y0;
  state[S.alkalinity] = p.alkalinity;
}

/** One act on the state. Amounts in mg N are spread over the real volume. */
export function applyAct(
  state: Float64Array,
  code: number,
  amount: number,
  p: TankParams,
  believedL: number,
): void {
  const perL = amount / (believedL * p.volume);
  switch (code) {
    case ACT.ammonia:
      state[S.ammonia] = (state[S.ammonia] ?? 0) + perL;
      break;
    case ACT.food:
      state[S.food] = (state[S.food] ?? 0) + perL * p.food;
      break;
    case ACT.slow:
      state[S.slow] = (state[S.slow] ?? 0) + perL * p.food;
      break;
    case ACT.seafoodOut:
      state[S.slow] = 0.1 * (state[S.slow] ?? 0);
      break;
    case ACT.bottle:
      state[S.x] = (state[S.x] ?? 0) + p.bottleA * amount;
      state[S.y] = (state[S.y] ?? 0) + p.bottleN * amount;
      break;
    case ACT.mature:
      state[S.x] = (state[S.x] ?? 0) + p.matureA * amount;
      state[S.y] = (state[S.y] ?? 0) + p.matureN * amount;
      break;
    case ACT.change: {
      const keep = 1 - Math.min(1, amount / p.volume);
      state[S.ammonia] = (state[S.ammonia] ?? 0) * keep;
      state[S.nitrite] = (state[S.nitrite] ?? 0) * keep;
      state[S.nitrate] = (state[S.nitrate] ?? 0) * keep;
      state[S.alkalinity] = (state[S.alkalinity] ?? 0) * keep + p.alkalinity * (1 - keep);
      break;
    }
    case ACT.alkalinity:
      state[S.alkalinity] = (state[S.alkalinity] ?? 0) + amount;
      break;
    case ACT.load:
      state[S.load] = (state[S.load] ?? 0) + perL;
      break;
  }
}

/** What is left of something that goes at a steady rate: stands for exp(-u), positive and second order. */
const kept = (u: number): number => 1 / (1 + u + 0.5 * u * u);

/** `steps` steps of `dt` days with growth multipliers gA and gN. The state stays in local numbers from first to last. */
export function advance(
  s: Float64Array,
  dt: number,
  steps: number,
  p: TankParams,
  warmth: number,
  gA: number,
  gN: number,
): void {
  let food = s[0] as number;
  let slow = s[1] as number;
  let a = s[2] as number;
  let n = s[3] as number;
  let r = s[4] as number;
  let x = s[5] as number;
  let y = s[6] as number;
  let kh = s[7] as number;
  const feed = (s[8] as number) * dt;
  let since = s[9] as number;
  let xRate = s[10] as number;
  let yRate = s[11] as number;
  const halfStep = 0.5 * dt;
  const perDay = 1 / dt;
  const { ka, kn, lagDays } = p;
  const keepFood = kept(p.rotFood * dt);
  const keepSlow = kept(p.rotSlow * dt);
  const keepNitrate = kept(p.loss * dt);
  const keepAlive = kept(p.decay * dt);
  const perMax = 1 / p.max;
  const perKiA = 1 / p.kiA;
  const perKiN = 1 / p.kiN;
  const growA = p.muA * gA * warmth;
  const growN = p.muN * gN * warmth;
  for (let i = 0; i < steps; i++) {
    // Half speed at 1.5 dKH, hardly any effect above 5.
    const k2 = kh * kh;
    const buffered = (dt * k2) / (k2 + 2.25);
    const nextFood = food * keepFood;
    const nextSlow = slow * keepSlow;
    const a0 = a + food - nextFood + slow - nextSlow + feed;
    food = nextFood;
    slow = nextSlow;
    // Uptake at the middle of the step; 1/(1 + u + u2/2) stands for exp(-u): positive, second order, no call. Divisions are what a step
    // costs, so the middle and its uptake u = p/q stay fractions and each new value takes one.
    const ua = buffered * (x + halfStep * xRate);
    const da = ka + a0 + a0 * a0 * perKiA;
    const wa = da + 0.5 * ua;
    const ma = a0 * da;
    const wa2 = wa * wa;
    const ma2 = ma * ma;
    const pa = ua * wa2;
    const qa = ka * wa2 + ma * wa + ma2 * perKiA;
    const qa2 = qa * qa;
    const a1 = (a0 * qa2) / (qa2 + pa * qa + 0.5 * pa * pa);
    const oxA = a0 - a1;
    // Much ammonia holds back the second step (Anthonisen 1976): half at 8 mg N/L.
    const un = (64 * buffered * (y + halfStep * yRate) * wa2) / (64 * wa2 + ma2);
    const nh = n + 0.5 * oxA;
    const dn = kn + nh + nh * nh * perKiN;
    const wn = dn + 0.5 * un;
    const mn = nh * dn;
    const wn2 = wn * wn;
    const pn = un * wn2;
    const qn = kn * wn2 + mn * wn + mn * mn * perKiN;
    const pq = pn * qn;
    const qn2 = qn * qn;
    const pn2 = pn * pn;
    // What is made during the step is there for half of it.
    const n1 = (n * qn2) / (qn2 + pq + 0.5 * pn2) + (oxA * qn2) / (qn2 + 0.5 * pq + 0.125 * pn2);
    const oxN = n + oxA - n1;
    a = a1;
    n = n1;
    r = (r + oxN) * keepNitrate;
    since += dt;
    // The share of the step that lies behind the lag, where growth is full.
    const past = (since - lagDays) * perDay;
    const lag = past <= 0 ? 0.1 : past >= 1 ? 1 : 0.1 + 0.9 * past;
    // Growth is bought with what was oxidised: mu mg N/L/day of capacity for each mg N/L, less as the ceiling nears.
    const roomA = 1 - x * perMax;
    const roomN = 1 - y * perMax;
    const x1 = (x + (roomA > 0 ? growA * lag * oxA * roomA : 0)) * keepAlive;
    const y1 = (y + (roomN > 0 ? growN * lag * oxN * roomN : 0)) * keepAlive;
    // The next step begins with half a step of this growth: capacity at its middle, where the uptake is taken.
    xRate = (x1 - x) * perDay;
    yRate = (y1 - y) * perDay;
    x = x1;
    y = y1;
    kh -= 0.4 * oxA;
    if (kh < 0) kh = 0;
  }
  s[0] = food;
  s[1] = slow;
  s[2] = a;
  s[3] = n;
  s[4] = r;
  s[5] = x;
  s[6] = y;
  s[7] = kh;
  s[9] = since;
  s[10] = xRate;
  s[11] = yRate;
}

/** Warmth of growth: 1.1 a kelvin, level above 32 C. */
export const warmthAt = (tempC: number): number => 1.1 ** (Math.min(tempC, 32) - 25);

/** Runs a plan; after each step with observations, `compare` sees the state. `noise` holds WEEKS multipliers of growth for each group. */
export function runPlan(
  state: Float64Array,
  plan: Plan,
  p: TankParams,
  noise: Float64Array,
  noiseAt: number,
  t: Pick<Timeline, 'believedL' | 'tempC'>,
  compare: ((state: Float64Array, from: number, count: number) => void) | null,
): void {
  const warmth = warmthAt(t.tempC);
  const n = plan.dt.length;
  for (let i = 0; i < n; i++) {
    const dt = plan.dt[i] as number;
    if (dt > 0) {
      const week = plan.week[i] as number;
      advance(
        state,
        dt,
        plan.steps[i] as number,
        p,
        warmth,
        noise[noiseAt + week] as number,
        noise[noiseAt + WEEKS + week] as number,
      );
    }
    const code = plan.code[i] as number;
    if (code !== 0) applyAct(state, code, plan.amount[i] as number, p, t.believedL);
    if (compare !== null && (plan.count[i] as number) > 0)
      compare(state, plan.from[i] as number, plan.count[i] as number);
  }
}
