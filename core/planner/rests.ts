/** What could follow a partial plan, to the end, along the paths of a search for which money was only a matter of months: the batches, each to be paid for
 *  in one month. */
import type { Until } from './calendar';
import { sumsOf, type Wants } from './money';
import { afterLabel, couldBePaid, eitherOf, partsOf, withBuys } from './packed';
import { type Place, type Rest, standsFor, type Way } from './paths';
import { roomsAfter } from './rooms';
import { compareWorth, type Label, type ToBuy, type Worth } from './label';
import type { World } from './world';

/** Of the rests of a place those that could be paid for after a label; null where that was not asked yet. What could not is not asked again of whatever follows
 *  the label. */
export type Live = ReadonlySet<Rest> | null;

/** Of the ways of having paid for a label those that leave enough for one of the rests of a place that lead to something better, and these. */
export function waysOn(
  world: World,
  label: Label,
  place: Place,
  best: Worth,
  live: Live,
): { ways: Label['ways']; live: Live } {
  const rooms = roomsAfter(world, label, best);
  const rests = restsOf(world, place, best).filter((rest) => live === null || live.has(rest));
  const some = ofAnyWay(world, label, usefulOf(world, label, rests, label.worth, best, []), rooms);
  const ways =
    label.ways.length === 1 && some.length > 0
      ? label.ways
      : label.ways.filter(({ spent }) => isAnyPaid(world, some, spent, rooms));
  return { ways, live: liveOf(some) };
}

/** Does one way at least leave enough once an event followed? Then which rests could be paid for after it, else null.
 *  @param worth of what is reached then
 *  @param live which rests of the place before it could be paid for */
export function leadsOn(
  world: World,
  label: Label,
  worth: Worth,
  { to, buys, into }: Way,
  best: Worth,
  live: Live,
): Live {
  const rooms = roomsAfter(world, label, best);
  const rests = restsOf(world, to, best).filter((_, k) => {
    const whole = into[k] as Rest | null;
    return live === null || (whole !== null && live.has(whole));
  });
  const some = ofAnyWay(world, label, usefulOf(world, label, rests, worth, best, buys), rooms);
  const isPaid =
    label.ways.length === 1
      ? some.length > 0
      : label.ways.some(({ spent }) => isAnyPaid(world, some, spent, rooms));
  return isPaid ? liveOf(some) : null;
}

const liveOf = (some: readonly Useful[]): Live => new Set(some.map(({ rest }) => rest));

/** A rest that leads to something better, what is bought for it, and the last months in which it is. */
interface Useful {
  rest: Rest;
  buys: readonly ToBuy[];
  until: Until;
}

/** @param label after which they are bought, @param also and whatever is before them */
function usefulOf(
  world: World,
  label: Label,
  rests: readonly Rest[],
  worth: Worth,
  best: Worth,
  also: readonly ToBuy[],
): Useful[] {
  const useful: Useful[] = [];
  for (const rest of rests) {
    const until = usefulUntil(world, worth, rest, best);
    if (until !== null) useful.push({ rest, buys: afterLabel(world, label, [...rest.buys, ...also]), until });
  }
  return useful;
}

/** Those that could be paid for, were each month left what it is in the best of the ways of a label: whatever could not can be paid for after none. Of one way
 *  alone it is asked until there is one. */
function ofAnyWay(
  world: World,
  { ways }: Label,
  rests: readonly Useful[],
  rooms: readonly number[][] | null,
): readonly Useful[] {
  const least = world.calendar.months.map((_, m) => Math.min(...ways.map(({ spent }) => spent[m] as number)));
  const could = ({ buys, until }: Useful) => couldBePaid(world, buys, least, until, [], rooms);
  if (ways.length > 1) return rests.filter(could);
  const first = rests.findIndex(could);
  return first < 0 ? [] : rests.slice(first);
}

function isAnyPaid(
  world: World,
  rests: readonly Useful[],
  spent: readonly number[],
  rooms: readonly number[][] | null,
): boolean {
  for (const { buys, until } of rests) if (couldBePaid(world, buys, spent, until, [], rooms)) return true;
  return false;
}

/** The last months in which anything is bought for a plan that goes on so and is better than the best; null where it is not. With as many batches it has to
 *  end sooner. */
function usefulUntil({ calendar }: World, worth: Worth, rest: Worth, best: Worth): Until | null {
  const { placed } = rest;
  for (let i = 0; i < placed.length; i++) {
    const more = (placed[i] as number) - (best.placed[i] as number);
    if (more !== 0) return more > 0 ? calendar.untilBy(calendar.end) : null;
  }
  const last = Math.max(worth.last, rest.last);
  const batches = worth.batches + rest.batches;
  const isLess = batches < best.batches || (batches === best.batches && worth.sum + rest.sum < best.sum);
  if (last > best.last || (last === best.last && !isLess)) return null;
  return calendar.untilBy(best.last - (isLess ? 0 : 1));
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
    const { last, of } = untilBy(world, rest, best);
    for (const sum of sumsOf(buys.map(({ price }) => price))) sums.add(sum);
    for (let m = 0; m <= last; m++) {
      let sum = 0;
      for (const { price, from, line } of buys) if (from <= m && m <= (of[line] as number)) sum += price;
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
    const until = usefulUntil(world, worth, rest, known);
    const next = together(worth, rest);
    if (until !== null && compareWorth(next, best) < 0 && couldBePaid(world, rest.buys, world.spent, until))
      best = next;
  }
  return best;
}

/** The last months in which anything is bought for a plan that ends no later than the best; one that places more may end on any day. */
const untilBy = ({ calendar }: World, { placed }: Worth, best: Worth): Until =>
  calendar.untilBy(placed.every((n, i) => n === best.placed[i]) ? best.last : calendar.end);

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
  /** By which batches it goes on; null where that is of no use. */
  const add = (rest: Rest): string | null => {
    if (usefulUntil(world, worth, rest, best) === null) return null;
    const key = partsOf(rest.buys);
    const known = rests.get(key);
    rests.set(key, known ? leastOf(known, rest) : rest);
    return key;
  };
  add({ placed: worth.placed, last: worth.last, batches: 0, sum: 0, buys: [] });
  const keys: (string | null)[][] = [];
  for (const { buys: first, to } of here.steps) {
    const next = to.label.worth;
    const withFirst = (rest: Rest): Rest => ({
      placed: rest.placed,
      last: Math.max(next.last, rest.last),
      batches: next.batches - worth.batches + rest.batches,
      sum: next.sum - worth.sum + rest.sum,
      buys: withBuys(rest.buys, first),
    });
    keys.push(restsOf(world, to, best).map((rest) => add(withFirst(rest))));
  }
  here.rests = [...rests.values()].filter((rest) =>
    couldBePaid(world, rest.buys, world.spent, untilBy(world, rest, best)),
  );
  here.steps.forEach((step, k) => {
    step.into = (keys[k] as (string | null)[]).map((key) => (key === null ? null : (rests.get(key) as Rest)));
  });
  return here.rests;
}

/** Of two rests with the same batches what neither betters. */
const leastOf = (a: Rest, b: Rest): Rest => ({
  placed: a.placed,
  last: Math.min(a.last, b.last),
  batches: Math.min(a.batches, b.batches),
  sum: Math.min(a.sum, b.sum),
  buys: a.buys.map((buy, k) => eitherOf(buy, b.buys[k] as ToBuy)),
});
