/** How a container of water follows the room, or the tank it floats in. */
import { ACCLIMATION } from './limits';

/** Temperature after some minutes: through plastic towards the tank, or towards the room, the slower the more water there is (surface over
 *  volume, V^(-1/3)). */
export function heatAfter(
  tempC: number,
  surroundingsC: number,
  floating: boolean,
  litres: number,
  minutes: number,
): number {
  const perHour = floating
    ? ACCLIMATION.floatingPerHour
    : ACCLIMATION.openPerHour * (ACCLIMATION.openLitres / litres) ** (1 / 3);
  return surroundingsC + (tempC - surroundingsC) * Math.exp((-perHour * minutes) / 60);
}
