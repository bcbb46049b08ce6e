/** What happens in the bag's water once it is opened: salt, alkalinity, inorganic carbon and ammonia mix with the water that drips in, CO2
 *  escapes, pH climbs, and ammonium turns to free ammonia.  dDIC/dt = (q/V)(DICw - DIC) - k ([CO2] - K0 420 uatm); the others mix without
 *  the last term; temperature as in drip.ts.  Sources: conservation of mass; carbonate.ts; free share after Yao & Millero 1995, pH on the
 *  total scale (a hobby meter, near the NBS scale, shows about 0.13 more).
 *  Check (science notes 8): 2 mg N/L, pH 7.0, TA 2500 opened at 35/25: after an hour free 0.020, 0.038, 0.057 for k 1, 3, 6 an hour. */
import { assertPositive, assertRange } from '../check';
import { acidBase, densityKgPerM3, dicAt, phIn, specificGravity } from '../seawater';
import { heatAfter } from './heat';
import { ACCLIMATION } from './limits';

export interface BagWater {
  litres: number;
  salinity: number;
  tempC: number;
  /** Total scale. */
  ph: number;
  /** Total ammonia, mg N/L. */
  tanMgNPerL: number;
  alkalinityUmolPerKg: number;
}

export interface BagInput {
  bag: BagWater;
  /** The water it joins, without ammonia. */
  water: { salinity: number; tempC: number; alkalinityUmolPerKg: number; dicUmolPerKg: number };
  roomTempC: number;
  floating: boolean;
  /** Poured off when this is reached, down to `pourToL`. */
  containerL: number;
  pourToL: number;
  dripLPerHour: number;
  /** CO2 that escapes, per hour of what is over the balance with the air: 1 still, 3 usual, 6 splashing. */
  co2PerHour: number;
  minutes: number;
}

export interface BagPoint {
  minute: number;
  litres: number;
  salinity: number;
  tempC: number;
  ph: number;
  tanMgNPerL: number;
  freeMgNPerL: number;
}

export interface BagCourse {
  /** Minute by minute, from the opening. */
  series: BagPoint[];
  peakFreeMgNPerL: number;
  peakAtMinute: number;
  /** First minute at which salinity and temperature are near enough; null when not within the time. */
  doneAtMinute: number | null;
  pourOffMinutes: number[];
}

/** Partial pressure of CO2 that water in the open comes to, atm. */
const AIR = 420e-6;
const MOL_PER_MG_N = 1 / 14007;

/** Runs an opened bag through its drip. @throws RangeError naming the field that is off its scale */
export function bagCourse(input: BagInput): BagCourse {
  assertBag(input);
  const { bag, water } = input;
  const perStep = (input.dripLPerHour / 60) * ACCLIMATION.bagStepMinutes;
  const steps = Math.round(input.minutes / ACCLIMATION.bagStepMinutes);
  const targetSg = specificGravity(water.salinity, '25/25');
  let { litres, salinity, tempC, ph } = bag;
  let tan = bag.tanMgNPerL;
  let alkalinity = bag.alkalinityUmolPerKg * 1e-6;
  let ammonia = molPerKg(tan, salinity, tempC);
  let dic = dicAt(bag.ph, alkalinity, onScale(salinity), tempC, ammonia);
  const course: BagCourse = {
    series: [],
    peakFreeMgNPerL: -Infinity,
    peakAtMinute: 0,
    doneAtMinute: null,
    pourOffMinutes: [],
  };
  for (let i = 0; ; i++) {
    const minute = i * ACCLIMATION.bagStepMinutes;
    const chemistry = acidBase(onScale(salinity), tempC);
    ph = phIn(chemistry, alkalinity, dic, ammonia, ph);
    const freeMgNPerL = tan * chemistry.freeShare(ph);
    if (freeMgNPerL > course.peakFreeMgNPerL) {
      course.peakFreeMgNPerL = freeMgNPerL;
      course.peakAtMinute = minute;
    }
    const near =
      Math.abs(specificGravity(salinity, '25/25') - targetSg) <= ACCLIMATION.nearSg &&
      Math.abs(tempC - water.tempC) <= ACCLIMATION.nearC;
    if (near) course.doneAtMinute ??= minute;
    if (Number.isInteger(minute))
      course.series.push({ minute, litres, salinity, tempC, ph, tanMgNPerL: tan, freeMgNPerL });
    if (i === steps) return course;
    const outgas = (ACCLIMATION.bagStepMinutes / 60) * input.co2PerHour;
    dic -= outgas * (dic * chemistry.co2Share(ph) - chemistry.k0 * AIR);
    const share = perStep / (litres + perStep);
    const mix = (x: number, y: number) => x + (y - x) * share;
    litres += perStep;
    salinity = mix(salinity, water.salinity);
    alkalinity = mix(alkalinity, water.alkalinityUmolPerKg * 1e-6);
    dic = mix(dic, water.dicUmolPerKg * 1e-6);
    tan = mix(tan, 0);
    ammonia = molPerKg(tan, salinity, tempC);
    const surroundings = input.floating ? water.tempC : input.roomTempC;
    tempC = heatAfter(
      mix(tempC, water.tempC),
      surroundings,
      input.floating,
      litres,
      ACCLIMATION.bagStepMinutes,
    );
    if (perStep > 0 && litres >= input.containerL - 1e-9) {
      litres = input.pourToL;
      course.pourOffMinutes.push(minute + ACCLIMATION.bagStepMinutes);
    }
  }
}

/** The carbonate constants end at 19; fresher water is reckoned as if it were that. */
const onScale = (salinity: number): number => Math.max(ACCLIMATION.carbonateFrom, salinity);

const molPerKg = (mgNPerL: number, salinity: number, tempC: number): number =>
  ((mgNPerL * MOL_PER_MG_N) / densityKgPerM3(salinity, tempC)) * 1000;

function assertBag({ bag, water, ...o }: BagInput): void {
  assertPositive('bag.litres', bag.litres, 'L');
  assertRange('bag.salinity', bag.salinity, 5, 42, 'practical salinity');
  assertRange('bag.tempC', bag.tempC, 5, 35, 'C');
  assertRange('bag.ph', bag.ph, 5, 9.5, 'pH');
  assertRange('bag.tanMgNPerL', bag.tanMgNPerL, 0, 50, 'mg N/L');
  assertRange('bag.alkalinityUmolPerKg', bag.alkalinityUmolPerKg, 200, 10000, 'umol/kg');
  assertRange('water.salinity', water.salinity, 5, 42, 'practical salinity');
  assertRange('water.tempC', water.tempC, 5, 35, 'C');
  assertRange('water.alkalinityUmolPerKg', water.alkalinityUmolPerKg, 200, 10000, 'umol/kg');
  assertRange('water.dicUmolPerKg', water.dicUmolPerKg, 100, 10000, 'umol/kg');
  assertRange('roomTempC', o.roomTempC, -10, 45, 'C');
  assertRange('dripLPerHour', o.dripLPerHour, 0, 100, 'L/h');
  assertRange('co2PerHour', o.co2PerHour, 0, 60, 'per hour');
  assertRange('minutes', o.minutes, 1, 24 * 60, 'minutes');
  assertPositive('containerL', o.containerL, 'L');
  assertPositive('pourToL', o.pourToL, 'L');
  if (!(o.containerL > bag.litres))
    throw new RangeError(`"containerL" must be more than the bag's ${bag.litres} L, got ${o.containerL}`);
  if (!(o.pourToL < o.containerL))
    throw new RangeError(`"pourToL" must be less than the container's ${o.containerL} L, got ${o.pourToL}`);
}
