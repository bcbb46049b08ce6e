/** Heat, flow, sand, media, power cuts, weight and light: the arithmetic of putting a tank up. Estimates say so. */
import { assertPositive, assertRange } from '../check';
import { densityKgPerM3 } from '../seawater';
import { VOLUME } from '../volume';
import { EQUIPMENT } from './limits';

/** Loss of a tank to its room, W per kelvin: 8 W/m2K through glass on all outer faces and from the open surface with its evaporation
 *  15 W/m2K. A stated estimate; a lid halves the surface's part. */
export function heatLossWPerK(lengthCm: number, widthCm: number, heightCm: number, lid: boolean): number {
  assertPositive('lengthCm', lengthCm, 'cm');
  assertPositive('widthCm', widthCm, 'cm');
  assertPositive('heightCm', heightCm, 'cm');
  const surface = (lengthCm * widthCm) / 1e4;
  const sides = (2 * (lengthCm + widthCm) * heightCm) / 1e4;
  const { glassLoss, underShare, openLoss, lidShare } = EQUIPMENT;
  return glassLoss * (sides + surface * underShare) + openLoss * surface * (lid ? lidShare : 1);
}

/** Heater that holds the tank above the coldest room, with half in reserve. */
export function heaterWatts(
  lossWPerK: number,
  tankC: number,
  coldestRoomC: number,
): { holdW: number; suggestedW: number } {
  assertPositive('lossWPerK', lossWPerK, 'W/K');
  assertRange('tankC', tankC, 10, 35, 'C');
  assertRange('coldestRoomC', coldestRoomC, -20, 45, 'C');
  const holdW = Math.max(0, lossWPerK * (tankC - coldestRoomC));
  const { heaterReserve, heaterStep } = EQUIPMENT;
  return { holdW, suggestedW: Math.ceil((holdW * heaterReserve) / heaterStep) * heaterStep };
}

/** What one more degree costs a month, in the currency of the price. Check by hand: 10 W/K x 24 x 30 / 1000 = 7.2 kWh. */
export function degreeCostPerMonth(lossWPerK: number, pricePerKWh: number): number {
  assertPositive('lossWPerK', lossWPerK, 'W/K');
  assertRange('pricePerKWh', pricePerKWh, 0, 10, 'a kWh');
  return ((lossWPerK * 24 * 30) / 1000) * pricePerKWh;
}

/** Flow left at a head: falls straight to nothing at the highest head. A stated estimate; real curves bend. Turnover in tank volumes an hour. */
export function realFlow(o: { ratedLPerH: number; headCm: number; maxHeadCm: number; netL: number }): {
  litresPerHour: number;
  turnover: number;
} {
  assertPositive('ratedLPerH', o.ratedLPerH, 'L/h');
  assertPositive('maxHeadCm', o.maxHeadCm, 'cm');
  assertRange('headCm', o.headCm, 0, o.maxHeadCm, 'cm, below the highest the pump reaches');
  assertPositive('netL', o.netL, 'L');
  const litresPerHour = o.ratedLPerH * (1 - o.headCm / o.maxHeadCm);
  return { litresPerHour, turnover: litresPerHour / o.netL };
}

/** Sand for a depth, and what it displaces. Check by hand: 4 cm on 100 x 50 at 1.3 kg/L = 26 kg; grains 2.8 kg/L displace 9.29 L. */
export function sandFor(
  areaCm2: number,
  depthCm: number,
  bulkKgPerL: number,
): { kg: number; displacesL: number } {
  assertPositive('areaCm2', areaCm2, 'cm2');
  assertRange('depthCm', depthCm, 0.1, 40, 'cm');
  assertRange('bulkKgPerL', bulkKgPerL, 0.8, 2, 'kg/L');
  const kg = ((areaCm2 * depthCm) / 1000) * bulkKgPerL;
  return { kg, displacesL: kg / VOLUME.sandKgPerL };
}

/** kg of sand for each litre of water it displaces: what a full litre of it weighs, over the share that is grain.
 *  Check by hand: 1.3 kg with 54 % pores = 2.826 kg/L. */
export function sandKgPerL(bulkKgPerL: number, poreShare: number): number {
  assertPositive('bulkKgPerL', bulkKgPerL, 'kg/L');
  assertRange('poreShare', poreShare, 0, 0.8, 'of its volume');
  return bulkKgPerL / (1 - poreShare);
}

/** Litres a mass of rock displaces when the water gets into a share of its pores. Solid aragonite 2.93 kg/L. */
export function rockDisplaces(kg: number, closedPoreShare: number): number {
  assertPositive('kg', kg, 'kg');
  assertRange('closedPoreShare', closedPoreShare, 0, 0.6, 'of its volume');
  return kg / EQUIPMENT.aragoniteKgPerL / (1 - closedPoreShare);
}

