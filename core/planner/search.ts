/** The search for the best plan. A plan is built event by event in the order of the release days: an event is one batch, or several with a load that enter
 *  on one day. Whatever the order of events, the batches in each and the month in which each is bought, every release as early as the rules let it is best
 *  for all that follows; so a partial plan (a label) has its days settled, and of two that placed the same wishes one may be at least as good in every
 *  respect that still counts: the other is dropped. What is left is best-first over the labels, cut off by bounds. docs/planner.md has the proof. */
import { Ammonia } from './ammonia';
import { lastAtLeast } from './ends';
import { prospectOf } from './prospects';
import { after, withEvent } from './after';
import { aimAfter } from './asked';
import { beam } from './beam';
import { buysFor } from './days';
import { compiledSearch } from './compiledSearch';
import { exhaust, type Follow, HOPEFUL } from './exhaust';
import type { Found, Search } from './found';
import { pathsTo, type Place, spanEnd, standsFor } from './paths';
import { type Problem, type Step, type Wish } from './problem';
import { bestAlong, leadsOn, type Live, wantsAt, waysOn } from './rests';
import { isBestBySets } from './sets';
import { start } from './start';
import { type Batch, type Label, type Paid, type Worth, compareWorth } from './label';
import { type Money, type World, worldOf } from './world';

