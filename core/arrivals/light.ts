/** Getting a coral used to the light of its new place: equal ratios of daily light, not equal steps (science notes 7 and 8).
 *  D_i = D0 (D1/D0)^(i/n), each step at most 1.2-fold and at least a week after the one before. */
import { assertRange } from '../check';
import { ARRIVALS } from './limits';

export interface LightStep {
  /** Days from the arrival. */
  day: number;
  /** Light at its place, umol m-2 s-1. */
  par: number;
  /** Light of the day, mol m-2. */
  dli: number;
}

/** Light of a day, mol m-2. Check: 150 umol m-2 s-1 for 9 h = 4.86. */
export function dailyLight(par: number, hours: number): number {
  assertRange('par', par, 1, 2500, 'umol m-2 s-1');
  assertRange('hours', hours, 1, 24, 'hours a day');
  return (par * 3600 * hours) / 1e6;
}

/** From the light it comes from (null: shop, unknown) to the light it is to have; the first is the day it arrives. Less light needs no steps.
 *  @throws RangeError naming what is off its scale */
export function lightSteps(o: { fromPar: number | null; toPar: number; hours: number }): LightStep[] {
  const from = o.fromPar ?? ARRIVALS.unknownPar;
  const [start, end] = [dailyLight(Math.min(from, o.toPar), o.hours), dailyLight(o.toPar, o.hours)];
  dailyLight(from, o.hours);
  const ratio = end / start;
  const n = Math.max(0, Math.ceil(Math.log(ratio) / Math.log(ARRIVALS.lightRatio) - 1e-9));
  return Array.from({ length: n + 1 }, (_, i) => {
    const dli = n === 0 ? end : start * ratio ** (i / n);
    return { day: i * ARRIVALS.lightStepDays, dli, par: (dli * 1e6) / 3600 / o.hours };
  });
}
