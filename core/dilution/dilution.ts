/** Mixing and dilution of whatever is dissolved. Conservation of mass; volumes add. */
import { assertPositive, assertRange } from '../check';

/** Concentration after swapping a fraction: C(1-f) + Cnew f. Any unit, the same for all three. */
export function afterWaterChange(before: number, fraction: number, incoming: number): number {
  assertRange('fraction', fraction, 0, 1, 'of the volume');
  return before * (1 - fraction) + incoming * fraction;
}

/** Fraction to swap to get from `before` to `target` with water at `incoming`.
 *  @throws RangeError when the target does not lie between the two. Check: 40 -> 10 with 0: 0.75. */
export function changeFractionFor(before: number, target: number, incoming: number): number {
  if (before === incoming)
    throw new RangeError(`"incoming" equals what is in the tank (${before}): a change moves nothing`);
  const fraction = (before - target) / (before - incoming);
  assertRange('fraction', fraction, 0, 1, 'of the volume: the target must lie between tank and new water');
  return fraction;
}

/** Salinity after fresh water has evaporated: S V/(V-e). */
export function salinityAfterEvaporation(salinity: number, volumeL: number, evaporatedL: number): number {
  assertPositive('volumeL', volumeL, 'L');
  assertRange('evaporatedL', evaporatedL, 0, volumeL * 0.99, 'L, less than the tank holds');
  return (salinity * volumeL) / (volumeL - evaporatedL);
}
