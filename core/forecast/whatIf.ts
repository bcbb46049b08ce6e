/** What-if: the same particles and the same futures under a changed plan. */
import { forecast, gainOf, type Forecast, type Quantiles } from './forecast';
import { KEEN, type CarePlan } from './plan';
import type { Posterior } from './infer';

export const WHAT_IFS = {
  warmer: {
    title: '{Δtemperature:2:0} warmer, up to {temperature:28:0}',
    change: (p: CarePlan): CarePlan => ({ ...p, warmerK: 2 }),
  },
  moreAmmonia: {
    title: 'dose 2 mg/L whenever it is clear',
    change: (p: CarePlan): CarePlan => ({ ...p, ...KEEN }),
  },
  bottle: { title: 'a new bottle of bacteria', change: (p: CarePlan): CarePlan => ({ ...p, bottle: true }) },
  media: { title: 'media from a running tank', change: (p: CarePlan): CarePlan => ({ ...p, media: true }) },
  buffer: { title: 'alkalinity up by 2 dKH', change: (p: CarePlan): CarePlan => ({ ...p, bufferDkh: 2 }) },
  change: {
    title: 'half the water changed now',
    change: (p: CarePlan): CarePlan => ({ ...p, changeShare: 0.5 }),
  },
  lightFeed: {
    title: 'light daily feeding instead',
    change: (p: CarePlan, litres: number): CarePlan => ({
      ...p,
      doseMgNPerL: 0,
      feedMgNPerDay: 0.08 * litres,
    }),
  },
  wait: {
    title: 'wait and add nothing',
    change: (p: CarePlan): CarePlan => ({ ...p, doseMgNPerL: 0, feedMgNPerDay: 0 }),
  },
} as const satisfies Record<string, { title: string; change: (p: CarePlan, litres: number) => CarePlan }>;
export type WhatIfId = keyof typeof WHAT_IFS;

export interface WhatIf {
  id: WhatIfId;
  ready: Quantiles;
  /** Days won against the present course; negative is lost. */
  gain: Quantiles;
  /** Share of futures that get there only so. */
  reachesMore: number;
}

/** The courses that make sense for a tank: with animals in none that doses or stops feeding. */
export const coursesFor = (animalsIn: boolean): WhatIfId[] =>
  (Object.keys(WHAT_IFS) as WhatIfId[]).filter(
    (id) => !animalsIn || (id !== 'moreAmmonia' && id !== 'wait' && id !== 'lightFeed'),
  );

export function whatIf(
  posterior: Posterior,
  base: Forecast,
  plan: CarePlan,
  id: WhatIfId,
  seed: number,
): WhatIf {
  const other = forecast(posterior, WHAT_IFS[id].change(plan, posterior.timeline.believedL), {
    horizonDays: base.horizonDays,
    seed,
    loadMgN: null,
  });
  const { days, reachesMore } = gainOf(base, other);
  return { id, ready: other.ready, gain: days, reachesMore };
}
