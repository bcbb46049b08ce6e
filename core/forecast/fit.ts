/** The fitted past, to be held against the readings. */
import type { DailyBand } from './forecast';
import type { Posterior } from './infer';
import { machineFor } from './likelihood';
import { planSteps, runPlan, S, startState, STATE_SIZE, warmthAt } from './kernel';
import { DIMENSIONS, noiseFrom, paramsFrom } from './prior';
import type { Observation } from './timeline';

export type FitDay = DailyBand;

/** Bands of the past at every day (every few in a long log), days from now and so negative. */
export function fitBands(p: Posterior): FitDay[] {
  const { timeline: t, prior } = p;
  const n = Math.min(p.particles, 300);
  const every = Math.max(1, Math.ceil(t.nowDay / 120));
  const days: number[] = [];
  for (let d = 0; d < t.nowDay; d += every) days.push(d);
  const marks: Observation[] = days.map((day) => ({
    day,
    what: 0,
    low: 0,
    mid: 0,
    high: 0,
    share: 0,
    floor: 0,
  }));
  const m = machineFor(t);
  const plan = planSteps(t.acts, marks, 0, t.nowDay);
  const seen = days.map(() => [2, 3, 4, 7].map(() => new Float64Array(n)));
  for (let i = 0; i < n; i++) {
    const at = Math.floor((i * p.particles) / n) * DIMENSIONS;
    paramsFrom(p.z, at, prior, m.params);
    noiseFrom(p.z, at, m.noise);
    startState(m.state, m.params);
    runPlan(m.state, plan, m.params, m.noise, 0, t, (state, from, count) => {
      for (let k = from; k < from + count; k++)
        [2, 3, 4, 7].forEach((slot, j) => {
          const list = seen[k]?.[j];
          if (list) list[i] = state[slot] as number;
        });
    });
  }
  const band = (list: Float64Array | undefined): [number, number, number] => {
    const sorted = Float64Array.from(list ?? []).sort();
    const q = (share: number) => sorted[Math.round(share * (sorted.length - 1))] ?? 0;
    return [q(0.1), q(0.5), q(0.9)];
  };
  return days.map((day, k) => ({
    day: day - t.nowDay,
    ammonia: band(seen[k]?.[0]),
    nitrite: band(seen[k]?.[1]),
    nitrate: band(seen[k]?.[2]),
    alkalinity: band(seen[k]?.[3]),
  }));
}

/** What the fit believes of the tank now, 10, 50 and 90 %: the numbers a derivation is written with. */
export interface Fitted {
  particles: number;
  tempC: number;
  warmth: number;
  believedL: number;
  zeroAmmonia: number;
  zeroNitrite: number;
  /** Growth, mg N/L a day of capacity for each mg N/L, at 25 C. */
  muA: Triple;
  muN: Triple;
  /** Half-saturations, mg N/L. */
  ka: Triple;
  kn: Triple;
  /** Capacities now, mg N/L a day. */
  capacityA: Triple;
  capacityN: Triple;
  /** Real over believed volume. */
  volume: Triple;
}

export type Triple = [number, number, number];

export function fittedNumbers(p: Posterior): Fitted {
  const { timeline: t, particles: n } = p;
  const m = machineFor(t);
  const of = (): Float64Array => new Float64Array(n);
  const lists = { muA: of(), muN: of(), ka: of(), kn: of(), capacityA: of(), capacityN: of(), volume: of() };
  for (let i = 0; i < n; i++) {
    paramsFrom(p.z, i * DIMENSIONS, p.prior, m.params);
    for (const key of ['muA', 'muN', 'ka', 'kn', 'volume'] as const) lists[key][i] = m.params[key];
    lists.capacityA[i] = p.states[i * STATE_SIZE + S.x] as number;
    lists.capacityN[i] = p.states[i * STATE_SIZE + S.y] as number;
  }
  const triple = (list: Float64Array): Triple => {
    const sorted = list.sort();
    const q = (share: number) => sorted[Math.round(share * (n - 1))] ?? 0;
    return [q(0.1), q(0.5), q(0.9)];
  };
  return {
    particles: n,
    tempC: t.tempC,
    warmth: warmthAt(t.tempC),
    believedL: t.believedL,
    zeroAmmonia: t.zeroAmmonia,
    zeroNitrite: t.zeroNitrite,
    muA: triple(lists.muA),
    muN: triple(lists.muN),
    ka: triple(lists.ka),
    kn: triple(lists.kn),
    capacityA: triple(lists.capacityA),
    capacityN: triple(lists.capacityN),
    volume: triple(lists.volume),
  };
}
