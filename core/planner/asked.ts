/** What is asked of events while they are put together, before it is known where they lead to. */
import { lastIn, releaseAfter, passedBy } from './ends';
import { type Event } from './event';
import { batchesBeside, maskOf } from './fewest';
import { DOUBLING_DAYS, SLACK, type Wish, isHeavy } from './problem';
import { batchesOf, boughtBy } from './purse';
import { enteringAfter, isHalfThere } from './soonest';
import { type Batch, type Case, type Label, LATE, NONE, type Prospect, type Worth, BITS } from './label';
import type { Lane, World } from './world';

/** Asked of batches that could be an event: who is in them, whether it brings a load, and a day before which it cannot be. */
export type IsUseless = (batches: readonly Batch[], mask: number, isLoad: boolean, day: number) => boolean;

/** Asked of batches that could be part of an event: how many are yet to be bought, who is in them, and a day before which the event cannot be. */
export type NoBetter = (toBuy: number, mask: number, day: number) => boolean;

/** What is asked of every event that could follow a label, before it is known where it leads to. */
export interface Asked {
  /** Would no plan with it be better than the best so far? Less sharp than what is asked of the label it leads to, and cheap. */
  isUseless: IsUseless;
  /** The same of a part of it, with more beside it or not; null where a plan that has all who are sure could still end sooner than the best. */
  noBetter: NoBetter | null;
}

/** What a look at the events that could follow a label is for. */
export interface Aim {
  /** What is no better is of no use; null where anything is. */
  best: Worth | null;
  /** Where only a plan that places the most is as good as the best; then one that ends later is of no use. */
  isWhole: boolean;
  /** Days after it are of no use. */
  latest: number;
  /** Null where more could be placed than in the best plan so far. */
  asked: Asked | null;
  /** Is a label no better than one that is kept, whatever is paid for? */
  isDropped: (label: Label) => boolean;
}

/** Whatever can be. */
export const ANYTHING: Aim = {
  best: null,
  isWhole: false,
  latest: LATE,
  asked: null,
  isDropped: () => false,
};

/** @param isDropped is a label no better than one that is kept? */
export function aimAfter(
  world: World,
  label: Label,
  prospect: Prospect,
  best: Worth | null,
  isDropped: Aim['isDropped'] = ANYTHING.isDropped,
): Aim {
  if (best === null) return ANYTHING;
  if (!prospect.most.every((n, i) => n === best.placed[i])) return { ...ANYTHING, best, isDropped };
  const asked = world.rough || world.p.wishes.length > BITS ? null : askedOf(world, label, prospect, best);
  return { best, isWhole: true, latest: best.last, asked, isDropped };
}

/** Is nothing that follows an event on a day of use, nor on a later one? */
export const isUseless = ({ asked }: Aim, { batches, mask, heavy }: Event, day: number): boolean =>
  asked !== null && asked.isUseless(batches, mask, heavy, day);

/** For a label after which no more can be placed than in the best plan so far. */
function askedOf(world: World, label: Label, prospect: Prospect, best: Worth): Asked {
  const cases = prospect.cases.map((c) => askedIn(world, label, c, prospect.most, best));
  const all = cases.flatMap(({ noBetter }) => noBetter ?? []);
  return {
    isUseless: (batches, mask, isLoad, day) => {
      for (const { isUseless } of cases) if (!isUseless(batches, mask, isLoad, day)) return false;
      return true;
    },
    noBetter:
      all.length < cases.length
        ? null
        : (toBuy, mask, day) => {
            for (const noBetter of all) if (!noBetter(toBuy, mask, day)) return false;
            return true;
          },
  };
}

function askedIn(world: World, label: Label, c: Case, most: readonly number[], best: Worth): Asked {
  const atLeast = lastIn(world, label, c, best.last);
  const endBy = endsAfter(world, label, c, best.last);
  const noBetter = noBetterThan(world, label, c, most, best);
  return {
    isUseless: (batches, mask, isLoad, day) => {
      const end = Math.max(atLeast, endBy(batches, mask, isLoad, day));
      if (end !== best.last) return end > best.last;
      let toBuy = 0;
      for (const b of batches) if (b.boughtOn === null) toBuy++;
      return noBetter(toBuy, mask, day);
    },
    noBetter: atLeast < best.last ? null : noBetter,
  };
}

