/** Those of a line who come so late that its quarantines release but few more batches: as each batch is paid for in one month, so are they together. */
import { type StayCalendar } from './calendar';
import { SLACK, type Wish } from './problem';
import { toBuy } from './packed';
import { enteringAfter } from './soonest';
import { boughtAs } from './batch';
import type { Case, Label, ToBuy } from './label';
import type { Lane, World } from './world';

/** A batch that a quarantine could still release. */
interface Stay {
  lane: Lane;
  capacity: number;
  /** The first month in which it could be bought. */
  from: number;
  /** Who is put in it: a bit for each, their load and price. */
  mask: number;
  loadMgN: number;
  price: number;
}

export interface Late {
  wishes: readonly number[];
  /** A bit for each. */
  mask: number;
  stays: Stay[];
}

/** With more of them a line's quarantines bind nobody. */
const MOST_STAYS = 3;

/** Of each line those who outnumber the most the stays from which they could be released, and these.
 *  @param last the last release that is of use */
export function lateAfter(world: World, label: Label, c: Case, last: number): Late {
  const { outs, from } = enteringAfter(world, label, c);
  const wishes: number[] = [];
  const stays: Stay[] = [];
  let mask = 0;
  for (const lane of world.lanes) {
    const here = c.sure.filter((i) => (lane.mask & (1 << i)) !== 0);
    // What is bought is released beside what is bought next, and may be joined.
    if (here.length < 2 || world.own.lines.includes(lane.line)) continue;
    let most = 0;
    let day = 0;
    for (const i of here) {
      const since = from[i] as number;
      const late = here.filter((other) => (from[other] as number) >= since).length;
      const spare = late - countStays(world, lane, outs, since, last);
      if (spare > most) [most, day] = [spare, since];
    }
    if (most === 0) continue;
    putStays(world, label, lane, outs, day, last, stays);
    for (const i of here) {
      if ((from[i] as number) < day) continue;
      wishes.push(i);
      mask |= 1 << i;
    }
  }
  return { wishes, mask, stays };
}

const BINDS_NOBODY = 1000;

/** How many batches a line's quarantines can release from one day to another. */
function countStays(
  { calendar }: World,
  lane: Lane,
  outs: readonly number[],
  from: number,
  to: number,
): number {
  let count = 0;
  for (const q of lane.quarantines) {
    const { firstOut } = calendar.quarantines[q] as StayCalendar;
    for (let day = Math.max(outs[q] as number, from); day <= to; day = firstOut(day + 1))
      if (++count > MOST_STAYS) return BINDS_NOBODY;
  }
  return count;
}

function putStays(
  { calendar }: World,
  label: Label,
  lane: Lane,
  outs: readonly number[],
  from: number,
  to: number,
  stays: Stay[],
): void {
  for (const q of lane.quarantines) {
    const { firstOut, capacity } = calendar.quarantines[q] as StayCalendar;
    let free = label.free[q] as number;
    for (let day = Math.max(outs[q] as number, from); day <= to; day = firstOut(day + 1)) {
      stays.push({ lane, capacity, from: calendar.monthAt(free), mask: 0, loadMgN: 0, price: 0 });
      free = day + 1;
    }
  }
}

/** Choices tried before it is left open. */
const MOST_TRIES = 300;

/** Could all of them be paid for, put into those stays in some way? True where it was not found out.
 *  @param each all who are to be bought, each by itself
 *  @param couldBe could these be paid for? */
export function couldBeTogether(
  world: World,
  { wishes, mask, stays }: Late,
  each: readonly ToBuy[],
  couldBe: (those: readonly ToBuy[]) => boolean,
): boolean {
  const others = each.filter((buy) => (buy.mask & mask) === 0);
  const budget = (world.p.budget as number) + SLACK;
  let tries = 0;
  return putFrom(0);

  function putFrom(k: number): boolean {
    if (++tries > MOST_TRIES) return true;
    if (k === wishes.length) return couldBe([...others, ...together(world, stays)]);
    const i = wishes[k] as number;
    const { loadMgN } = world.p.wishes[i] as Wish;
    const price = world.prices[i] as number;
    for (let s = 0; s < stays.length; s++) {
      const stay = stays[s] as Stay;
      if ((stay.lane.mask & (1 << i)) === 0 || isLikeBefore(stays, s)) continue;
      if (stay.loadMgN + loadMgN > stay.capacity + SLACK || stay.price + price > budget) continue;
      if ((world.conflicts[i] as number[]).some((other) => (stay.mask & (1 << other)) !== 0)) continue;
      const before = { ...stay };
      stay.mask |= 1 << i;
      stay.loadMgN += loadMgN;
      stay.price += price;
      const could = putFrom(k + 1);
      Object.assign(stay, before);
      if (could) return true;
    }
    return false;
  }
}

/** Is a stay empty, and another like it before it, too? */
function isLikeBefore(stays: readonly Stay[], s: number): boolean {
  const { lane, capacity, from, mask } = stays[s] as Stay;
  if (mask !== 0) return false;
  for (let k = 0; k < s; k++) {
    const other = stays[k] as Stay;
    if (other.mask === 0 && other.lane === lane && other.capacity === capacity && other.from === from)
      return true;
  }
  return false;
}

/** A batch with a cleaner in it is one of cleaners. */
const together = ({ p }: World, stays: readonly Stay[]): ToBuy[] =>
  stays.flatMap(({ mask, price, from }) => {
    if (mask === 0) return [];
    let line = 0;
    p.wishes.forEach((w, i) => {
      if ((mask & (1 << i)) !== 0) line = Math.max(line, boughtAs(w));
    });
    return [toBuy(mask, price, from, line)];
  });
