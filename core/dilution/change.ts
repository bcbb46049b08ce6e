/** Water changes as plans: one big or several small, what the new water brings, and what was there before a forgotten test. */
import { assertPositive, assertRange } from '../check';
import { afterWaterChange } from './dilution';

/** Concentration after each of n equal changes of a fraction; the first entry is before any. */
export function dilutionSteps(before: number, fraction: number, incoming: number, changes: number): number[] {
  assertRange('changes', changes, 1, 60, 'changes');
  const out = [before];
  for (let i = 0; i < changes; i++) out.push(afterWaterChange(out[i] ?? before, fraction, incoming));
  return out;
}

/** Fraction of each of n equal changes that leads to a goal: 1 - ((goal - new)/(before - new))^(1/n).
 *  Check by hand: 40 to 10 with 0 in two: 1 - sqrt(0.25) = 0.5. @throws RangeError when the goal does not lie between. */
export function fractionForSteps(before: number, goal: number, incoming: number, changes: number): number {
  assertRange('changes', changes, 1, 60, 'changes');
  if (before === incoming) throw new RangeError('the new water is like the tank: a change moves nothing');
  const left = (goal - incoming) / (before - incoming);
  if (!(left > 0 && left <= 1))
    throw new RangeError(
      `a goal of ${goal} cannot be reached: it must lie between the tank (${before}) and the new water (${incoming}), not at or beyond the new water`,
    );
  return 1 - left ** (1 / changes);
}

/** Concentration left by exchanging a volume without a break (in and out at once): new + (before - new) exp(-share). */
export function afterContinuousExchange(before: number, exchangedShare: number, incoming: number): number {
  assertRange('exchangedShare', exchangedShare, 0, 20, 'tank volumes');
  return incoming + (before - incoming) * Math.exp(-exchangedShare);
}

/** What was there before a change whose test was forgotten: (after - new f)/(1 - f). An estimate; mark it so. */
export function beforeFromAfter(after: number, fraction: number, incoming: number): number {
  assertRange('fraction', fraction, 0, 0.95, 'of the volume: above that the new water hides what was there');
  return Math.max(0, (after - incoming * fraction) / (1 - fraction));
}

/** Time to heat water, hours: 4.0 kJ per kg and kelvin, density about 1.024. Check by hand: 50 L by 10 K with 200 W: 50 x 1.024 x 4000 x 10 / 200 / 3600 = 2.84 h. */
export function heatingHours(litres: number, fromC: number, toC: number, watts: number): number {
  assertPositive('litres', litres, 'L');
  assertPositive('watts', watts, 'W');
  assertRange('fromC', fromC, -2, 45, 'C');
  assertRange('toC', toC, -2, 45, 'C');
  return toC <= fromC ? 0 : (litres * 1.024 * 4000 * (toC - fromC)) / watts / 3600;
}