/** When a plan that has all who are sure ends at the earliest, were an event released on a day.
 *  @param over anything later is told no further apart */
function endsAfter(
  world: World,
  label: Label,
  c: Case,
  over: number,
): (batches: readonly Batch[], mask: number, isLoad: boolean, day: number) => number {
  const { p, lanes } = world;
  const { sure } = c;
  const { outs, from } = enteringAfter(world, label, c);
  const laneOf = p.wishes.map((w) => lanes.findIndex((lane) => lane.line === w.line));
  const first = label.firstHeavy === NONE && world.setHeavy.length === 0 ? p.firstSettleDays : 0;
  const there = p.displayLoadMgN + (label.sums[label.sums.length - 1] ?? 0);
  let whole = there;
  for (const i of sure) whole += (p.wishes[i] as Wish).loadMgN;
  const loads = new Float64Array(lanes.length);
  const then = [...outs];
  const halfIsThere = isHalfThere(world, there, whole);
  return (batches, mask, isLoad, day) => {
    let end = day;
    let heavy = 0;
    let load = 0;
    loads.fill(0);
    for (const i of sure) {
      if ((mask & (1 << i)) !== 0) continue;
      end = Math.max(end, from[i] as number);
      const { loadMgN } = p.wishes[i] as Wish;
      if (isHeavy(loadMgN)) heavy += loadMgN;
      load += loadMgN;
      loads[laneOf[i] as number]! += loadMgN;
    }
    const lastHeavy = isLoad ? day : label.lastHeavy;
    if (heavy > 0 && lastHeavy !== NONE) {
      const days = Math.ceil(heavy / world.perDay - 1e-9);
      end = Math.max(end, lastHeavy + Math.max(p.settleDays, first) + p.settleDays * (days - 1));
    }
    // Doubling: half of the whole load is there thirty days before the last.
    if (!halfIsThere && load > SLACK) end = Math.max(end, day + DOUBLING_DAYS);
    if (end > over) return end;
    for (let q = 0; q < outs.length; q++) then[q] = outs[q] as number;
    if (world.open.length === 0)
      for (const { quarantine } of batches) then[quarantine] = releaseAfter(world, quarantine, day);
    for (let k = 0; k < lanes.length && end <= over; k++)
      if ((loads[k] as number) > 0)
        end = Math.max(end, passedBy(world, label, lanes[k] as Lane, then, day, loads[k] as number));
    return end;
  };
}

/** Would a plan with an event, or with more beside it, that ends no sooner than the best take too many batches, or as many and too long in all? */
function noBetterThan(world: World, label: Label, c: Case, most: readonly number[], best: Worth): NoBetter {
  const { sure } = c;
  const { from } = enteringAfter(world, label, c);
  const whole = maskOf(sure);
  const bought =
    world.needed && best.last >= world.p.today
      ? boughtBy(world, world.calendar.untilBy(best.last).last).fewest
      : null;
  const batchesOfRest = (rest: number): number => {
    const byRoom = batchesBeside(world, rest);
    return bought === null ? byRoom : Math.max(byRoom, batchesOf(bought[rest & ~world.own.mask] as number));
  };
  let count = 0;
  for (let i = 0; i < most.length; i++) count += (most[i] as number) - (label.worth.placed[i] as number);
  return (toBuy, mask, day) => {
    const rest = whole & ~mask;
    const batches = label.worth.batches + toBuy + batchesOfRest(rest);
    if (batches !== best.batches) return batches > best.batches;
    // Whoever is not in it comes with it or later.
    let sum = label.worth.sum + count * day;
    for (const i of sure) if ((rest & (1 << i)) !== 0) sum += Math.max(0, (from[i] as number) - day);
    return sum >= best.sum;
  };
}
