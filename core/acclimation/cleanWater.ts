/** The way over clean water: a container mixed to the bag's own salinity, brought to the tank's by a part a day. Each day some water goes out and
 *  water of another salinity in: C' = (1 - f) C + f Cnew (science notes 7 and 8). */
import { assertPositive, assertRange } from '../check';
import { ACCLIMATION } from './limits';

export interface CleanWaterDay {
  /** Days from the first. */
  day: number;
  /** What it is brought to. */
  salinity: number;
  /** Litres that go out, and as many of water `with` so salty that come in. */
  litres: number;
  with: number;
}

/** The days after the first, which is mixed to the bag's salinity. Saltier: with water saltier than the tank's; fresher: with fresh water.
 *  @throws RangeError naming what is off its scale */
export function cleanWaterDays(o: { fromPpt: number; toPpt: number; litres: number }): CleanWaterDay[] {
  assertRange('fromPpt', o.fromPpt, 2, 42, 'ppt');
  assertRange('toPpt', o.toPpt, 2, 42, 'ppt');
  assertPositive('litres', o.litres, 'L');
  const gap = o.toPpt - o.fromPpt;
  const days = Math.ceil(Math.abs(gap) / ACCLIMATION.risePerDayPpt - 1e-9);
  const withPpt = gap > 0 ? o.toPpt + ACCLIMATION.saltierByPpt : 0;
  return Array.from({ length: days }, (_, i) => {
    const before = o.fromPpt + (gap * i) / days;
    const salinity = o.fromPpt + (gap * (i + 1)) / days;
    return {
      day: i + 1,
      salinity,
      litres: (o.litres * (salinity - before)) / (withPpt - before),
      with: withPpt,
    };
  });
}
