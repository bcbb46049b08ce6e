/** New salt water: how much salt, learned from the person's own batches. */
import { assertPositive, assertRange } from '../check';
import { DOSING } from './limits';

export interface SaltBatch {
  litres: number;
  grams: number;
  salinity: number;
}

export interface SaltStrength {
  /** Grams for one litre of 35. */
  gramsPerLitre: number;
  /** Standard deviation as a share. */
  sdShare: number;
  batches: number;
}

/** Strength of the person's mix: the mean of the last six batches, drawn towards 38 g/L while there are few.
 *  Check by hand: one batch of 40 g/L -> (40 + 1.5 x 38)/2.5 = 38.8. */
export function learnedStrength(batches: readonly SaltBatch[]): SaltStrength {
  const used = batches.slice(-6).map((b) => (b.grams / b.litres) * (35 / b.salinity));
  for (const g of used)
    assertRange('grams a litre for 35', g, 20, 80, 'g/L: check litres and grams of the batch');
  const n = used.length;
  const gramsPerLitre =
    (used.reduce((a, b) => a + b, 0) + DOSING.saltPriorBatches * DOSING.saltGramsPerLitre) /
    (n + DOSING.saltPriorBatches);
  return { gramsPerLitre, sdShare: 0.06 / Math.sqrt(1 + n / DOSING.saltPriorBatches), batches: n };
}

/** Salt for a batch. Check by hand: 20 L to 35 at 38 g/L = 760 g. */
export function saltFor(litres: number, salinity: number, gramsPerLitreAt35: number): number {
  assertPositive('litres', litres, 'L');
  assertRange('salinity', salinity, 2, 42, 'practical salinity');
  assertPositive('gramsPerLitreAt35', gramsPerLitreAt35, 'g/L');
  return (litres * gramsPerLitreAt35 * salinity) / 35;
}

export type BatchCorrection =
  { kind: 'right' } | { kind: 'salt'; grams: number } | { kind: 'water'; litres: number };

/** What a batch that came out wrong needs: salt when weak, fresh water when strong. Mass of salt is kept; volumes add.
 *  Check by hand: 20 L of 37 to 35 -> 20 x (37/35 - 1) = 1.14 L water. */
export function correctBatch(
  litres: number,
  is: number,
  target: number,
  gramsPerLitreAt35: number,
): BatchCorrection {
  assertPositive('litres', litres, 'L');
  assertRange('is', is, 0, 60, 'practical salinity');
  assertRange('target', target, 2, 42, 'practical salinity');
  if (Math.abs(is - target) < DOSING.batchRightWithin) return { kind: 'right' };
  if (is < target) return { kind: 'salt', grams: (litres * gramsPerLitreAt35 * (target - is)) / 35 };
  return { kind: 'water', litres: litres * (is / target - 1) };
}

/** Salinity correction of a tank with animals, day by day. Down by swapping water for fresh, up by topping up with salt water in place
 *  of fresh: both limited to about 1 a day. */
export interface SalinityStep {
  day: number;
  from: number;
  to: number;
  /** Tank water to take out and replace with RO/DI (down), L. */
  swapL: number;
  /** Litres of evaporation to replace with water of this salinity (up). */
  topUpL: number;
  topUpSalinity: number;
}

/** Steps of at most `maxPerDay`. Up: the day's evaporation is replaced by water rich enough, never above 40; where that cannot
 *  carry the step, the step is what it can carry. @throws RangeError for targets out of 30..38 or no evaporation to use on the way up. */
export function salinityPlan(o: {
  from: number;
  to: number;
  netL: number;
  evaporationLPerDay: number;
  maxPerDay: number;
}): SalinityStep[] {
  assertRange('from', o.from, 20, 42, 'practical salinity');
  assertRange('to', o.to, 20, 38, 'practical salinity');
  assertPositive('netL', o.netL, 'L');
  assertRange('maxPerDay', o.maxPerDay, 0.1, 2, 'practical salinity a day');
  const steps: SalinityStep[] = [];
  let s = o.from;
  for (let day = 1; Math.abs(s - o.to) > 0.05 && day <= 120; day++) {
    const wanted = Math.max(-o.maxPerDay, Math.min(o.maxPerDay, o.to - s));
    if (wanted < 0) {
      const to = s + wanted;
      steps.push({ day, from: s, to, swapL: o.netL * (1 - to / s), topUpL: 0, topUpSalinity: 0 });
      s = to;
    } else {
      assertPositive(
        'evaporationLPerDay',
        o.evaporationLPerDay,
        'L a day: salinity rises by topping up what evaporated with salt water',
      );
      const topUpSalinity = Math.min(40, (wanted * o.netL) / o.evaporationLPerDay);
      const to = s + (topUpSalinity * o.evaporationLPerDay) / o.netL;
      steps.push({ day, from: s, to, swapL: 0, topUpL: o.evaporationLPerDay, topUpSalinity });
      s = to;
    }
  }
  return steps;
}
