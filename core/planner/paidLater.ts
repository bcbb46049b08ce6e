/** A plan that the months alone would pay, and no choice of months as it stands: carried out later. */
import { withEvent } from './after';
import { aimAfter } from './asked';
import { prospectOf } from './prospects';
import { start } from './start';
import { compareWorth, type Label, pastOf, type Worth } from './label';
import type { World } from './world';

/** The same events, each on the first day on which it can be paid for; null where that is no better than the best.
 *  @param every a world in which every way of paying counts */
export function paidLater(every: World, plan: Label, best: Worth): Label | null {
  let label = start(every);
  for (const { batches } of pastOf(plan)) {
    const aim = aimAfter(every, label, prospectOf(every, label), best);
    const [first, ...others] = withEvent(every, label, batches, aim);
    if (!first) return null;
    label = others.reduce((soonest, other) => (other.day < soonest.day ? other : soonest), first);
  }
  return compareWorth(label.worth, best) < 0 ? label : null;
}
