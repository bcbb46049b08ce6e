/** Whole batches in the months: as each is paid for in one, no batch can be cut where two months have a rest. */
import { SLACK } from './problem';
import type { Batch, ToBuy, World } from './world';

/** Could each of some be paid for in one month, from its first to a last one? True where it was not found out.
 *  @param spent by month what is spent already
 *  @param also more of them */
export function couldBePaid(
  { p }: World,
  buys: readonly ToBuy[],
  spent: readonly number[],
  last: number,
  also: readonly ToBuy[] = NO_MORE,
): boolean {
  const budget = (p.budget as number) + SLACK;
  const rest: number[] = [];
  for (let m = 0; m <= last; m++) rest.push(Math.max(0, budget - (spent[m] as number)));
  const few: ToBuy[] = [];
  for (const buy of buys) if (buy.price > 0) sortIn(few, buy);
  for (const buy of also) if (buy.price > 0) sortIn(few, buy);
  return isEnough(few, rest) && packs({ few, rest, last, tries: 0 }, 0);
}

const NO_MORE: readonly ToBuy[] = [];

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

/** Is there enough from each month on for all that could not be bought before it, could it be cut?
 *  @param few those of the latest months first */
function isEnough(few: readonly ToBuy[], rest: readonly number[]): boolean {
  let left = 0;
  let cost = 0;
  let k = 0;
  for (let m = rest.length - 1; m >= 0; m--) {
    left += rest[m] as number;
    for (; k < few.length && (few[k] as ToBuy).from >= m; k++) cost += (few[k] as ToBuy).price;
    if (cost > left + SLACK) return false;
  }
  return true;
}

interface Packing {
  few: readonly ToBuy[];
  /** By month what is left. */
  rest: number[];
  last: number;
  tries: number;
}

/** Choices tried before it is left open. */
const MOST_TRIES = 500;

/** Do those from one on go into the months that are left? */
function packs(packing: Packing, at: number): boolean {
  const { few, rest, last } = packing;
  if (at === few.length || ++packing.tries > MOST_TRIES) return true;
  const { price, from } = few[at] as ToBuy;
  for (let m = from; m <= last; m++) {
    const before = rest[m] as number;
    if (before < price || isTold(rest, before, from, m)) continue;
    rest[m] = before - price;
    const fits = packs(packing, at + 1);
    rest[m] = before;
    if (fits) return true;
  }
  return false;
}

/** Of two months that leave the same one is tried: those that come after could be bought in either. */
function isTold(rest: readonly number[], left: number, from: number, m: number): boolean {
  for (let k = from; k < m; k++) if (rest[k] === left) return true;
  return false;
}

/** All are made here, alike to the engine that reads them so often. */
export const toBuy = (mask: number, price: number, from: number): ToBuy => ({ mask, price, from });

/** With some batches, in the order of their masks.
 *  @param open by batch the months it could be bought in */
export function withBatches(
  buys: readonly ToBuy[],
  batches: readonly Batch[],
  open: readonly (readonly number[])[],
): ToBuy[] {
  const all = buys.slice();
  for (let k = 0; k < batches.length; k++) {
    const { mask, price } = batches[k] as Batch;
    putIn(all, toBuy(mask, price, (open[k] as readonly number[])[0] ?? 0));
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
