/** Readings the fitted model did not expect: said before they are believed. */
import { emptyParams, biasFrom, DIMENSIONS, noiseFrom, paramsFrom } from './prior';
import { logChance, machineFor, type Posterior } from './infer';
import { runPlan, startState } from './kernel';

export interface Surprise {
  day: number;
  what: 'ammonia' | 'nitrite' | 'nitrate' | 'alkalinity';
  /** What the model expects there: 10, 50, 90 %. */
  expected: [number, number, number];
  low: number;
  high: number;
}

const NAMES = ['ammonia', 'nitrite', 'nitrate', 'alkalinity'] as const;

/** Readings of the last ten days whose mean chance is below a tenth of that of a usual one. At most three. */
export function surprises(p: Posterior): Surprise[] {
  const { timeline: t, prior } = p;
  const n = Math.min(p.particles, 200);
  const m = machineFor(t);
  const seen = t.observations.map(() => new Float64Array(n));
  const params = emptyParams();
  for (let i = 0; i < n; i++) {
    const at = i * DIMENSIONS;
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
  const found: Surprise[] = [];
  t.observations.forEach((o, k) => {
    const list = seen[k];
    if (!list || t.nowDay - o.day > 10) return;
    const chance = list.reduce((sum, v) => sum + Math.exp(logChance(o, v)), 0) / n;
    if (chance > 0.05) return;
    const sorted = Float64Array.from(list).sort();
    const q = (share: number) => sorted[Math.round(share * (n - 1))] ?? 0;
    found.push({ day: o.day, what: NAMES[o.what], expected: [q(0.1), q(0.5), q(0.9)], low: o.low, high: o.high });
  });
  return found.slice(-3);
}
