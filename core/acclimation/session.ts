/** What a session needs besides its course: how long at the least, how fast for a time, and whether what was measured is near enough. */
import { alkalinityMolPerKg, dicAt, specificGravity } from '../seawater';
import type { BagInput } from './bag';
import { dripPlan, type DripInput } from './drip';
import { ACCLIMATION } from './limits';

/** Minutes an animal is given however small the gap: snails, shrimp, stars and corals bear no haste. */
export const leastMinutes = (
  who: readonly { group: 'fish' | 'invertebrate' | 'coral'; sensitivities: readonly string[] }[],
): number =>
  Math.max(
    ACCLIMATION.leastFishMinutes,
    ...who.map((s) =>
      s.sensitivities.includes('salinity')
        ? ACCLIMATION.leastSensitiveMinutes
        : s.group === 'fish'
          ? ACCLIMATION.leastFishMinutes
          : ACCLIMATION.leastOtherMinutes,
    ),
  );

/** Drops a second that bring the salinity near in so many minutes; null where even the fastest drip would not, or none is needed.
 *  Found by halving: a faster drip is never later. */
export function rateForMinutes(input: Omit<DripInput, 'dropsPerSecond'>, minutes: number): number | null {
  const readyAt = (dropsPerSecond: number) =>
    dripPlan({ ...input, dropsPerSecond }, Math.max(240, minutes)).salinityReadyMinutes ?? Infinity;
  const [slowest, fastest] = ACCLIMATION.dropsPerSecond;
  if (readyAt(fastest) > minutes || readyAt(slowest) === 0) return null;
  let low: number = slowest;
  let high: number = fastest;
  while (high - low > 0.01) {
    const mid = (low + high) / 2;
    if (readyAt(mid) > minutes) low = mid;
    else high = mid;
  }
  return high;
}

/** Minutes a closed bag floats until it is as warm as the tank, to half a degree. */
export const floatMinutes = (bagC: number, waterC: number): number => {
  const gap = Math.abs(bagC - waterC);
  return gap <= ACCLIMATION.nearC
    ? 0
    : (60 / ACCLIMATION.floatingPerHour) * Math.log(gap / ACCLIMATION.nearC);
};

/** Is what was measured in the container near enough to the water? */
export const nearEnough = (
  measured: { salinity: number; tempC: number },
  water: { salinity: number; tempC: number },
): { salinity: boolean; tempC: boolean } => ({
  salinity:
    Math.abs(specificGravity(measured.salinity, '25/25') - specificGravity(water.salinity, '25/25')) <=
    ACCLIMATION.nearSg,
  tempC: Math.abs(measured.tempC - water.tempC) <= ACCLIMATION.nearC,
});

/** The bag's chemistry from a session, for the course of free ammonia; null where pH or ammonia of the bag are not known. Alkalinities that nobody
 *  measured are taken as usual. pH as meters show it, brought to the total scale. */
export function bagInputOf(
  drip: DripInput & {
    bag: { ph?: number | undefined; tanMgN?: number | undefined; alkalinityDkh?: number | undefined };
  },
  water: { ph: number | null; alkalinityDkh: number | null },
  o: { litresPerHour: number; co2PerHour: number; minutes: number },
): BagInput | null {
  const { bag } = drip;
  if (bag.ph === undefined || bag.tanMgN === undefined) return null;
  const inUmol = (dkh: number, salinity: number, tempC: number) =>
    alkalinityMolPerKg(dkh, salinity, tempC) * 1e6;
  const { salinity, tempC } = drip.water;
  const waterUmol = inUmol(water.alkalinityDkh ?? ACCLIMATION.usualAlkalinityDkh, salinity, tempC);
  const waterPh = (water.ph ?? ACCLIMATION.usualPh) - ACCLIMATION.nbsAboveTotal;
  return {
    bag: {
      litres: bag.litres,
      salinity: bag.salinity,
      tempC: bag.tempC,
      ph: bag.ph - ACCLIMATION.nbsAboveTotal,
      tanMgNPerL: bag.tanMgN,
      alkalinityUmolPerKg: inUmol(
        bag.alkalinityDkh ?? ACCLIMATION.bagAlkalinityDkh,
        Math.max(ACCLIMATION.carbonateFrom, bag.salinity),
        bag.tempC,
      ),
    },
    water: {
      salinity,
      tempC,
      alkalinityUmolPerKg: waterUmol,
      dicUmolPerKg:
        dicAt(waterPh, waterUmol * 1e-6, Math.max(ACCLIMATION.carbonateFrom, salinity), tempC) * 1e6,
    },
    roomTempC: drip.roomTempC,
    floating: drip.floating,
    containerL: drip.containerL,
    pourToL: bag.litres,
    dripLPerHour: o.litresPerHour,
    co2PerHour: o.co2PerHour,
    minutes: o.minutes,
  };
}
