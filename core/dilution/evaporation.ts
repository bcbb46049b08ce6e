/** Evaporation, top-off and what goes wrong with it. Salt stays, water goes. */
import { assertPositive, assertRange } from '../check';

/** Litres behind a fall of the surface. Check by hand: 5 mm over 100 x 50 cm = 2.5 L. */
export function litresFromDrop(mm: number, areaCm2: number): number {
  assertPositive('mm', mm, 'mm');
  assertPositive('areaCm2', areaCm2, 'cm2');
  return ((mm / 10) * areaCm2) / 1000;
}

/** Rise of salinity in a day without top-off: S e/(V - e). */
export function swingPerDay(salinity: number, netL: number, evaporationL: number): number {
  assertRange('salinity', salinity, 2, 42, 'practical salinity');
  assertPositive('netL', netL, 'L');
  assertRange('evaporationL', evaporationL, 0, netL * 0.9, 'L a day, less than the tank holds');
  return (salinity * evaporationL) / (netL - evaporationL);
}

/** Salinity after fresh water has run in for some hours. Until the rim is reached nothing leaves (S V/(V + q t)); afterwards the surplus
 *  flows over and carries salt with it (exponential). */
export function stuckOn(o: {
  salinity: number;
  netL: number;
  litresPerHour: number;
  hours: number;
  roomL: number;
  reservoirL: number;
}): { salinity: number; overflowL: number } {
  assertRange('salinity', o.salinity, 2, 42, 'practical salinity');
  assertPositive('netL', o.netL, 'L');
  assertPositive('litresPerHour', o.litresPerHour, 'L/h');
  assertRange('hours', o.hours, 0, 1000, 'h');
  assertRange('roomL', o.roomL, 0, 1e5, 'L');
  const inL = Math.min(o.litresPerHour * o.hours, o.reservoirL);
  const kept = Math.min(inL, o.roomL);
  const overflowL = inL - kept;
  const full = o.netL + kept;
  return { salinity: ((o.salinity * o.netL) / full) * Math.exp(-overflowL / full), overflowL };
}
