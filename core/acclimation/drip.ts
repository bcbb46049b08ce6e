/** A drip from the tank into a container with the animal: salinity by mixing, temperature by mixing and loss to the room.
 *  dV/dt = q;  dS/dt = (q/V)(St - S);  dT/dt = (q/V)(Tt - T) - k (T - Troom).  When the container is full, water is poured
 *  off back to the starting volume. Salinity between pour-offs has the closed form (S0 V0 + St q t)/(V0 + q t).
 *  k: an open bucket of a few litres moves towards the room by about half in two and a half hours (0.28 /h), less for more water;
 *  it scales with surface over volume, V^(-1/3). A floating container follows the tank instead, about 2.5 /h through plastic. */
import { assertPositive, assertRange } from '../check';
import { specificGravity } from '../seawater';
import { heatAfter } from './heat';
import { ACCLIMATION } from './limits';

export interface DripInput {
  bag: { salinity: number; tempC: number; litres: number };
  water: { salinity: number; tempC: number };
  roomTempC: number;
  /** As it was begun, and each time it was floated or taken out since, minutes from the start. */
  floating: boolean;
  changes?: readonly { minutes: number; on: boolean }[];
  /** Poured back to the bag's volume when this is reached. */
  containerL: number;
  dropsPerSecond: number;
  dropsPerMl: number;
}

export interface DripPoint {
  minutes: number;
  salinity: number;
  tempC: number;
  litres: number;
}

export interface DripPlan {
  points: DripPoint[];
  pourOffMinutes: number[];
  /** First minute at which both hold; null when not within the horizon. */
  readyMinutes: number | null;
  salinityReadyMinutes: number | null;
  temperatureReadyMinutes: number | null;
  litresPerHour: number;
}

/** Near enough: specific gravity at 25/25 and degrees. */
export const NEAR_SG = ACCLIMATION.nearSg;
export const NEAR_C = ACCLIMATION.nearC;

const STEP_MINUTES = ACCLIMATION.stepMinutes;

/** Litres an hour of a drip. Check: 2 drops/s at 20 drops/mL = 0.36 L/h. */
export function dripLitresPerHour(dropsPerSecond: number, dropsPerMl: number): number {
  assertPositive('dropsPerSecond', dropsPerSecond, 'drops per second');
  assertRange('dropsPerMl', dropsPerMl, 5, 60, 'drops per mL');
  return (dropsPerSecond * 3600) / dropsPerMl / 1000;
}

/** Simulates the drip. One point a minute, and the minute at which salinity and temperature are near enough.
 *  @throws RangeError for a container no larger than the bag's water, or values off the scales. */
export function dripPlan(input: DripInput, horizonMinutes = 240): DripPlan {
  const { bag, water } = input;
  assertPositive('litres', bag.litres, 'L');
  assertRange('bag salinity', bag.salinity, 2, 42, 'practical salinity');
  assertRange('tank salinity', water.salinity, 2, 42, 'practical salinity');
  if (!(input.containerL > bag.litres)) {
    throw new RangeError(`"containerL" must be more than the bag's ${bag.litres} L, got ${input.containerL}`);
  }
  const litresPerHour = dripLitresPerHour(input.dropsPerSecond, input.dropsPerMl);
  const perMinute = litresPerHour / 60;
  const tankSg = specificGravity(water.salinity, '25/25');
  const points: DripPoint[] = [{ minutes: 0, salinity: bag.salinity, tempC: bag.tempC, litres: bag.litres }];
  const pourOffMinutes: number[] = [];
  let { salinity, tempC } = bag;
  let litres = bag.litres;
  const near = () => ({
    salt: Math.abs(specificGravity(salinity, '25/25') - tankSg) <= NEAR_SG,
    heat: Math.abs(tempC - water.tempC) <= NEAR_C,
  });
  let salinityReadyMinutes: number | null = near().salt ? 0 : null;
  let temperatureReadyMinutes: number | null = near().heat ? 0 : null;
  let readyMinutes: number | null = near().salt && near().heat ? 0 : null;
  const steps = Math.round(horizonMinutes / STEP_MINUTES);
  for (let i = 1; i <= steps; i++) {
    const added = perMinute * STEP_MINUTES;
    salinity = (salinity * litres + water.salinity * added) / (litres + added);
    tempC = (tempC * litres + water.tempC * added) / (litres + added);
    litres += added;
    const began = (i - 1) * STEP_MINUTES;
    const floats = floatsAt(input, began);
    tempC = heatAfter(tempC, floats ? water.tempC : input.roomTempC, floats, litres, STEP_MINUTES);
    const minutes = i * STEP_MINUTES;
    if (litres >= input.containerL) {
      litres = bag.litres;
      pourOffMinutes.push(minutes);
    }
    const now = near();
    if (now.salt) salinityReadyMinutes ??= minutes;
    if (now.heat) temperatureReadyMinutes ??= minutes;
    if (now.salt && now.heat) readyMinutes ??= minutes;
    if (minutes % 1 === 0) points.push({ minutes, salinity, tempC, litres });
  }
  return {
    points,
    pourOffMinutes,
    readyMinutes,
    salinityReadyMinutes,
    temperatureReadyMinutes,
    litresPerHour,
  };
}

/** Whether the container floated at a moment: what happens later rewrites nothing that was. */
const floatsAt = ({ floating, changes = [] }: DripInput, minutes: number): boolean =>
  changes.reduce((on, c) => (c.minutes <= minutes ? c.on : on), floating);

/** Point at a moment, linear between minutes, clamped to the plan. */
export function dripAt(plan: DripPlan, minutes: number): DripPoint {
  const last = plan.points[plan.points.length - 1];
  const i = Math.max(0, Math.floor(minutes));
  const a = plan.points[i];
  const b = plan.points[i + 1];
  if (!last) throw new RangeError('"points" of a plan must not be empty');
  if (!a || !b) return a ?? last;
  const f = Math.min(1, Math.max(0, minutes - i));
  const mix = (x: number, y: number) => x + (y - x) * f;
  return {
    minutes,
    salinity: mix(a.salinity, b.salinity),
    tempC: mix(a.tempC, b.tempC),
    litres: b.litres < a.litres ? a.litres : mix(a.litres, b.litres),
  };
}

/** Tank water used from the start to a moment: what must be replaced with salt water, L. */
export const dripWaterUsedL = (plan: DripPlan, minutes: number): number =>
  (plan.litresPerHour * Math.max(0, minutes)) / 60;
