/** A tank moved into another in a day: the animals with their load, the bacteria with rock and media, some of the water. What of the filter comes
 *  along carries the same load in more water; what stays behind does not. */
import { LIVING } from '../living';
import { Ammonia } from '../planner/ammonia';
import { freeAmmoniaFraction, FREE_AMMONIA } from '../seawater';
import { UPGRADE } from './limits';

export interface Move {
  oldNetL: number;
  newNetL: number;
  /** Of the bacteria, what sits on the rock and media that move: 0 to 1. */
  keptShare: number;
  /** Of the old water, what is used again: 0 to 1. */
  reusedShare: number;
  /** Daily load of those that move, mg N. */
  loadMgN: number;
  /** What the old filter carries near zero, mg N a day; null where nothing is proved. */
  carriesMgN: number | null;
  /** Nitrate of the old water, mg/L; null where it was not read. */
  nitrate: number | null;
}

export interface MovePlan {
  reusedL: number;
  /** New salt water to be made, tested and warmed before the day. */
  newWaterL: number;
  /** Carried near zero on the day itself, what was bruised left out; null where nothing is proved. */
  carriesMgN: number | null;
  /** Highest ammonia predicted in the two weeks after, mg N/L; null where nothing is proved. */
  totalMgN: number | null;
  freeMgN: number | null;
  /** It stays within what animals bear for long. */
  bearable: boolean | null;
  nitrate: number | null;
  /** Days after the move on which ammonia and nitrite are tested; 0 is an hour after. */
  testDays: readonly number[];
}

/** @throws RangeError for shares outside 0 to 1 or waters without volume */
export function movePlan(m: Move): MovePlan {
  if (!(m.oldNetL > 0) || !(m.newNetL > 0)) throw new RangeError('"newNetL" and "oldNetL" must be above 0 L');
  for (const share of [m.keptShare, m.reusedShare])
    if (!(share >= 0 && share <= 1)) throw new RangeError('shares must be within 0 and 1');
  const reusedL = Math.min(m.newNetL, m.oldNetL * m.reusedShare);
  const carriesMgN = m.carriesMgN === null ? null : m.carriesMgN * m.keptShare * (1 - UPGRADE.bruisedShare);
  const freeShare = freeAmmoniaFraction(LIVING.assumedPh, LIVING.assumedTempC, LIVING.assumedSalinity);
  const ammonia = new Ammonia({
    today: 0,
    displayLoadMgN: 0,
    released: [],
    water: { nearZeroMgN: carriesMgN, netL: m.newNetL, freeShare },
  });
  const freeMgN = ammonia.peakAfter([{ day: 0, loadMgN: m.loadMgN }]);
  return {
    reusedL,
    newWaterL: m.newNetL - reusedL,
    carriesMgN,
    totalMgN: freeMgN === null ? null : freeMgN / freeShare,
    freeMgN,
    bearable: freeMgN === null ? null : freeMgN <= FREE_AMMONIA.longTerm,
    nitrate: m.nitrate === null ? null : (m.nitrate * reusedL) / m.newNetL,
    testDays: UPGRADE.testDays,
  };
}
