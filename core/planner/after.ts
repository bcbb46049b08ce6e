/** What could come next: the labels after one. */
import { type Aim, aimAfter, isUseless } from './asked';
import { boundsOf, spansOf } from './days';
import { eventOf } from './event';
import { eventsOf } from './events';
import { paidFrom } from './fewest';
import type { Wants } from './money';
import { inEveryWay, soonestPaid } from './purchase';
import type { Batch, Label, Prospect, Worth } from './label';
import type { World } from './world';

/** For every event that could come next. @param few only some batches: for many wishes
 *  @param best what is no better is of no use
 *  @param isDropped is a label no better than one that is kept? */
export function* after(
  world: World,
  label: Label,
  prospect: Prospect,
  few: boolean,
  best: Worth | null,
  isDropped?: Aim['isDropped'],
): Generator<Label> {
  const aim = aimAfter(world, label, prospect, best, isDropped);
  for (const event of eventsOf(world, label, prospect, few, aim))
    for (const child of withEvent(world, label, event, aim)) yield child;
}

/** With one event on its earliest day, for each place among what is set and each month its batches could be bought in, where that counts.
 *  @param wants of those to come after it, where it is known better than from who they are */
export function withEvent(
  world: World,
  label: Label,
  batches: readonly Batch[],
  aim: Aim,
  wants: Wants | null = null,
): readonly Label[] {
  const { calendar } = world;
  const event = eventOf(batches);
  const [soonest, to] = boundsOf(world, label, event);
  const from = Math.max(soonest, paidFrom(world, label.mask | event.mask));
  const last = Math.min(to, aim.latest, calendar.end - 1);
  if (from > last || isUseless(aim, event, from)) return NONE_AT_ALL;
  const labels: Label[] = [];
  for (const span of spansOf(world, event, from, last)) {
    if (world.money === 'every' && world.p.budget !== null)
      labels.push(...inEveryWay(world, label, event, span, aim, wants));
    else {
      const child = soonestPaid(world, label, event, span, aim);
      if (child) labels.push(child);
    }
  }
  return labels;
}

const NONE_AT_ALL: readonly Label[] = [];
