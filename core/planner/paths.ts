/** Where anything better could lie, as far as days and months go: partial plans for which money is only a matter of months, and what could follow each
 *  of them. Whoever looks at money in full needs to look nowhere else. */
import { after } from './after';
import { exhaust, FEWEST_FIRST } from './exhaust';
import type { Wants } from './money';
import { paidLater } from './paidLater';
import { payAlong } from './purchase';
import { start } from './start';
import { type Batch, type Bill, compareWorth, LATE, type Label, type ToBuy, type Worth } from './label';
import type { World } from './world';

/** What could come after a place: who is placed then, when it ends, what is added to batches and sum, and the batches. Of all ways to come to the same batches
 *  the least of each. */
export interface Rest extends Worth {
  buys: readonly ToBuy[];
}

/** An event that could follow. */
export interface Way {
  batches: readonly Batch[];
  buys: readonly ToBuy[];
  until: number;
  to: Place;
  /** By rest of the place it leads to, what it is with this event before it, once that is known; null where it is of no use. */
  into: readonly (Rest | null)[];
}

/** A partial plan and what could follow it. */
export interface Place {
  label: Label;
  steps: Way[];
  /** Another that is at least as good in all but money: what could follow this one could follow that. */
  instead: Place | null;
  /** What could come after it, and what that wants of the months, once it is known (rests.ts). */
  rests: readonly Rest[] | null;
  wants: Wants | null | undefined;
}

/** Plans tried in a row that are no better once they are paid for, before they are only noted. */
const MOST_TRIED = 10;

/** @param world one in which money is a matter of months, and no quarantine stands for another that is like it
 *  @param every one in which every way of paying counts
 *  @param known only what is better is followed
 *  @returns where to begin, null where there was no time; a better plan that was found on the way and can be paid for; how many partial plans were looked at */
export function pathsTo(
  world: World,
  every: World,
  known: Worth,
): { paths: Place | null; better: Label | null; looked: number } {
  const root = start(world);
  const places = new Map<Label, Place>();
  const placeOf = (label: Label): Place => {
    const place = places.get(label) ?? { label, steps: [], instead: null, rests: null, wants: undefined };
    places.set(label, place);
    return place;
  };
  let best = known;
  let better: Label | null = null;
  let tried = 0;
  let looked = 0;
  const paidFor = (label: Label): Label | null => {
    const paid = payAlong(world, label);
    if (paid) return { ...label, ways: [paid] };
    return tried++ < MOST_TRIED ? paidLater(every, label, best) : null;
  };
  const isWhole = exhaust(world, root, {
    orders: FEWEST_FIRST,
    best: () => best,
    follow: function* (label, prospect, worth) {
      const { steps } = placeOf(label);
      for (const child of after(world, label, prospect, false, worth)) {
        const { batches } = child;
        const [{ buys: all }] = child.bills as [Bill];
        const buys = all.filter(({ mask }) => batches.some((b) => b.mask === mask));
        steps.push({ batches, buys, until: spanEnd(world, child.day), to: placeOf(child), into: [] });
        yield child;
      }
    },
    consider: (label) => {
      looked++;
      if (compareWorth(label.worth, best) >= 0) return;
      const found = paidFor(label);
      if (!found) return;
      best = found.worth;
      better = found;
      tried = 0;
    },
    onDropped: (dropped, by) => {
      placeOf(dropped).instead = placeOf(by);
    },
  });
  return { paths: isWhole ? placeOf(root) : null, better, looked };
}

/** The place that stands for one. */
export function standsFor(place: Place): Place {
  let p = place;
  while (p.instead) p = p.instead;
  return p;
}

/** The last day of those that lie alike among the releases that are set. */
export function spanEnd({ set }: World, day: number): number {
  let end = LATE;
  for (const { release } of set) if (release >= day) end = Math.min(end, release === day ? day : release - 1);
  return end;
}
