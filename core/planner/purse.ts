/** What the months' money allows, whatever the days: by set of wishes, a bit each, the cheapest ways to have bought it by the end of a month. */
import { type Month } from './calendar';
import { batchesFor } from './fewest';
import { SLACK } from './problem';
import { type Bought, LATE, type World } from './world';

/** One batch weighs more than any sum of days, which count from today. */
const BATCH = 1 << 20;
export const batchesOf = (fewest: number): number => Math.floor(fewest / BATCH);
export const daysOf = (fewest: number): number => fewest % BATCH;

/** What can have been bought by the end of a month, were only its money short: every set of wishes that a month pays is tried in each, as if a batch could be
 *  released as soon as anything of its line that is bought in that month. No plan has a set in fewer batches, or sooner. */
export function boughtBy(world: World, month: number): Bought {
  const { bought } = world;
  while (bought.length <= month) bought.push(boughtNext(world, bought.length));
  return bought[month] as Bought;
}

function boughtNext(world: World, month: number): Bought {
  const { prices } = world;
  const size = 1 << prices.length;
  const before = month > 0 ? (world.bought[month - 1] as Bought) : nothingBought(size);
  const fewest = before.fewest.slice();
  const soonest = before.soonest.slice();
  const rest = Math.max(0, (world.p.budget as number) - (world.spent[month] as number)) + SLACK;
  const price = new Float64Array(size);
  const days = new Float64Array(size);
  const out = outBy(world, month);
  for (let set = 1; set < size; set++) {
    const i = 31 - Math.clz32(set);
    const others = set ^ (1 << i);
    price[set] = (price[others] as number) + (prices[i] as number);
    days[set] = (days[others] as number) + (out[i] as number);
    if ((price[set] as number) > rest || (days[set] as number) >= BATCH) continue;
    const sum = days[set] as number;
    addTo(fewest, before.fewest, set, batchesFor(world, set) * BATCH + sum);
    addTo(soonest, before.soonest, set, sum);
  }
  return { fewest, soonest };
}

/** Whatever was bought before, and a set of others beside it. */
function addTo(least: Int32Array, before: Int32Array, set: number, cost: number): void {
  const without = (before.length - 1) ^ set;
  for (let first = without; ; first = (first - 1) & without) {
    const sum = (before[first] as number) + cost;
    if (sum < (least[first | set] as number)) least[first | set] = sum;
    if (first === 0) break;
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
