/** One way of paying, for a search that looks for any plan that can be paid for: the months of what is bought are chosen as it goes, and where the
 *  next batch fits in none, all of them anew. */
import { SLACK } from './problem';
import { type Batch, type Label, type Paid, pastOf, rootOf } from './label';
import type { World } from './world';

/** Something to be bought, and the months it could be bought in. */
interface Item {
  price: number;
  open: readonly number[];
}

/** Choices tried before it is taken for something that cannot be paid for. */
const MOST_TRIES = 2000;

/** A way to pay for an event after a label, whose own months may change by it; null where none was found.
 *  @param open by batch the months it could be bought in */
export function payOnce(
  world: World,
  label: Label,
  batches: readonly Batch[],
  open: readonly (readonly number[])[],
): Paid | null {
  const budget = (world.p.budget as number) + SLACK;
  const [before] = label.ways as [Paid];
  const items = itemsOf(batches, open);
  const next = monthsFor(items, before.spent, budget);
  if (next) return paidIn(next, items, open, before);
  const past = pastOf(label);
  const steps = past.map((l) => {
    const mine = (l.ways as [Paid])[0].open;
    return { open: mine, items: itemsOf(l.batches, mine) };
  });
  steps.push({ open, items });
  return payFor(world, (rootOf(label).ways as [Paid])[0], steps);
}

/** What some events take: by batch its price, and the months it could be bought in. */
interface Payable {
  open: readonly (readonly number[])[];
  items: readonly Item[];
}

function payFor(world: World, first: Paid, events: readonly Payable[]): Paid | null {
  const all = events.flatMap(({ items }) => items);
  const months = monthsFor(all, first.spent, (world.p.budget as number) + SLACK);
  if (!months) return null;
  let paid = first;
  for (const { items, open } of events) paid = paidIn(months.splice(0, items.length), items, open, paid);
  return paid;
}

/** A way to pay for all events up to a label; null where none was found.
 *  @param open by event and batch the months it could be bought in */
export const payAll = (
  world: World,
  first: Paid,
  events: readonly (readonly Batch[])[],
  open: readonly (readonly (readonly number[])[])[],
): Paid | null =>
  payFor(
    world,
    first,
    events.map((batches, k) => {
      const mine = open[k] as readonly (readonly number[])[];
      return { open: mine, items: itemsOf(batches, mine) };
    }),
  );

const itemsOf = (batches: readonly Batch[], open: readonly (readonly number[])[]): Item[] =>
  batches.map((b, k) => ({ price: b.price, open: open[k] as readonly number[] }));

function paidIn(
  months: readonly (number | null)[],
  items: readonly Item[],
  open: readonly (readonly number[])[],
  before: Paid,
): Paid {
  const spent = [...before.spent];
  items.forEach(({ price }, k) => {
    const m = months[k];
    if (m !== null && m !== undefined) spent[m] = (spent[m] as number) + price;
  });
  return { spent, months: [...months], open, before, useful: [] };
}

/** Is there as much left in all the months in which any of them could be bought as they cost together? */
function isEnough(items: readonly Item[], spent: readonly number[], budget: number): boolean {
  let cost = 0;
  let from = spent.length;
  let to = -1;
  for (const { price, open } of items) {
    if (price === 0) continue;
    cost += price;
    from = Math.min(from, open[0] ?? from);
    to = Math.max(to, open[open.length - 1] ?? to);
  }
  for (let m = from; m <= to && cost > 0; m++) cost -= Math.max(0, budget - (spent[m] as number));
  return cost <= SLACK;
}

/** A month for each item that costs something, within a budget; null where none was found. Whoever has the fewest months first, of those alike the
 *  dearest; each in its earliest month, since whatever comes later can use the later ones. */
function monthsFor(
  items: readonly Item[],
  before: readonly number[],
  budget: number,
): (number | null)[] | null {
  if (!isEnough(items, before, budget)) return null;
  const spent = [...before];
  const months: (number | null)[] = items.map(() => null);
  const order = items
    .flatMap(({ price }, k) => (price > 0 ? [k] : []))
    .sort((a, b) => {
      const [x, y] = [items[a] as Item, items[b] as Item];
      return x.open.length - y.open.length || y.price - x.price;
    });
  let tries = 0;
  const place = (at: number): boolean => {
    if (at === order.length) return true;
    const k = order[at] as number;
    const { price, open } = items[k] as Item;
    for (const m of open) {
      if (++tries > MOST_TRIES) return false;
      if ((spent[m] as number) + price > budget) continue;
      spent[m] = (spent[m] as number) + price;
      months[k] = m;
      if (place(at + 1)) return true;
      spent[m] = (spent[m] as number) - price;
    }
    return false;
  };
  return place(0) ? months : null;
}
