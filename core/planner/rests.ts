/** What could follow a partial plan, to the end, along the paths of a search for which money was only a matter of months: the batches, each to be paid for
 *  in one month. */
import { sumsOf, type Wants } from './money';
import { couldBePaid, partsOf, toBuy, withBuys } from './packed';
import { type Place, type Rest, standsFor } from './paths';
import { compareWorth, type Label, type ToBuy, type World, type Worth } from './world';

/** Of some ways of having paid those that leave enough for one of the rests of a place that lead to something better.
 *  @param worth of the partial plan that stands on it
 *  @param also what is to be bought before */
export function waysOn(
  world: World,
  ways: Label['ways'],
  worth: Worth,
  place: Place,
  best: Worth,
  also: readonly ToBuy[] = [],
): Label['ways'] {
  const rests = restsOf(world, place, best).flatMap((rest) => {
    const then = together(worth, rest);
    if (compareWorth(then, best) >= 0) return [];
    return [{ buys: [...also, ...rest.buys], last: lastMonthOf(world, then, best) }];
  });
  return ways.filter(({ spent }) => rests.some(({ buys, last }) => couldBePaid(world, buys, spent, last)));
}

/** With more rests than this, what is wanted is told from who is left. */
const FEW_RESTS = 24;

/** What is wanted of the months after a place: by whole batches. Null where there are too many. */
export function wantsAt(world: World, place: Place, best: Worth): Wants | null {
  const here = standsFor(place);
  if (here.wants === undefined) here.wants = wantsBy(world, restsOf(world, here, best), best);
  return here.wants;
}

function wantsBy(world: World, rests: readonly Rest[], best: Worth): Wants | null {
  if (rests.length > FEW_RESTS) return null;
  const sums = new Set([0]);
  const wanted = world.calendar.months.map(() => 0);
  for (const rest of rests) {
    const { buys } = rest;
    const last = lastMonthBy(world, rest, best, best.last);
    for (const sum of sumsOf(buys.map(({ price }) => price))) sums.add(sum);
    for (let m = 0; m <= last; m++) {
      let sum = 0;
      for (const { price, from } of buys) if (from <= m) sum += price;
      wanted[m] = Math.max(wanted[m] as number, sum);
    }
  }
  return { wanted, costs: Float64Array.from(sums).sort() };
}

/** The best that could be found along paths, or what is known where that is no worse. */
export function bestAlong(world: World, paths: Place, known: Worth): Worth {
  const { worth } = paths.label;
  let best = known;
  for (const rest of restsOf(world, paths, known)) {
    const next = together(worth, rest);
    if (
      compareWorth(next, best) < 0 &&
      couldBePaid(world, rest.buys, world.spent, lastMonthOf(world, next, known))
    )
      best = next;
  }
  return best;
}

/** The last month in which anything is bought for a plan with such batches that is better than the best: with as many of them it has to end sooner. */
function lastMonthOf(world: World, worth: Worth, best: Worth): number {
  const mayEndWith = worth.batches < best.batches || (worth.batches === best.batches && worth.sum < best.sum);
  return lastMonthBy(world, worth, best, best.last - (mayEndWith ? 0 : 1));
}

/** The last month in which anything is bought for a release by a day; one that places more than the best may end on any. */
const lastMonthBy = ({ calendar }: World, { placed }: Worth, best: Worth, day: number): number =>
  placed.every((n, i) => n === best.placed[i]) ? calendar.lastMonth(day) : calendar.months.length - 1;

const together = (worth: Worth, rest: Worth): Worth => ({
  placed: rest.placed,
  last: Math.max(worth.last, rest.last),
  batches: worth.batches + rest.batches,
  sum: worth.sum + rest.sum,
});

/** What could come after a place, but what is of no use: no better than the best, or more than the months pay by themselves. */
function restsOf(world: World, place: Place, best: Worth): readonly Rest[] {
  const here = standsFor(place);
  if (here.rests) return here.rests;
  const { worth } = here.label;
  const rests = new Map<string, Rest>();
  const add = (key: string, rest: Rest) => {
    if (compareWorth(together(worth, rest), best) >= 0) return;
    const known = rests.get(key);
    rests.set(key, known ? leastOf(known, rest) : rest);
  };
  add('', { placed: worth.placed, last: worth.last, batches: 0, sum: 0, buys: [] });
  for (const { buys: first, to } of here.steps) {
    const next = to.label.worth;
    for (const rest of restsOf(world, to, best)) {
      const buys = withBuys(rest.buys, first);
      add(partsOf(buys), {
        placed: rest.placed,
        last: Math.max(next.last, rest.last),
        batches: next.batches - worth.batches + rest.batches,
        sum: next.sum - worth.sum + rest.sum,
        buys,
      });
    }
  }
  here.rests = [...rests.values()].filter((rest) =>
    couldBePaid(world, rest.buys, world.spent, lastMonthBy(world, rest, best, best.last)),
  );
  return here.rests;
}

/** Of two rests with the same batches what neither betters. */
const leastOf = (a: Rest, b: Rest): Rest => ({
  placed: a.placed,
  last: Math.min(a.last, b.last),
  batches: Math.min(a.batches, b.batches),
  sum: Math.min(a.sum, b.sum),
  buys: a.buys.map(({ mask, price, from }, k) =>
    toBuy(mask, price, Math.min(from, (b.buys[k] as ToBuy).from)),
  ),
});
