/** All that could follow partial plans, the most hopeful first. */
import { compareHope, hopeOf, isHopeless } from './bounds';
import { lastAtLeast } from './ends';
import { Heap, Kept } from './kept';
import { prospectOf } from './prospects';
import type { Hope, Label, Prospect, Worth } from './label';
import type { World } from './world';

/** The labels after one that are worth a look, with what is kept so far. */
export type Follow = (label: Label, prospect: Prospect, best: Worth, kept: Kept) => Iterable<Label>;

/** Below zero where of one more could be placed. */
export function morePlaced(a: Prospect, b: Prospect): number {
  for (let i = 0; i < a.most.length; i++) {
    const more = (b.most[i] as number) - (a.most[i] as number);
    if (more !== 0) return more;
  }
  return 0;
}

/** A label with what may become of it. */
interface Hopeful {
  label: Label;
  prospect: Prospect;
  hope: Hope;
  done: number;
  taken: boolean;
}

const hopeful = (label: Label, prospect: Prospect, hope: Hope): Hopeful => ({
  label,
  prospect,
  hope,
  done: label.worth.placed.reduce((sum, n) => sum + n, 0),
  taken: false,
});

/** The best of what may become of them first; of those alike whatever is nearest to its end. */
const moreHopeful = (a: Hopeful, b: Hopeful): number =>
  morePlaced(a.prospect, b.prospect) ||
  compareHope(a.hope, b.hope) ||
  b.done - a.done ||
  a.label.day - b.label.day;

/** Whatever is nearest to its end among those of which the most may become: what it finds cuts off the rest. */
const nearerItsEnd = (a: Hopeful, b: Hopeful): number =>
  morePlaced(a.prospect, b.prospect) ||
  b.done - a.done ||
  compareHope(a.hope, b.hope) ||
  a.label.day - b.label.day;

/** In turn by what may become of them and by who is nearest to its end. */
export const HOPEFUL = [moreHopeful, nearerItsEnd] as const;

/** Layer by layer: whatever could stand for a label, or hand it its bills, is there before it is followed. */
export const FEWEST_FIRST = [(a: Hopeful, b: Hopeful): number => a.done - b.done] as const;

interface Exhausting {
  follow: Follow;
  /** Orders in which the labels are taken, in turn. */
  orders: readonly ((a: Hopeful, b: Hopeful) => number)[];
  /** The best plan so far. */
  best: () => Worth;
  /** Hears of every label. */
  consider: (label: Label) => void;
  /** Hears of each label that is dropped, and for which. */
  onDropped?: (dropped: Label, by: Label) => void;
}

/** All labels but those that cannot lead to anything better. True where none is left. */
export function exhaust(world: World, root: Label, o: Exhausting): boolean {
  const { follow, best } = o;
  const kept = new Kept(world);
  const hopes = o.orders.map((order) => new Heap<Hopeful>(order));
  const push = (label: Label, prospect: Prospect, hope: Hope) => {
    const x = hopeful(label, prospect, hope);
    for (const heap of hopes) heap.push(x);
  };
  kept.add(root);
  const prospect = prospectOf(world, root);
  push(root, prospect, { last: lastAtLeast(world, root, prospect), batches: 0, sum: 0 });
  for (let turn = 0; ; turn++) {
    const next = (hopes[turn % hopes.length] as Heap<Hopeful>).pop();
    // Cut short, what could follow the last was not all looked at.
    if (!world.mayGoOn()) return false;
    if (!next) return true;
    const { label, taken } = next;
    // What it could still pay for may have changed since.
    const prospect = prospectOf(world, label);
    next.taken = true;
    if (taken || !kept.has(label) || isHopeless(world, label, prospect, best())) continue;
    for (const child of follow(label, prospect, best(), kept)) {
      if (!world.mayGoOn()) return false;
      o.consider(child);
      if (!kept.add(child, o.onDropped)) continue;
      const then = prospectOf(world, child);
      const hope = hopeOf(world, child, then, best());
      if (hope) push(child, then, hope);
      // With a bill that it takes over it may be of use.
      else if (world.money === 'months') push(child, then, { last: 0, batches: 0, sum: 0 });
    }
  }
}
