/** Readings the fitted model did not expect: said before they are believed. */
import { emptyParams, biasFrom, DIMENSIONS, noiseFrom, paramsFrom } from './prior';
import type { Posterior } from './infer';
import { logChance, machineFor } from './likelihood';
import { runPlan, startState } from './kernel';
import { TAKEN } from './limits';

export interface Surprise {
  day: number;
  what: 'ammonia' | 'nitrite' | 'nitrate' | 'alkalinity';
  /** What the model expects there: 10, 50, 90 %. */
  expected: [number, number, number];
  low: number;
  high: number;
}

const NAMES = ['ammonia', 'nitrite', 'nitrate', 'alkalinity'] as const;

/** What the fitted tanks would have shown at each reading, particle by particle, and the mean chance of what was read. */
function foreseen(p: Posterior): { seen: Float64Array[]; chance: number[] } {
  const { timeline: t, prior } = p;
  const n = Math.min(p.particles, 400);
  const m = machineFor(t);
  const seen = t.observations.map(() => new Float64Array(n));
  const params = emptyParams();
  for (let i = 0; i < n; i++) {
    const at = Math.floor((i * p.particles) / n) * DIMENSIONS;
    paramsFrom(p.z, at, prior, params);
    biasFrom(p.z, at, prior, m.bias);
    noiseFrom(p.z, at, m.noise);
    startState(m.state, params);
    runPlan(m.state, m.plan, params, m.noise, 0, t, (state, from, count) => {
      for (let k = from; k < from + count; k++) {
        const what = t.observations[k]?.what ?? 0;
        const list = seen[k];
        if (list) list[i] = (state[what === 3 ? 7 : what + 2] as number) * (m.bias[what] as number);
      }
    });
  }
  return {
    seen,
    chance: t.observations.map(
      (o, k) => (seen[k] as Float64Array).reduce((sum, v) => sum + Math.exp(logChance(o, v)), 0) / n,
    ),
  };
}

/** Readings the fitted tanks give no chance. `recent`: those of the last ten days, three at most. `share`: of all ammonia and nitrite
 *  readings, how many; much of it says that readings and log contradict each other, and the fit believes neither. */
export function surprises(p: Posterior): { recent: Surprise[]; share: number } {
  const { timeline: t } = p;
  const { seen, chance } = foreseen(p);
  const recent = t.observations
    .flatMap((o, k): Surprise[] => {
      if (t.nowDay - o.day > TAKEN.surpriseDays || (chance[k] as number) > TAKEN.surprisingChance) return [];
      const sorted = Float64Array.from(seen[k] as Float64Array).sort();
      const q = (share: number) => sorted[Math.round(share * (sorted.length - 1))] ?? 0;
      return [
        { day: o.day, what: NAMES[o.what], expected: [q(0.1), q(0.5), q(0.9)], low: o.low, high: o.high },
      ];
    })
    .slice(-3);
  const nitrogen = t.observations.flatMap((o, k) => (o.what < 2 ? [chance[k] as number] : []));
  return {
    recent,
    share: nitrogen.filter((c) => c <= TAKEN.surprisingChance).length / Math.max(1, nitrogen.length),
  };
}
