/** What the months' money allows, whatever the days: by set of wishes, a bit each, the cheapest ways to have bought it by the end of a month. */
import { type Month } from './calendar';
import { batchesBeside, batchesFor } from './fewest';
import { SLACK } from './problem';
import type { Bought, Payable, World } from './world';
import { LATE } from './label';

/** One batch weighs more than any sum of days, which count from today. */
const BATCH = 1 << 20;
export const batchesOf = (fewest: number): number => Math.floor(fewest / BATCH);
export const daysOf = (fewest: number): number => fewest % BATCH;

/** What can have been bought by the end of a month beside what is bought or set, were only its money short: every set of wishes that a month pays is tried
 *  in each, as if a batch could be released as soon as anything of its line that is bought in that month. No plan has a set in fewer batches, or sooner. */
export function boughtBy(world: World, month: number): Bought {
  const { bought } = world;
  while (bought.length <= month) bought.push(boughtNext(world, bought.length));
  return bought[month] as Bought;
}

function boughtNext(world: World, month: number): Bought {
  const size = 1 << world.prices.length;
  const before = month > 0 ? (world.bought[month - 1] as Bought) : nothingBought(size);
  const then: Bought = { fewest: before.fewest.slice(), soonest: before.soonest.slice() };
  const rest = Math.max(0, (world.p.budget as number) - (world.spent[month] as number)) + SLACK;
  const out = outBy(world, month);
  const isJoined = world.own.joins.some((join) => join.month === month);
  world.payable ??= payableSets(world);
  for (const { set, wishes, price, batches: alone, beside } of world.payable) {
    if (price > rest) continue;
    const batches = isJoined ? beside : alone;
    let days = 0;
    for (const i of wishes) days += out[i] as number;
    if (days >= BATCH) continue;
    addTo(then, before, set, batches * BATCH + days, days);
  }
  return then;
}

/** Every set of wishes that a whole month can pay, of those who are neither bought nor set. */
function payableSets(world: World): Payable[] {
  const { prices, p, own } = world;
  const budget = (p.budget as number) + SLACK;
  const sets: Payable[] = [];
  const walk = (from: number, set: number, wishes: readonly number[], price: number) => {
    for (let i = from; i < prices.length; i++) {
      if ((own.mask & (1 << i)) !== 0) continue;
      const then = price + (prices[i] as number);
      if (then > budget) continue;
      const both = set | (1 << i);
      const all = [...wishes, i];
      sets.push({
        set: both,
        wishes: all,
        price: then,
        batches: batchesFor(world, both),
        beside: batchesBeside(world, both),
      });
      walk(i + 1, both, all, then);
    }
  };
  walk(0, 0, [], 0);
  return sets;
}

/** Whatever was bought before, and a set of others beside it. */
function addTo(then: Bought, before: Bought, set: number, fewest: number, soonest: number): void {
  const [few, soon, fewBefore, soonBefore] = [then.fewest, then.soonest, before.fewest, before.soonest];
  const without = (few.length - 1) ^ set;
  for (let first = without; ; first = (first - 1) & without) {
    const sum = soonBefore[first] as number;
    if (sum < LATE) {
      const both = first | set;
      if (sum + soonest < (soon[both] as number)) soon[both] = sum + soonest;
      const inAll = (fewBefore[first] as number) + fewest;
      if (inAll < (few[both] as number)) few[both] = inAll;
    }
    if (first === 0) return;
  }
}

function nothingBought(size: number): Bought {
  const fewest = new Int32Array(size).fill(LATE);
  fewest[0] = 0;
  return { fewest, soonest: fewest };
}

/** By wish the first day, from today, on which it could be released, were it bought in a month or later. */
function outBy({ p, calendar, least, lineOf }: World, month: number): readonly number[] {
  const { from } = calendar.months[month] as Month;
  const stays = calendar.quarantines.map((q) => q.firstOut(from));
  return p.wishes.map(({ line }, i) => {
    const here = stays.filter((_, q) => lineOf[q] === line);
    return Math.max(least[i] ?? LATE, Math.min(LATE, ...here)) - p.today;
  });
}
