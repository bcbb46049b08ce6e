/** What no plan that follows a partial one can better: when it ends, its batches, its sum of days. */
import { lastAtLeast, lastIn } from './ends';
import { batchesAtLeast, maskOf } from './fewest';
import { couldBePaid } from './packed';
import { batchesOf, boughtBy, daysOf } from './purse';
import { sumAtLeast } from './sums';
import { type Case, type Hope, type Label, LATE, type Prospect, type World, type Worth } from './world';

/** What is better than what was found and follows a label is no better than this: its last release, batches and sum of days at the least. Null where nothing
 *  that follows is better. */
export function hopeOf(world: World, label: Label, prospect: Prospect, best: Worth): Hope | null {
  if (label.told?.best !== best) label.told = { best, hope: hopeBy(world, label, prospect, best) };
  return label.told.hope;
}

function hopeBy(world: World, label: Label, prospect: Prospect, best: Worth): Hope | null {
  const { most, cases } = prospect;
  let count = 0;
  let more = 0;
  for (let i = 0; i < most.length && more === 0; i++) {
    more = (most[i] as number) - (best.placed[i] as number);
    count += (most[i] as number) - (label.worth.placed[i] as number);
  }
  if (more < 0) return null;
  if (more > 0) return { last: lastAtLeast(world, label, prospect), batches: 0, sum: 0 };
  let hope: Hope | null = null;
  for (const c of cases) {
    const next = hopeIn(world, label, c, count, best);
    if (next && (!hope || compareHope(next, hope) < 0)) hope = next;
  }
  return hope;
}

/** Below zero where a is better. */
export const compareHope = (a: Hope, b: Hope): number =>
  a.last - b.last || a.batches - b.batches || a.sum - b.sum;

/** The same in one case. @param count how many are still to be placed */
function hopeIn(world: World, label: Label, c: Case, count: number, best: Worth): Hope | null {
  const { sure } = c;
  const last = lastIn(world, label, c, best.last);
  if (last > best.last) return null;
  const bought = boughtAtLeast(world, label, sure, best);
  const batches = Math.max(bought.batches, label.worth.batches + batchesAtLeast(world, sure));
  const isSooner = last < best.last;
  if (!isSooner && batches > best.batches) return null;
  // Those of whom one goes come on some day, too.
  const others = (count - sure.length) * label.day;
  const isAsGood = !isSooner && batches === best.batches;
  if (isAsGood && bought.sum + others >= best.sum) return null;
  const sum = label.worth.sum + sumAtLeast(world, label, c) + others;
  if (isAsGood && sum >= best.sum) return null;
  const mayEndWith = batches < best.batches || (batches === best.batches && sum < best.sum);
  return canPayFor(world, label, sure, best.last - (mayEndWith ? 0 : 1)) ? { last, batches, sum } : null;
}

/** Could all that are sure be paid for, were each bought by itself, beside the batches that were bought?
 *  @param last the last release that is of use */
function canPayFor(world: World, label: Label, sure: readonly number[], last: number): boolean {
  const { p, calendar, prices } = world;
  if (p.budget === null || world.money === 'every' || last < p.today) return true;
  const each = sure.map((i) => {
    let free = LATE;
    for (const q of world.quarantinesOf[i] as number[]) free = Math.min(free, label.free[q] as number);
    return { price: prices[i] as number, from: calendar.monthAt(free) };
  });
  const month = calendar.lastMonth(last);
  return label.bills.some(({ buys }) => couldBePaid(world, [...buys, ...each], world.spent, month));
}

/** The fewest batches and the least sum of release days of a plan that has all who are placed and all who are sure, by what the months pay. */
function boughtAtLeast(
  world: World,
  label: Label,
  sure: readonly number[],
  best: Worth,
): { batches: number; sum: number } {
  const { p, calendar } = world;
  // What is bought may be joined.
  const isJoined = world.open.length + world.set.length > 0;
  if (!world.needed || isJoined || best.last < p.today) return { batches: 0, sum: 0 };
  const by = boughtBy(world, calendar.lastMonth(best.last));
  const rest = maskOf(sure);
  const whole = rest | label.mask;
  const fewest = by.fewest[whole] as number;
  const batches = Math.max(batchesOf(fewest), label.worth.batches + batchesOf(by.fewest[rest] as number));
  const soonest = batchesOf(fewest) === best.batches ? daysOf(fewest) : (by.soonest[whole] as number);
  const count = sure.length + label.worth.placed.reduce((sum, n) => sum + n, 0);
  return { batches, sum: soonest + count * p.today };
}

/** Can nothing that follows a label be better than what was found? */
export const isHopeless = (world: World, label: Label, prospect: Prospect, best: Worth): boolean =>
  hopeOf(world, label, prospect, best) === null;
