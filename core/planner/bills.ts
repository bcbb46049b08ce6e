/** What is to be paid for by a partial plan for which money is only a matter of months. Of two that placed the same wishes in the same batches one may be
 *  sooner in all else, and yet a batch of it could be bought in a later month only than in the other: it takes over what the other has to pay for, so that
 *  the other need not be followed. Whatever can follow the other can follow it, with one of its bills. */
import { begunWith, leftAfter, monthsSuffice } from './money';
import { couldBePaid, toBuy, withBuys } from './packed';
import type { Batch, Bill, Label, ToBuy, World } from './world';

/** With an event. @param open by batch the months it could be bought in */
export const billWith = (
  { begun, buys }: Bill,
  batches: readonly Batch[],
  open: readonly (readonly number[])[],
): Bill => ({
  begun: begunWith(begun, batches, open),
  buys: withBuys(
    buys,
    toBuy(
      batches,
      open.map((months) => months[0] ?? 0),
    ),
  ),
});

/** Do the months up to a last one suffice for all of it? For one way of paying more is not asked here. */
export const isPayable = (world: World, { begun, buys }: Bill, last: number): boolean =>
  monthsSuffice(world, begun, last) && (world.money === 'one' || couldBePaid(world, buys, world.spent, last));

/** By the end of each month the most that one of its bills leaves for those to come. */
export function leftBy(world: World, label: Label): number[] {
  const most = leftAfter(world, label, (label.bills[0] as Bill).begun);
  for (let k = 1; k < label.bills.length; k++) {
    const left = leftAfter(world, label, (label.bills[k] as Bill).begun);
    for (let m = 0; m < most.length; m++) most[m] = Math.max(most[m] as number, left[m] as number);
  }
  return most;
}

/** With more bills than this the two nearest each other become one. */
const MOST_BILLS = 3;

/** A label that stays takes over the bills of one that is dropped for it. */
export function takeBills(world: World, label: Label, dropped: Label): void {
  let bills = label.bills;
  for (const bill of dropped.bills)
    if (!bills.some((known) => isNoLater(known, bill)))
      bills = [...bills.filter((known) => !isNoLater(bill, known)), bill];
  if (bills === label.bills) return;
  while (bills.length > MOST_BILLS) bills = withTwoAsOne(bills);
  label.bills = bills;
  label.leftBy = leftBy(world, label);
  label.told = null;
}

const monthOf = ({ buys }: Bill, k: number): number => (buys[k] as ToBuy).from;

/** Could each batch of a be bought as soon as in b? Both are of the same batches. */
const isNoLater = (a: Bill, b: Bill): boolean => a.buys.every(({ from }, k) => from <= monthOf(b, k));

/** How many months lie between them, by price. */
const apart = (a: Bill, b: Bill): number =>
  a.buys.reduce((sum, { from, price }, k) => sum + Math.abs(from - monthOf(b, k)) * price, 0);

/** The two nearest each other as one that can be paid for wherever either can. */
function withTwoAsOne(bills: readonly Bill[]): readonly Bill[] {
  let nearest: readonly Bill[] = [];
  let least = Infinity;
  bills.forEach((a, k) => {
    for (const b of bills.slice(0, k)) {
      const between = apart(a, b);
      if (between < least) [least, nearest] = [between, [a, b]];
    }
  });
  const [a, b] = nearest as [Bill, Bill];
  const buys = a.buys.map((buy, k) => ({ ...buy, from: Math.min(buy.from, monthOf(b, k)) }));
  // Not the least of both: who is held against it is held against its months.
  const begun = a.begun.map((_, m) => buys.reduce((sum, { price, from }) => sum + (from < m ? 0 : price), 0));
  const one: Bill = { begun, buys };
  return [...bills.filter((bill) => !isNoLater(one, bill)), one];
}
