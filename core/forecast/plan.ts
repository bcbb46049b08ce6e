/** The plan a forecast assumes until the person says otherwise: what was done so far goes on. */
import { PROOF_MG_N, type CarePlan } from './forecast';
import { ACT, READ, type Timeline } from './timeline';
import type { Tank } from '../document';

export type PlanChoice = 'asSoFar' | 'dose' | 'feed' | 'wait';

export function defaultPlan(tank: Tank, t: Timeline, choice: PlanChoice = 'asSoFar'): CarePlan {
  const doses = t.acts.filter((a) => a.code === ACT.ammonia);
  const recentFood = t.acts.filter((a) => a.code === ACT.food && a.day > t.nowDay - 10);
  const span = Math.max(1, Math.min(10, t.nowDay));
  const fed = recentFood.reduce((sum, a) => sum + a.amount, 0) / span;
  const mean = doses.length > 0 ? doses.reduce((sum, a) => sum + a.amount, 0) / doses.length / t.believedL : PROOF_MG_N;
  const dosing: CarePlan = { doseMgNPerL: Math.min(mean, PROOF_MG_N * 1.3), untilNitriteClear: waitedForNitrite(t), doseGapDays: gapsOf(doses.map((a) => a.day)), feedMgNPerDay: 0 };
  const feeding: CarePlan = { doseMgNPerL: 0, untilNitriteClear: null, feedMgNPerDay: fed > 0 ? fed : 0.15 * t.believedL };
  const waiting: CarePlan = { doseMgNPerL: 0, untilNitriteClear: null, feedMgNPerDay: 0 };
  // With animals in, nobody doses ammonia: what they are fed goes on by itself.
  if (t.animalsIn) return fed > 0 && choice !== 'wait' ? { ...waiting, feedMgNPerDay: fed } : waiting;
  if (choice === 'dose') return { doseMgNPerL: PROOF_MG_N, untilNitriteClear: false, doseGapDays: [1, 2], feedMgNPerDay: 0 };
  if (choice === 'feed') return feeding;
  if (choice === 'wait') return waiting;
  if (fed > 0 && recentFood.length >= 2) return { ...feeding, doseMgNPerL: 0 };
  if (doses.length > 0) return dosing;
  if (tank.ammoniaSource === 'feeding') return feeding;
  if (tank.ammoniaSource === 'bottled') return dosing;
  return waiting;
}

/** How often the person dosed lately, as a span; one to three days when that is not known. */
function gapsOf(days: readonly number[]): readonly [number, number] {
  const gaps = days.slice(1).map((d, i) => d - (days[i] ?? d)).slice(-4).filter((g) => g > 0.4);
  if (gaps.length === 0) return [1, 3];
  const shortest = Math.min(...gaps);
  return [Math.max(0.5, Math.min(3, shortest * 0.7)), Math.max(1, Math.min(4, shortest * 1.3))];
}

/** Did earlier doses wait for nitrite to clear? Null with fewer than two doses that a test of nitrite stands before. */
function waitedForNitrite(t: Timeline): boolean | null {
  const doses = t.acts.filter((a) => a.code === ACT.ammonia).slice(1);
  let yes = 0;
  let no = 0;
  for (const d of doses) {
    const before = t.observations.filter((o) => o.what === READ.nitrite && o.day <= d.day && d.day - o.day < 4).pop();
    if (!before) continue;
    if (before.mid <= t.zeroNitrite) yes++;
    else no++;
  }
  return yes + no === 0 ? null : yes > no;
}
