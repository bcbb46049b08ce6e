/** Money by month, before anything is planned. */
import { type Calendar } from './calendar';
import { type Problem, SLACK, type Wish } from './problem';

/** By month, what was bought or set costs. */
export function spentOf(p: Problem, { months }: Calendar): number[] {
  const spent = months.map((m) =>
    p.fixed.reduce(
      (sum, f) => sum + (f.buy >= m.from && f.buy <= m.to ? (p.wishes[f.wish] as Wish).price : 0),
      0,
    ),
  );
  // A month that began before today: what was bought in it earlier counts, too.
  const [first] = months;
  if (first)
    spent[0] =
      (spent[0] ?? 0) +
      p.fixed.reduce(
        (sum, f) =>
          sum + (f.buy < first.from && sameMonth(f.buy, first.from) ? (p.wishes[f.wish] as Wish).price : 0),
        0,
      );
  spent[0] = (spent[0] ?? 0) + (p.spentThisMonth ?? 0);
  return spent;
}

const sameMonth = (a: number, b: number): boolean =>
  new Date(a * 86_400_000).toISOString().slice(0, 7) === new Date(b * 86_400_000).toISOString().slice(0, 7);

/** By wish, what is still to be paid for it: of what was bought or set nothing. */
export function pricesOf(p: Problem): number[] {
  const own = new Set(p.fixed.map((f) => f.wish));
  return p.wishes.map((w, i) => (own.has(i) ? 0 : w.price));
}

/** By set of wishes, a bit each, the month, counted from the first, in which the last of them is bought, were each bought by itself and in any month:
 *  no plan that has them needs fewer. A wish at a time, in the order of the months: of two ways to have bought a set one is as good that ended in an
 *  earlier month, or in the same with less spent.
 *  @param spent by month what is spent already
 *  @param prices by wish */
export function monthsNeeded(
  { budget: aMonth }: Problem,
  { months: { length: months } }: Calendar,
  spent: readonly number[],
  prices: readonly number[],
): Int16Array {
  const budget = (aMonth as number) + SLACK;
  const size = 1 << prices.length;
  const needed = new Int16Array(size).fill(months);
  const paid = new Float64Array(size);
  needed[0] = 0;
  paid[0] = spent[0] ?? 0;
  for (let mask = 0; mask < size; mask++) {
    for (let i = 0; i < prices.length; i++) {
      const next = mask | (1 << i);
      if (next === mask) continue;
      const price = prices[i] as number;
      let month = needed[mask] as number;
      let sum = (paid[mask] as number) + price;
      while (price > 0 && month < months && sum > budget) sum = (spent[++month] ?? 0) + price;
      const known = needed[next] as number;
      if (month > known || (month === known && sum >= (paid[next] as number))) continue;
      needed[next] = month;
      paid[next] = sum;
    }
  }
  return needed;
}
