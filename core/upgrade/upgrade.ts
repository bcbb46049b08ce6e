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
  /** What the new tank is already, where it is filled: who lives there and its filter count, and its water stays. */
  standing?: Pick<Move, 'loadMgN' | 'carriesMgN' | 'nitrate'> | null;
}

/** Whether the filter of the day bears the load: enough of it comes along and ammonia stays low, or what speaks against it. */
export type Borne = 'yes' | 'littleFilter' | 'ammoniaRises' | 'notProved';

export interface MovePlan {
  /** Old water that goes over; none where the new tank is filled. */
  reusedL: number;
  /** New salt water to be made, tested and warmed before the day. */
  newWaterL: number;
  /** Of all that live there then, mg N a day. */
  loadMgN: number;
  /** Carried near zero on the day itself, what was bruised left out; null where nothing is proved. */
  carriesMgN: number | null;
  /** Highest ammonia predicted in the two weeks after, mg N/L; null where nothing is proved. */
  totalMgN: number | null;
  freeMgN: number | null;
  borne: Borne;
  nitrate: number | null;
  /** Days after the move on which ammonia and nitrite are tested; 0 is an hour after. */
  testDays: readonly number[];
}

/** @throws RangeError for shares outside 0 to 1 or waters without volume */
export function movePlan(m: Move): MovePlan {
  if (!(m.oldNetL > 0) || !(m.newNetL > 0)) throw new RangeError('"newNetL" and "oldNetL" must be above 0 L');
  for (const share of [m.keptShare, m.reusedShare])
    if (!(share >= 0 && share <= 1)) throw new RangeError('shares must be within 0 and 1');
  const { standing = null } = m;
  const reusedL = standing ? 0 : Math.min(m.newNetL, m.oldNetL * m.reusedShare);
  const carriesMgN =
    m.carriesMgN === null
      ? null
      : m.carriesMgN * m.keptShare * (1 - UPGRADE.bruisedShare) + (standing?.carriesMgN ?? 0);
  const loadMgN = m.loadMgN + (standing?.loadMgN ?? 0);
  const freeShare = freeAmmoniaFraction(LIVING.assumedPh, LIVING.assumedTempC, LIVING.assumedSalinity);
  const ammonia = new Ammonia({
    today: 0,
    displayLoadMgN: 0,
    released: [],
    water: { nearZeroMgN: carriesMgN, netL: m.newNetL, freeShare },
  });
  const freeMgN = ammonia.peakAfter([{ day: 0, loadMgN }]);
  const thinned = m.nitrate === null ? null : (m.nitrate * reusedL) / m.newNetL;
  return {
    reusedL,
    newWaterL: standing ? 0 : m.newNetL - reusedL,
    loadMgN,
    carriesMgN,
    totalMgN: freeMgN === null ? null : freeMgN / freeShare,
    freeMgN,
    borne: borneBy(loadMgN, carriesMgN, freeMgN),
    nitrate: standing ? standing.nitrate : thinned,
    testDays: UPGRADE.testDays,
  };
}

function borneBy(loadMgN: number, carriesMgN: number | null, freeMgN: number | null): Borne {
  if (carriesMgN === null || freeMgN === null) return 'notProved';
  if (freeMgN > FREE_AMMONIA.longTerm) return 'ammoniaRises';
  // In much water even no filter keeps low for two weeks, and rises on.
  return carriesMgN < UPGRADE.leastCarried * loadMgN ? 'littleFilter' : 'yes';
}