/** Media blocks, by what the maker states a block serves. */
export function mediaBlocks(
  netL: number,
  litresPerBlockLight: number,
  litresPerBlockHeavy: number,
): { light: number; heavy: number } {
  assertPositive('netL', netL, 'L');
  assertPositive('litresPerBlockLight', litresPerBlockLight, 'L a block');
  assertPositive('litresPerBlockHeavy', litresPerBlockHeavy, 'L a block');
  return { light: Math.ceil(netL / litresPerBlockLight), heavy: Math.ceil(netL / litresPerBlockHeavy) };
}

/** What drains to the sump when the power goes: display area x (running level - lowest open outlet or lip) + pipes. */
export function drainDown(o: { areaCm2: number; dropCm: number; pipesL: number; sumpRoomL: number }): {
  litres: number;
  spareL: number;
} {
  assertPositive('areaCm2', o.areaCm2, 'cm2');
  assertRange('dropCm', o.dropCm, 0, 200, 'cm');
  assertRange('pipesL', o.pipesL, 0, 1000, 'L');
  assertRange('sumpRoomL', o.sumpRoomL, 0, 10000, 'L');
  const litres = (o.areaCm2 * o.dropCm) / 1000 + o.pipesL;
  return { litres, spareL: o.sumpRoomL - litres };
}

/** Mass of the filled system and its load on the floor. Glass 2.5 kg/L. */
export function systemWeight(o: {
  netL: number;
  rockKg: number;
  sandKg: number;
  lengthCm: number;
  widthCm: number;
  heightCm: number;
  glassMm: number;
  standKg: number;
}): { kg: number; kgPerM2: number; glassKg: number } {
  assertPositive('netL', o.netL, 'L');
  assertPositive('lengthCm', o.lengthCm, 'cm');
  assertPositive('widthCm', o.widthCm, 'cm');
  assertPositive('heightCm', o.heightCm, 'cm');
  assertRange('glassMm', o.glassMm, 2, 50, 'mm');
  assertRange('standKg', o.standKg, 0, 2000, 'kg');
  const glassL =
    ((o.lengthCm * o.widthCm + 2 * (o.lengthCm + o.widthCm) * o.heightCm) * (o.glassMm / 10)) / 1000;
  const glassKg = glassL * EQUIPMENT.glassKgPerL;
  const kg = (o.netL * densityKgPerM3(35, 25)) / 1000 + o.rockKg + o.sandKg + glassKg + o.standKg;
  return { kg, kgPerM2: kg / ((o.lengthCm * o.widthCm) / 1e4), glassKg };
}

/** Light of a day, mol/m2: PAR x 3600 x hours / 1e6. Check by hand: 100 x 10 h = 3.6. */
export function dailyLight(par: number, hours: number): number {
  assertRange('par', par, 0, 3000, 'µmol/m2/s');
  assertRange('hours', hours, 0, 24, 'h');
  return (par * 3600 * hours) / 1e6;
}

export interface LightStep {
  day: number;
  percent: number;
}

/** A ramp by equal ratios from a start to an end percentage: each step multiplies by the same number, each is held some days.
 *  Check by hand: 20 to 80 in two steps: x2 each: 20, 40, 80. @throws RangeError when it would not rise. */
export function lightRamp(
  startPercent: number,
  endPercent: number,
  steps: number,
  holdDays: number,
): LightStep[] {
  assertRange('startPercent', startPercent, 1, 100, '%');
  assertRange('endPercent', endPercent, startPercent, 100, '%, at or above the start');
  assertRange('steps', steps, 1, 60, 'steps');
  assertRange('holdDays', holdDays, 1, 60, 'days');
  const ratio = (endPercent / startPercent) ** (1 / steps);
  return Array.from({ length: steps + 1 }, (_, i) => ({
    day: i * holdDays,
    percent: startPercent * ratio ** i,
  }));
}

export type Fit = 'along' | 'acrossFloor' | 'acrossSpace' | 'no';

/** How a straight heater lies in a sump full of water to a depth: along a side, across the floor, from corner to corner, or not at all. Check by hand: a
 *  box of 30 x 40 x 20: 40 along, 50 across the floor, 53.9 in space. */
export function heaterFit(heaterCm: number, lengthCm: number, widthCm: number, depthCm: number): Fit {
  assertPositive('heaterCm', heaterCm, 'cm');
  if (heaterCm <= Math.max(lengthCm, widthCm)) return 'along';
  if (heaterCm <= Math.hypot(lengthCm, widthCm)) return 'acrossFloor';
  return heaterCm <= Math.hypot(lengthCm, widthCm, depthCm) ? 'acrossSpace' : 'no';
}
