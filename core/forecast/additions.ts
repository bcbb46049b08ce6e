/** Ammonia after the next addition: the tank's own futures with more load from today on. */
import { gaussianRandom, seededRandom } from '../random';
import { STOCKING } from '../stocking/limits';
import type { AdditionPeaks } from '../stocking/peaks';
import { ACT } from './acts';
import { triple, redrawFuture, startNow } from './forecast';
import type { Posterior } from './infer';
import { advance, applyAct, S, STATE_SIZE, warmthAt, weekOf, WEEKS } from './kernel';
import { TAKEN } from './limits';
import { heldC, type CarePlan } from './plan';
import { DIMENSIONS, emptyParams, noiseFrom, paramsFrom } from './prior';
import { STEP_DAYS } from './timeline';

/** Highest total ammonia in the three weeks after loads of several sizes join today: animals eat, feeding goes on, nobody doses, bacteria
 *  grow into it. The same futures for every load, so that more never brings less.
 *  @param readsZero a test has just shown no ammonia: no future begins with more than the kit's first step, whatever the fit makes of the log */
export function additionPeaks(
  posterior: Posterior,
  plan: CarePlan,
  o: { seed: number; readsZero: boolean },
): AdditionPeaks {
  const { particles, timeline: t, prior, z } = posterior;
  const n = Math.min(particles, TAKEN.additionFutures);
  const addedMgN = TAKEN.additionLoads.map((perL) => perL * t.believedL);
  const peaks = addedMgN.map(() => new Float64Array(n));
  const normal = gaussianRandom(seededRandom(o.seed ^ 0x2545f491));
  const params = emptyParams();
  const noise = new Float64Array(2 * WEEKS);
  const start = new Float64Array(STATE_SIZE);
  const s = new Float64Array(STATE_SIZE);
  const warmth = warmthAt(heldC(plan, t));
  const steps = Math.round(STOCKING.peakDays / STEP_DAYS);
  for (let i = 0; i < n; i++) {
    const from = Math.floor((i * particles) / n);
    paramsFrom(z, from * DIMENSIONS, prior, params);
    noiseFrom(z, from * DIMENSIONS, noise);
    redrawFuture(noise, t.nowDay, normal);
    start.set(posterior.states.subarray(from * STATE_SIZE, (from + 1) * STATE_SIZE));
    startNow(start, plan, params, t.believedL);
    if (o.readsZero) start[S.ammonia] = Math.min(start[S.ammonia] as number, t.zeroAmmonia);
    addedMgN.forEach((mgN, k) => {
      s.set(start);
      applyAct(s, ACT.load, mgN, params, t.believedL);
      let peak = s[S.ammonia] as number;
      for (let step = 0; step < steps; step++) {
        if (plan.feedMgNPerDay > 0)
          applyAct(s, ACT.food, plan.feedMgNPerDay * STEP_DAYS, params, t.believedL);
        const week = weekOf(t.nowDay + step * STEP_DAYS);
        advance(s, STEP_DAYS, 1, params, warmth, noise[week] as number, noise[WEEKS + week] as number);
        if ((s[S.ammonia] as number) > peak) peak = s[S.ammonia] as number;
      }
      (peaks[k] as Float64Array)[i] = peak;
    });
  }
  return { addedMgN, peakMgN: peaks.map(triple) };
}
