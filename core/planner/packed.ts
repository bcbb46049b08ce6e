/** Whole batches in the months: as each is paid for in one, no batch can be cut where two months have a rest. */
import { SLACK } from './problem';
import type { Batch, ToBuy, World } from './world';

/** Choices tried before it is left open. */
const MOST_TRIES = 500;

/** Could each of some be paid for in one month, from its first to a last one? True where it was not found out.
 *  @param spent by month what is spent already */
export function couldBePaid(
  { p }: World,
  buys: readonly Price[],
  spent: readonly number[],
  last: number,
): boolean {
  const budget = (p.budget as number) + SLACK;
  const rest: number[] = [];
  for (let m = 0; m <= last; m++) rest.push(Math.max(0, budget - (spent[m] as number)));
  // Whoever has the fewest months first, of those alike the dearest.
  const few = buys.filter(({ price }) => price > 0).sort((a, b) => b.from - a.from || b.price - a.price);
  if (!isEnough(few, rest)) return false;
  let tries = 0;
  const place = (at: number): boolean => {
    if (at === few.length || ++tries > MOST_TRIES) return true;
    const { price, from } = few[at] as Price;
    for (let m = from; m <= last; m++) {
      const before = rest[m] as number;
      if (before < price || isTold(before, from, m)) continue;
      rest[m] = before - price;
      const fits = place(at + 1);
      rest[m] = before;
      if (fits) return true;
    }
    return false;
  };
  // Of two months that leave the same one is tried: those that come after could be bought in either.
  const isTold = (left: number, from: number, m: number): boolean => {
    for (let k = from; k < m; k++) if (rest[k] === left) return true;
    return false;
  };
  return place(0);
}

type Price = Pick<ToBuy, 'price' | 'from'>;

/** Is there enough from each month on for all that could not be bought before it, could it be cut? */
function isEnough(buys: readonly Price[], rest: readonly number[]): boolean {
  let left = 0;
  for (let m = rest.length - 1; m >= 0; m--) {
    left += rest[m] as number;
    let cost = 0;
    for (const { price, from } of buys) if (from >= m) cost += price;
    if (cost > left + SLACK) return false;
  }
  return true;
}

/** @param from by batch the first month in which it could be bought */
export const toBuy = (batches: readonly Batch[], from: readonly number[]): ToBuy[] =>
  batches.map(({ mask, price }, k) => ({ mask, price, from: from[k] as number }));

/** With others, in the order of their masks. */
export const withBuys = (buys: readonly ToBuy[], others: readonly ToBuy[]): ToBuy[] =>
  [...buys, ...others].sort((a, b) => a.mask - b.mask);

/** Which batches these are. */
export const partsOf = (buys: readonly ToBuy[]): string => buys.map(({ mask }) => mask).join();
