/** Whole batches in the months: as each is paid for in one, no batch can be cut where two months have a rest. */
import { SLACK } from './problem';
import { CLEANERS, FISH, INVERTEBRATES, type Until } from './calendar';
import { ANY_QUARANTINE, type Batch, type Label, LATE, NO_QUARANTINE, type ToBuy } from './label';
import type { World } from './world';

/** Could each of some be paid for in one month, from its first to the last of its line? True where it was not found out.
 *  @param spent by month what is spent already
 *  @param also more of them
 *  @param rooms by line and month how many of them can be bought by its end, where they are batches of which that is known (rooms.ts) */
export function couldBePaid(
  { p }: World,
  buys: readonly ToBuy[],
  spent: readonly number[],
  until: Until,
  also: readonly ToBuy[] = NO_MORE,
  rooms: readonly number[][] | null = null,
): boolean {
  const budget = (p.budget as number) + SLACK;
  const rest: number[] = [];
  for (let m = 0; m <= until.last; m++) rest.push(Math.max(0, budget - (spent[m] as number)));
  const few: ToBuy[] = [];
  for (const buy of buys) if (buy.price > 0) sortIn(few, buy);
  for (const buy of also) if (buy.price > 0) sortIn(few, buy);
  const of = hasFish(buys) || hasFish(also) ? until.of : withoutFish(until.of);
  const bounds = (rooms ?? []).map((room, line) => boundBy(room, buys, line));
  const bound = Math.max(-1, ...bounds);
  const packing: Packing = {
    few,
    rest,
    of,
    all: openToAll(few, of),
    rooms: bound < 0 ? null : (rooms as readonly number[][]).map((room) => room.slice()),
    bounds,
    bound,
    tries: 0,
    most: FEW_TRIES,
  };
  if (!isEnough(packing, budget, 0) || !packs(packing, 0)) return false;
  if (packing.tries <= FEW_TRIES) return true;
  if (!isEnoughWhole(packing, budget) || !isEnoughInRooms(packing)) return false;
  return packs({ ...packing, tries: 0, most: MOST_TRIES }, 0);
}

const NO_MORE: readonly ToBuy[] = [];

function hasFish(buys: readonly ToBuy[]): boolean {
  for (const { line } of buys) if (line === FISH) return true;
  return false;
}

/** Without a fish cleaners may come as late as anything of their line. */
const withoutFish = (of: readonly number[]): readonly number[] =>
  of[CLEANERS] === of[INVERTEBRATES]
    ? of
    : of.map((month, line) => (line === CLEANERS ? (of[INVERTEBRATES] as number) : month));

/** Whoever has the fewest months first, of those alike the dearest. */
function sortIn(few: ToBuy[], buy: ToBuy): void {
  const { from, price } = buy;
  let at = few.length;
  for (; at > 0; at--) {
    const before = few[at - 1] as ToBuy;
    if (before.from > from || (before.from === from && before.price >= price)) break;
    few[at] = before;
  }
  few[at] = buy;
}

interface Packing {
  /** Those of the latest months first. */
  few: readonly ToBuy[];
  /** By month what is left. */
  rest: number[];
  /** By line the last month, and the last that is open to all. */
  of: readonly number[];
  all: number;
  /** By line and month how many more can be bought by its end; null where that binds none. */
  rooms: readonly number[][] | null;
  /** By line the last month in which it binds, and the last of all. */
  bounds: readonly number[];
  bound: number;
  tries: number;
  most: number;
}

/** Cleaners are of a line, too. */
const lineOf = ({ line }: ToBuy): number => (line === CLEANERS ? INVERTEBRATES : line);

/** The last month by whose end not all of a line can be bought; -1 where there is none. */
function boundBy(room: readonly number[], buys: readonly ToBuy[], line: number): number {
  let count = 0;
  for (const buy of buys) if (lineOf(buy) === line) count++;
  let bound = -1;
  while (bound + 1 < room.length && (room[bound + 1] as number) < count) bound++;
  return bound;
}

