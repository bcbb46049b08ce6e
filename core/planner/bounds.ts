/** What no plan that follows a partial one can better: when it ends, its batches, its sum of days. */
import { lastAtLeast, lastIn } from './ends';
import { batchesAtLeast, maskOf } from './fewest';
import { couldBeTogether, type Late, lateAfter } from './late';
import { couldBePaid, toBuy } from './packed';
import { batchesOf, boughtBy, daysOf } from './purse';
import type { Wish } from './problem';
import { sumAtLeast } from './sums';
import {
  type Case,
  type Hope,
  type Label,
  LATE,
  type Prospect,
  type ToBuy,
  type Told,
  type Worth,
} from './label';
import { boughtAs } from './batch';
import type { World } from './world';

/** What is better than what was found and follows a label is no better than this: its last release, batches and sum of days at the least. Null where nothing
 *  that follows is better. */
export function hopeOf(world: World, label: Label, prospect: Prospect, best: Worth): Hope | null {
  const told = toldOf(world, label, prospect, best);
  return told && { last: told.last, batches: told.batches, sum: sumOf(world, label, told) };
}

/** Can nothing that follows a label be better than what was found? */
export const isHopeless = (world: World, label: Label, prospect: Prospect, best: Worth): boolean =>
  toldOf(world, label, prospect, best) === null;

function toldOf(world: World, label: Label, prospect: Prospect, best: Worth): Told | null {
  if (label.told?.best !== best) label.told = { best, hope: toldBy(world, label, prospect, best) };
  return label.told.hope;
}

function toldBy(world: World, label: Label, prospect: Prospect, best: Worth): Told | null {
  const { most, cases } = prospect;
  let count = 0;
  let more = 0;
  for (let i = 0; i < most.length && more === 0; i++) {
    more = (most[i] as number) - (best.placed[i] as number);
    count += (most[i] as number) - (label.worth.placed[i] as number);
  }
  if (more < 0) return null;
  if (more > 0) return { last: lastAtLeast(world, label, prospect), batches: 0, sum: 0, of: null };
  let told: Told | null = null;
  for (const c of cases) {
    const next = toldIn(world, label, c, count, best);
    if (next && (!told || isBetter(world, label, next, told))) told = next;
  }
  return told;
}

/** Below zero where a is better. */
export const compareHope = (a: Hope, b: Hope): number =>
  a.last - b.last || a.batches - b.batches || a.sum - b.sum;

const isBetter = (world: World, label: Label, a: Told, b: Told): boolean =>
  (a.last - b.last || a.batches - b.batches || sumOf(world, label, a) - sumOf(world, label, b)) < 0;

/** The sum of days is reckoned only where it is asked for. */
function sumOf(world: World, label: Label, told: Told): number {
  if (told.of) {
    told.sum += sumAtLeast(world, label, told.of);
    told.of = null;
  }
  return told.sum;
}

/** The same in one case. @param count how many are still to be placed */
function toldIn(world: World, label: Label, c: Case, count: number, best: Worth): Told | null {
  const { sure } = c;
  const last = lastIn(world, label, c, best.last);
  if (last > best.last) return null;
  const bought = boughtAtLeast(world, label, sure, best);
  const batches = Math.max(bought.batches, label.worth.batches + batchesAtLeast(world, sure));
  const isSooner = last < best.last;
  if (!isSooner && batches > best.batches) return null;
  // Those of whom one goes come on some day, too.
  const others = (count - sure.length) * label.day;
  if (!isSooner && batches === best.batches && bought.sum + others >= best.sum) return null;
  const told: Told = { last, batches, sum: label.worth.sum + others, of: c };
  const isLess = batches < best.batches || (batches === best.batches && sumOf(world, label, told) < best.sum);
  if (!isLess && !isSooner) return null;
  // With no less of either it has to end sooner.
  return canPayFor(world, label, c, best.last - (isLess ? 0 : 1)) ? told : null;
}

/** Could all that are sure be paid for beside the batches that were bought? Each by itself, but for those who come so late that they are bought together.
 *  @param last the last release that is of use */
function canPayFor(world: World, label: Label, c: Case, last: number): boolean {
  const { p, calendar, prices } = world;
  const asksMonths = world.money === 'one' || world.money === 'months';
  if (p.budget === null || !asksMonths || last < p.today) return true;
  const each: ToBuy[] = [];
  for (const i of c.sure) {
    let free = LATE;
    for (const q of world.quarantinesOf[i] as number[]) free = Math.min(free, label.free[q] as number);
    each.push(toBuy(1 << i, prices[i] as number, calendar.monthAt(free), boughtAs(p.wishes[i] as Wish)));
  }
  const until = calendar.untilBy(last);
  let late: Late | null = null;
  for (const { buys } of label.bills) {
    if (!couldBePaid(world, buys, world.spent, until, each)) continue;
    late ??= lateAfter(world, label, c, last);
    const couldBe = (those: readonly ToBuy[]) => couldBePaid(world, buys, world.spent, until, those);
    if (late.wishes.length === 0 || couldBeTogether(world, late, each, couldBe)) return true;
  }
  return false;
}

/** The fewest batches and the least sum of release days of a plan that has all who are placed and all who are sure, by what the months pay. */
function boughtAtLeast(
  world: World,
  label: Label,
  sure: readonly number[],
  best: Worth,
): { batches: number; sum: number } {
  const { p, calendar, own } = world;
  if (!world.needed || best.last < p.today) return { batches: 0, sum: 0 };
  const by = boughtBy(world, calendar.untilBy(best.last).last);
  const rest = maskOf(sure) & ~own.mask;
  const whole = rest | (label.mask & ~own.mask);
  const fewest = by.fewest[whole] as number;
  const inAll = own.batches + batchesOf(fewest);
  const batches = Math.max(inAll, label.worth.batches + batchesOf(by.fewest[rest] as number));
  let sum = inAll === best.batches ? daysOf(fewest) : (by.soonest[whole] as number);
  let count = sure.length;
  for (const n of label.worth.placed) count += n;
  if (own.mask !== 0)
    for (let i = 0; i < own.days.length; i++)
      if (((label.mask >> i) & 1) === 1 || sure.includes(i)) sum += own.days[i] as number;
  return { batches, sum: sum + count * p.today };
}
