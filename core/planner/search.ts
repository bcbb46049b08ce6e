/** The search for the best plan. A plan is built event by event in the order of the release days: an event is one batch, or several with a load that enter
 *  on one day. Whatever the order of events, the batches in each and the month in which each is bought, every release as early as the rules let it is best
 *  for all that follows; so a partial plan (a label) has its days settled, and of two that placed the same wishes one may be at least as good in every
 *  respect that still counts: the other is dropped. What is left is best-first over the labels, cut off by bounds. docs/planner.md has the proof. */
import { compareHope, hopeOf, lastAtLeast, prospectOf } from './bounds';
import { batchesAtLeast } from './fewest';
import { after, askedAfter, latestOf, withEvent } from './after';
import { buysFor } from './days';
import { Heap, Kept } from './kept';
import { bestAlong, leadsOn, pathsTo, type Place, spanEnd, standsFor } from './paths';
import { type Problem, type Step } from './problem';
import { start } from './start';
import {
  type Batch,
  type Hope,
  type Label,
  type Money,
  type Paid,
  type Prospect,
  type World,
  type Worth,
  compareWorth,
  worldOf,
} from './world';

export interface Found {
  steps: Step[];
  worth: Worth;
  /** Nothing better exists. */
  proved: boolean;
  /** No plan that places as much ends earlier. */
  lastAtLeast: number;
  /** At most so many can be placed, by level. */
  placedAtMost: number[];
}

/** The steps of a plan: of the ways it can be paid for the first, walked back from the end. */
function stepsOf(world: World, label: Label): Step[] {
  const steps: Step[] = [...world.set];
  let [paid] = label.ways as [Paid];
  for (let l = label; l.parent; l = l.parent) {
    const buys = buysFor(world, l.parent, l.batches, paid.months, l.day) as number[];
    l.batches.forEach((batch, k) =>
      batch.wishes.forEach((wish) =>
        steps.push({ wish, buy: buys[k] as number, quarantine: batch.quarantine, release: l.day }),
      ),
    );
    paid = paid.before ?? paid;
  }
  return steps.sort((a, b) => a.release - b.release || a.wish - b.wish);
}

/** How a plan is looked for. */
export interface Search {
  /** False for many wishes: then only some batches are tried and nothing is proved. */
  exact: boolean;
  /** Of the beam that finds a first plan. */
  width: number;
  /** Asked now and then. */
  mayGoOn: () => boolean;
}

/** The best plan of those in which whatever was bought together is released together. Exact unless it is told to stop; a beam finds a good one first,
 *  which the rest is measured by. */
export function bestOfWholeBatches(p: Problem, o: Search): Found {
  if (!o.exact || p.budget === null)
    return searched(worldOf(p, !o.exact, o.mayGoOn, o.exact ? 'every' : 'one'), o);
  let known: World | null = null;
  const asking = (money: Money) => (known = worldOf(p, false, o.mayGoOn, money, known));
  // A plan that can be paid for in one way, first by a beam; where a better one could lie, were money only a matter of months; and there every way.
  const quick = searched(asking('one'), { ...o, exact: false });
  const payable = searched(asking('one'), { exact: true, width: 0 }, quick);
  const months = asking('months');
  months.twins = false;
  const paths = pathsTo(months, payable.worth);
  if (!paths) return payable;
  const bound = bestAlong(paths, payable.worth);
  const found =
    bound === payable.worth ? payable : searched(asking('every'), { exact: true, width: 0 }, payable, paths);
  // What R6 turned down was left where it stood: no path leads through it.
  if (months.ammonia.cut) return { ...payable, steps: found.steps, worth: found.worth };
  const proved = bound === payable.worth || found.proved;
  const least = proved ? found.worth : bound;
  return { ...found, proved, lastAtLeast: least.last, placedAtMost: least.placed };
}

/** One search, with what its world asks of money.
 *  @param known a plan to measure by: what is no better is not looked for
 *  @param paths where alone something better than what is known can lie */
export function searched(
  world: World,
  o: { exact: boolean; width: number },
  known: Found | null = null,
  paths: Place | null = null,
): Found {
  const root = start(world);
  let best: Label = root;
  let worth = known?.worth ?? root.worth;
  const consider = (label: Label) => {
    if (compareWorth(label.worth, worth) >= 0) return;
    best = label;
    worth = label.worth;
  };
  if (o.width > 0) beam(world, root, o.width, consider);
  const hope = prospectOf(world, root);
  const follow = paths ? alongPaths(world, root, paths) : everywhere(world);
  const orders = paths ? [sooner] : [moreHopeful, nearerItsEnd];
  const whole = o.exact && exhaust(world, root, follow, orders, () => worth, consider);
  // With one way of paying something as good may have been dropped. What R6 turned down was left where it stood: a plan behind it may be as good.
  const proved = whole && world.money !== 'one' && !world.ammonia.cut;
  return {
    steps: worth === known?.worth ? known.steps : stepsOf(world, best),
    worth,
    proved,
    lastAtLeast: proved ? worth.last : lastAtLeast(world, root, hope),
    placedAtMost: proved ? worth.placed : [...hope.most],
  };
}