/** The steps of a plan: of the ways it can be paid for the first, walked back from the end. */
export function stepsOf(world: World, label: Label): Step[] {
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

/** R6 after each release that is planned. */
function keepsWater(p: Problem, steps: readonly Step[]): boolean {
  const ammonia = new Ammonia(p);
  const isSet = (wish: number) => p.fixed.some((f) => f.wish === wish && f.release !== null);
  const planned = steps.filter((s) => !isSet(s.wish));
  const days = [...new Set(planned.map((s) => s.release))].sort((a, b) => a - b);
  const releases = days.map((day) => ({
    day,
    loadMgN: planned.reduce(
      (sum, s) => sum + (s.release === day ? (p.wishes[s.wish] as Wish).loadMgN : 0),
      0,
    ),
  }));
  return releases.every((_, k) => ammonia.fits(releases.slice(0, k + 1)));
}

/** The best plan of those in which whatever was bought together is released together. Exact unless it is told to stop. */
export function bestOfWholeBatches(p: Problem, o: Search): Found {
  if (!o.exact) return searched(worldOf(p, true, o.mayGoOn, 'one'), o);
  if (!p.water) return bestExact(p, o);
  // No plan that keeps within R6 is better than the best without it: where that one does, it is the best.
  const free = bestExact({ ...p, water: undefined }, o);
  if (keepsWater(p, free.steps)) return free;
  const careful = bestExact(p, o);
  if (!free.proved || careful.proved) return careful;
  const proved = compareWorth(careful.worth, free.worth) === 0;
  return { ...careful, proved, lastAtLeast: free.worth.last, placedAtMost: free.worth.placed };
}

function bestExact(p: Problem, o: Search): Found {
  const world = worldOf(p, false, o.mayGoOn, p.budget === null ? 'every' : 'one');
  // It finds a plan to measure by sooner than the beam does, which is for whatever it is not suited to.
  const compiled = compiledSearch(world, searched(world, { exact: false, width: 0 }));
  return compiled ?? plainSearch(world, searched(world, { ...o, exact: false }));
}

/** The definition: what the compiled search does, for whatever that one is not suited to.
 *  @param world one in which a plan was found to measure by */
export function plainSearch(world: World, quick: Found): Found {
  const { p } = world;
  if (p.budget === null) return searched(world, { exact: true, width: 0 }, quick);
  let reckoned = world;
  const asking = (money: Money) => (reckoned = worldOf(p, false, world.mayGoOn, money, reckoned));
  // A plan that can be paid for in one way; where a better one could lie, were money only a matter of months; and there every way.
  const found = searched(asking('one'), { exact: true, width: 0 }, quick);
  const bySets = isBestBySets(asking('sets'), found.worth);
  const payable: Found = { ...found, looked: found.looked + bySets.looked };
  if (bySets.isBest) {
    const { last, placed } = found.worth;
    return { ...payable, proved: true, lastAtLeast: last, placedAtMost: placed };
  }
  const months = asking('months');
  months.twins = false;
  const { paths, better, looked } = pathsTo(months, asking('every'), payable.worth);
  const known: Found = { ...payable, looked: payable.looked + looked };
  if (better) Object.assign(known, { worth: better.worth, steps: stepsOf(months, better) });
  if (!paths) return known;
  const bound = bestAlong(months, paths, known.worth);
  const best =
    bound === known.worth ? known : searched(asking('every'), { exact: true, width: 0 }, known, paths);
  // What R6 turned down was left where it stood: no path leads through it.
  if (months.ammonia.cut) return { ...payable, steps: best.steps, worth: best.worth, looked: best.looked };
  const proved = bound === known.worth || best.proved;
  const least = proved ? best.worth : bound;
  return { ...best, proved, lastAtLeast: least.last, placedAtMost: least.placed };
}

/** One search, with what its world asks of money.
 *  @param known a plan to measure by: what is no better is not looked for
 *  @param paths where alone something better than what is known can lie */
export function searched(
  world: World,
  o: Pick<Search, 'exact' | 'width' | 'wider'>,
  known: Found | null = null,
  paths: Place | null = null,
): Found {
  const root = start(world);
  let best: Label = root;
  let worth = known?.worth ?? root.worth;
  let looked = known?.looked ?? 0;
  const consider = (label: Label) => {
    looked++;
    if (compareWorth(label.worth, worth) >= 0) return;
    best = label;
    worth = label.worth;
  };
  if (o.width > 0) beam(world, root, [o.width, ...(o.wider ?? [])], consider);
  const hope = prospectOf(world, root);
  const follow = paths ? alongPaths(world, root, paths) : everywhere(world);
  const whole = o.exact && exhaust(world, root, { follow, orders: HOPEFUL, best: () => worth, consider });
  // With one way of paying something as good may have been dropped. What R6 turned down was left where it stood: a plan behind it may be as good.
  const proved = whole && world.money !== 'one' && !world.ammonia.cut;
  return {
    steps: worth === known?.worth ? known.steps : stepsOf(world, best),
    worth,
    proved,
    lastAtLeast: proved ? worth.last : lastAtLeast(world, root, hope),
    placedAtMost: proved ? worth.placed : [...hope.most],
    looked,
  };
}

const everywhere =
  (world: World): Follow =>
  (label, prospect, best, kept) =>
    after(world, label, prospect, false, best, (child) => kept.isDropped(child));

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
  const liveAfter = new Map<Label, Live>();
  return function* (label, prospect, best) {
    const aim = aimAfter(world, label, prospect, best);
    const here = standsFor(placeOf.get(label) as Place);
    const live = liveAfter.get(label) ?? null;
    const ends = new Map<readonly Batch[], Map<number, { to: Place; then: Live }>>();
    for (const step of here.steps) {
      const { batches, until, to } = step;
      const worth = withStep(label.worth, here.label.worth, to.label.worth);
      const then = leadsOn(world, label, worth, step, best, live);
      if (!then) continue;
      const byEnd = ends.get(batches) ?? new Map<number, { to: Place; then: Live }>();
      ends.set(batches, byEnd.set(until, { to, then }));
    }
    for (const [batches, byEnd] of ends) {
      const only = byEnd.size === 1 ? [...byEnd.values()][0] : undefined;
      const wants = only ? wantsAt(world, only.to, best) : null;
      for (const child of withEvent(world, label, batches, aim, wants)) {
        const end = byEnd.get(spanEnd(world, child.day));
        if (!end) continue;
        const on = waysOn(world, child, end.to, best, end.then);
        child.ways = on.ways;
        if (child.ways.length === 0) continue;
        placeOf.set(child, end.to);
        liveAfter.set(child, on.live);
        yield child;
      }
    }
  };
}