/** Is there enough from each month on, to the last of each line, for all that could be bought in no other, could it be cut? Of two that no month pays together
 *  one takes all of a month.
 *  @param small those below cost nothing, and those that no month pays beside one of these a whole month */
function isEnough(packing: Packing, budget: number, small: number): boolean {
  const { of } = packing;
  for (let line = 0; line < of.length; line++) {
    const last = of[line] as number;
    if (of.indexOf(last) === line && !isEnoughTo(packing, budget, small, last)) return false;
  }
  return true;
}

function isEnoughTo({ few, rest, of }: Packing, budget: number, small: number, last: number): boolean {
  const large = budget - small;
  let left = 0;
  let cost = 0;
  let k = 0;
  for (let m = last; m >= 0; m--) {
    const here = rest[m] as number;
    left += here > large ? budget : here;
    for (; k < few.length && (few[k] as ToBuy).from >= m; k++) {
      const { price, line } = few[k] as ToBuy;
      if (price < small || (of[line] as number) > last) continue;
      cost += price > large ? budget : price;
    }
    if (cost > left + SLACK) return false;
  }
  return true;
}

/** The same for whatever is no more than half of a month, and for the half. */
function isEnoughWhole(packing: Packing, budget: number): boolean {
  const half = budget / 2;
  if (!isEnough(packing, budget, half)) return false;
  for (const { price } of packing.few) if (price <= half && !isEnough(packing, budget, price)) return false;
  return true;
}

/** And for all that are bought in it or later, as there is no room for them before? */
function isEnoughInRooms(packing: Packing): boolean {
  const { rest, bound } = packing;
  let left = 0;
  for (let m = rest.length - 1; m > 0; m--) {
    left += rest[m] as number;
    if (m <= bound + 1 && costFrom(packing, m) > left + SLACK) return false;
  }
  return true;
}

/** What is bought in a month or later costs at the least: all that could be bought in no other, and the cheapest of those that have no room before it. */
function costFrom({ few, rooms, bounds }: Packing, month: number): number {
  let cost = 0;
  bounds.forEach((until, line) => {
    const here = few.filter((buy) => lineOf(buy) === line);
    const sooner: number[] = [];
    for (const { from, price } of here)
      if (from >= month) cost += price;
      else sooner.push(price);
    if (month > until + 1) return;
    const before = Math.max(0, (rooms as readonly number[][])[line]?.[month - 1] as number);
    sooner.sort((a, b) => a - b);
    for (let k = 0; k < sooner.length - before; k++) cost += sooner[k] as number;
  });
  return cost;
}

/** The last month that is open to all of them. */
function openToAll(few: readonly ToBuy[], of: readonly number[]): number {
  let all = Infinity;
  for (const { line } of few) all = Math.min(all, of[line] as number);
  return all;
}

/** Choices tried before it is asked whether whole batches leave enough, and before it is left open. */
const FEW_TRIES = 20;
const MOST_TRIES = 500;

/** Do those from one on go into the months that are left? */
function packs(packing: Packing, at: number): boolean {
  const { few, rest, of, all, rooms } = packing;
  if (at === few.length || ++packing.tries > packing.most) return true;
  if (rooms !== null) return packsInRooms(packing, rooms, at);
  const { price, from, line } = few[at] as ToBuy;
  for (let m = from; m <= (of[line] as number); m++) {
    const before = rest[m] as number;
    if (before < price || (m <= all && isTold(rest, before, from, m))) continue;
    rest[m] = before - price;
    const fits = packs(packing, at + 1);
    rest[m] = before;
    if (fits) return true;
  }
  return false;
}

