/** What could come next: the labels after one. */
import { type Asked, askedOf } from './asked';
import { isHopeless } from './bounds';
import { prospectOf } from './prospects';
import { boundsOf, spansOf } from './days';
import { eventOf } from './event';
import { eventsOf } from './events';
import { paidFrom } from './fewest';
import type { Wants } from './money';
import { inEveryWay, soonestPaid } from './purchase';
import { type Batch, BITS, LATE, type Label, type Prospect, type World, type Worth } from './world';

/** For every event that could come next. @param few only some batches: for many wishes
 *  @param best what is no better is of no use */
export function* after(
  world: World,
  label: Label,
  prospect: Prospect,
  few: boolean,
  best: Worth | null,
): Generator<Label> {
  const all = placesNoMore(prospect, best);
  const latest = latestOf(prospect, best);
  const asked = askedAfter(world, label, prospect, best);
  for (const event of eventsOf(world, label, prospect, few, all, latest, asked))
    yield* withEvent(world, label, event, latest, best, asked);
}

/** Where only a plan that places the most is as good, one that ends later is not. */
export const latestOf = (prospect: Prospect, best: Worth | null): number =>
  best !== null && placesNoMore(prospect, best) ? best.last : LATE;

/** What to ask of the events that could follow; null where more could be placed than in the best plan so far. */
export const askedAfter = (
  world: World,
  label: Label,
  prospect: Prospect,
  best: Worth | null,
): Asked | null =>
  best !== null && placesNoMore(prospect, best) && !world.rough && world.p.wishes.length <= BITS
    ? askedOf(world, label, prospect, best)
    : null;

const placesNoMore = ({ most }: Prospect, best: Worth | null): boolean =>
  best !== null && most.every((n, i) => n === best.placed[i]);

/** With one event on its earliest day, for each place among what is set and each month its batches could be bought in, where that counts.
 *  @param latest days after it are of no use
 *  @param wants of those to come after it, where it is known better than from who they are */
export function withEvent(
  world: World,
  label: Label,
  batches: readonly Batch[],
  latest: number,
  best: Worth | null,
  asked: Asked | null = null,
  wants: Wants | null = null,
): readonly Label[] {
  const isDead = (child: Label) => best !== null && isHopeless(world, child, prospectOf(world, child), best);
  const { calendar } = world;
  const event = eventOf(batches);
  const [soonest, to] = boundsOf(world, label, event);
  const from = Math.max(soonest, paidFrom(world, label.mask | event.mask));
  const last = Math.min(to, latest, calendar.end - 1);
  const isUseless = (day: number) => asked?.isUseless(batches, event.mask, event.heavy, day) === true;
  if (from > last || isUseless(from)) return NONE_AT_ALL;
  const labels: Label[] = [];
  for (const span of spansOf(world, event, from, last)) {
    if (world.money === 'every' && world.p.budget !== null)
      labels.push(...inEveryWay(world, label, event, span, latest, wants, isUseless, isDead));
    else {
      const child = soonestPaid(world, label, event, span, isUseless, isDead);
      if (child) labels.push(child);
    }
  }
  return labels;
}

const NONE_AT_ALL: readonly Label[] = [];
