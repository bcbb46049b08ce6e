/** How much water to change in an emergency: judged by the free ammonia after mixing, which can rise while the total falls. */
import type { Parameter } from '../document';
import { ammoniaAtMost, dosesUntested, expectedNow, lastOf, trusted, type WaterEvidence } from '../evidence';
import { afterMixing, FREE_AMMONIA, type MixedWater } from '../seawater';
import { sharesAt } from './freeAmmonia';
import { inRange } from './fresh';
import { LIVING } from './limits';

export interface PlannedChange {
  species: 'ammonia' | 'nitrite';
  litres: number;
  netL: number;
  /** Total before and after, mg N/L; of nitrite nitrite. */
  fromMgN: number;
  toMgN: number;
  /** Free ammonia before and after, mg NH3-N/L. */
  fromFreeMgN: number;
  toFreeMgN: number;
  /** What the new water must be: as the water is now. */
  salinity: number;
  tempC: number;
}

/** The water as it is now, as far as it is known. A measured free ammonia stands in for a total never measured. */
export function waterNow(e: WaterEvidence): MixedWater {
  const shares = sharesAt(e, e.nowMs);
  // Off the scale of the formula what was read stands all the same, and no change is reckoned with it.
  const newest = (parameter: Parameter, assumed: number) =>
    lastOf(trusted(e.series[parameter]))?.interval.mid ?? assumed;
  const ph = shares?.ph ?? newest('ph', LIVING.assumedPh);
  const salinity = shares?.salinity ?? newest('salinity', LIVING.assumedSalinity);
  const tempC = shares?.tempC ?? newest('temperature', LIVING.assumedTempC);
  return {
    totalMgN: totalNow(e, shares?.fraction ?? 1),
    ph,
    alkalinityDkh: lastOf(trusted(e.series.alkalinity))?.interval.mid ?? LIVING.assumedAlkalinity,
    salinity,
    tempC,
  };
}

function totalNow(e: WaterEvidence, fraction: number): number {
  const read = totalRead(e, fraction);
  return dosesUntested(e).length > 0 ? Math.max(read, ammoniaAtMost(e)) : read;
}

function totalRead(e: WaterEvidence, fraction: number): number {
  const total = expectedNow(e, 'ammonia');
  const free = expectedNow(e, 'freeAmmonia');
  const byFree = free ? free.value / fraction : 0;
  if (!total) return byFree;
  return free && free.point.atMs > total.point.atMs ? byFree : Math.max(total.value, 0);
}

/** New water as it should be: matched in salt and heat to the water now. */
const newWater = (now: MixedWater): MixedWater => ({
  totalMgN: 0,
  ph: LIVING.newWaterPh,
  alkalinityDkh: LIVING.newWaterAlkalinity,
  salinity: now.salinity,
  tempC: now.tempC,
});

/** The changes that bring the water where it harms nobody: the first now, the others half a day apart. Empty where no change helps, so that
 *  the animals are to be moved instead. @param byFree judged by free ammonia; else by nitrite */
export function changesFor(e: WaterEvidence, byFree: boolean): PlannedChange[] {
  const now = waterNow(e);
  if (!inRange(now.salinity, [19, 43]) || !inRange(now.tempC, [10, 35])) return [];
  return byFree ? byAmmonia(e, now) : byNitrite(e, now);
}

const SHARES = Array.from({ length: 15 }, (_, i) => LIVING.smallestChange + i * 0.05);

function byAmmonia(e: WaterEvidence, now: MixedWater): PlannedChange[] {
  const changes: PlannedChange[] = [];
  let water = now;
  for (let round = 0; round < 3; round++) {
    const before = afterMixing(water, newWater(now), 0).freeMgN;
    const share = shareFor(water, newWater(now), before);
    if (share === null) break;
    const after = afterMixing(water, newWater(now), share);
    changes.push({
      species: 'ammonia',
      litres: share * e.netL,
      netL: e.netL,
      fromMgN: water.totalMgN,
      toMgN: after.totalMgN,
      fromFreeMgN: before,
      toFreeMgN: after.freeMgN,
      salinity: now.salinity,
      tempC: now.tempC,
    });
    water = after;
    if (after.freeMgN <= FREE_AMMONIA.longTerm && after.totalMgN < LIVING.totalActMgN) break;
  }
  return changes;
}

/** The smallest share that does it in one; else the largest that is kind, if it lowers what harms; else as much as it takes. Null when
 *  even nine tenths would not. */
function shareFor(water: MixedWater, incoming: MixedWater, before: number): number | null {
  const after = (share: number) => afterMixing(water, incoming, share);
  // Half is kind; more where half would leave what burns gills.
  const half = after(LIVING.smallChange).freeMgN;
  const harsh = before >= FREE_AMMONIA.emergency || (half >= FREE_AMMONIA.act * 0.9 && half < before);
  const kind = harsh ? LIVING.emergencyChange : LIVING.smallChange;
  const enough = (share: number) =>
    after(share).freeMgN <= FREE_AMMONIA.longTerm && after(share).totalMgN < LIVING.totalActMgN;
  const one = SHARES.find((s) => s <= kind + 1e-9 && enough(s));
  if (one !== undefined) return one;
  if (after(kind).freeMgN < before) return kind;
  return (
    SHARES.find((s) => s > kind && s <= LIVING.largestChange + 1e-9 && after(s).freeMgN < before) ?? null
  );
}

function byNitrite(e: WaterEvidence, now: MixedWater): PlannedChange[] {
  const found = expectedNow(e, 'nitrite')?.value ?? 0;
  const share = LIVING.smallChange;
  const free = afterMixing(now, newWater(now), 0).freeMgN;
  return [
    {
      species: 'nitrite',
      litres: share * e.netL,
      netL: e.netL,
      fromMgN: found,
      toMgN: found * (1 - share),
      fromFreeMgN: free,
      toFreeMgN: afterMixing(now, newWater(now), share).freeMgN,
      salinity: now.salinity,
      tempC: now.tempC,
    },
  ];
}