/** The same where not all can be bought as soon as there is money: the latest months first, which leave the most room. */
function packsInRooms(packing: Packing, rooms: readonly number[][], at: number): boolean {
  const { few, rest, of, all, bounds, bound } = packing;
  const buy = few[at] as ToBuy;
  const { price, from, line } = buy;
  const room = rooms[lineOf(buy)] as number[];
  const until = bounds[lineOf(buy)] as number;
  const last = of[line] as number;
  for (let m = last; m >= from; m--) {
    const before = rest[m] as number;
    if (before < price || (m > bound && m <= all && isTold(rest, before, m + 1, Math.min(last, all) + 1)))
      continue;
    if (!hasRoom(room, m, until)) return false;
    takeRoom(room, m, until, 1);
    rest[m] = before - price;
    const fits = packs(packing, at + 1);
    rest[m] = before;
    takeRoom(room, m, until, -1);
    if (fits) return true;
  }
  return false;
}

function hasRoom(room: readonly number[], from: number, until: number): boolean {
  for (let m = from; m <= until; m++) if ((room[m] as number) < 1) return false;
  return true;
}

function takeRoom(room: number[], from: number, until: number, count: number): void {
  for (let m = from; m <= until; m++) room[m] = (room[m] as number) - count;
}

/** Of two months that leave the same one is tried: those that come after could be bought in either. */
function isTold(rest: readonly number[], left: number, from: number, m: number): boolean {
  for (let k = from; k < m; k++) if (rest[k] === left) return true;
  return false;
}

/** All are made here, alike to the engine that reads them so often. */
export const toBuy = (
  mask: number,
  price: number,
  from: number,
  line: number,
  quarantine: number = ANY_QUARANTINE,
): ToBuy => ({ mask, price, from, line, quarantine });

/** What two are, of which either may be bought: no later than each. */
export const eitherOf = (a: ToBuy, b: ToBuy): ToBuy =>
  toBuy(a.mask, a.price, Math.min(a.from, b.from), a.line, quarantineOfEither(a, b));

function quarantineOfEither(a: ToBuy, b: ToBuy): number {
  if (a.quarantine === b.quarantine) return a.quarantine;
  return a.quarantine === NO_QUARANTINE || b.quarantine === NO_QUARANTINE ? NO_QUARANTINE : ANY_QUARANTINE;
}

/** The same after a partial plan: none before its quarantine is free. */
export function afterLabel(
  { quarantinesOf, calendar }: World,
  label: Label,
  buys: readonly ToBuy[],
): readonly ToBuy[] {
  return buys.map(({ mask, price, from, line, quarantine }) => {
    if (quarantine === NO_QUARANTINE) return toBuy(mask, price, from, line, quarantine);
    const wish = 31 - Math.clz32(mask & -mask);
    const those = quarantine === ANY_QUARANTINE ? (quarantinesOf[wish] as number[]) : [quarantine];
    const free = Math.min(LATE, ...those.map((q) => label.free[q] as number));
    const month = free < calendar.end ? calendar.monthAt(free) : calendar.months.length;
    return toBuy(mask, price, Math.max(from, month), line, quarantine);
  });
}

/** With some batches, in the order of their masks.
 *  @param open by batch the months it could be bought in */
export function withBatches(
  buys: readonly ToBuy[],
  batches: readonly Batch[],
  open: readonly (readonly number[])[],
): ToBuy[] {
  const all = buys.slice();
  for (let k = 0; k < batches.length; k++) {
    const { mask, price, line, boughtOn, quarantine } = batches[k] as Batch;
    const waitsFor = boughtOn === null ? quarantine : NO_QUARANTINE;
    putIn(all, toBuy(mask, price, (open[k] as readonly number[])[0] ?? 0, line, waitsFor));
  }
  return all;
}

/** With others, in the order of their masks. */
export function withBuys(buys: readonly ToBuy[], others: readonly ToBuy[]): ToBuy[] {
  const all = buys.slice();
  for (const buy of others) putIn(all, buy);
  return all;
}

function putIn(all: ToBuy[], buy: ToBuy): void {
  let at = all.length;
  for (; at > 0 && (all[at - 1] as ToBuy).mask > buy.mask; at--) all[at] = all[at - 1] as ToBuy;
  all[at] = buy;
}

/** Which batches these are. */
export function partsOf(buys: readonly ToBuy[]): string {
  let parts = '';
  for (const { mask } of buys) parts += `${mask} `;
  return parts;
}