/** The labels after one that are worth a look. */
type Follow = (label: Label, prospect: Prospect, best: Worth) => Iterable<Label>;

const everywhere =
  (world: World): Follow =>
  (label, prospect, best) =>
    after(world, label, prospect, false, best);

/** As if an event added to a worth what it added to another. */
const withStep = (worth: Worth, before: Worth, after: Worth): Worth => ({
  placed: after.placed,
  last: Math.max(worth.last, after.last),
  batches: worth.batches + after.batches - before.batches,
  sum: worth.sum + after.sum - before.sum,
});

/** Only where the paths lead to something better than what was known. */
function alongPaths(world: World, root: Label, paths: Place): Follow {
  const placeOf = new Map<Label, Place>([[root, paths]]);
  return function* (label, prospect, best) {
    const asked = askedAfter(world, label, prospect, best);
    const here = standsFor(placeOf.get(label) as Place);
    const ends = new Map<readonly Batch[], Map<number, Place>>();
    for (const { batches, until, to } of here.steps) {
      if (!leadsOn(withStep(label.worth, here.label.worth, to.label.worth), to, best)) continue;
      const byEnd = ends.get(batches) ?? new Map<number, Place>();
      ends.set(batches, byEnd.set(until, to));
    }
    for (const [batches, byEnd] of ends)
      for (const child of withEvent(world, label, batches, latestOf(prospect, best), best, asked)) {
        const to = byEnd.get(spanEnd(world, child.day));
        if (!to || !leadsOn(child.worth, to, best)) continue;
        placeOf.set(child, to);
        yield child;
      }
  };
}

/** Layer by layer the most promising labels only, by some batches only. */
function beam(world: World, root: Label, width: number, consider: (label: Label) => void): void {
  const promise = (label: Label) => {
    const prospect = prospectOf(world, label);
    return {
      label,
      prospect,
      last: lastAtLeast(world, label, prospect),
      batches: label.worth.batches + batchesAtLeast(world, prospect.sure),
    };
  };
  type Promised = ReturnType<typeof promise>;
  const done = (x: Promised) => x.label.worth.placed.reduce((sum, n) => sum + n, 0);
  const better = (a: Promised, b: Promised): number => {
    return (
      morePlaced(a.prospect, b.prospect) ||
      a.last - b.last ||
      done(b) - done(a) ||
      a.batches - b.batches ||
      a.label.worth.sum - b.label.worth.sum
    );
  };
  let layer: Promised[] = [promise(root)];
  while (layer.length > 0 && world.mayGoOn()) {
    const kept = new Kept(world);
    const next: Promised[] = [];
    for (const { label, prospect } of layer) {
      for (const child of after(world, label, prospect, true, null)) {
        if (!world.mayGoOn()) return;
        consider(child);
        if (kept.add(child)) next.push(promise(child));
      }
    }
    const alive = next.filter((x) => kept.has(x.label));
    // Half by what may still become of them, half by what they have reached: the first may wait for ever.
    const half = Math.ceil(width / 2);
    const chosen = new Set(alive.sort(better).slice(0, half));
    for (const x of [...alive].sort((a, b) => done(b) - done(a) || a.label.day - b.label.day).slice(0, half))
      chosen.add(x);
    layer = [...chosen];
  }
}

/** Below zero where of one more could be placed. */
function morePlaced(a: Prospect, b: Prospect): number {
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

/** Day by day: whatever could stand for a label is there before it is followed. */
const sooner = (a: Hopeful, b: Hopeful): number => a.label.day - b.label.day || a.done - b.done;

/** All labels, by some orders in turn, but those that cannot lead to anything better. True where none is left. */
function exhaust(
  world: World,
  root: Label,
  follow: Follow,
  orders: readonly ((a: Hopeful, b: Hopeful) => number)[],
  best: () => Worth,
  consider: (label: Label) => void,
): boolean {
  const kept = new Kept(world);
  const hopes = orders.map((order) => new Heap<Hopeful>(order));
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
    const { label, prospect, taken } = next;
    next.taken = true;
    if (taken || !kept.has(label) || hopeOf(world, label, prospect, best()) === null) continue;
    for (const child of follow(label, prospect, best())) {
      if (!world.mayGoOn()) return false;
      consider(child);
      const then = prospectOf(world, child);
      const hope = hopeOf(world, child, then, best());
      if (hope !== null && kept.add(child)) push(child, then, hope);
    }
  }
}
