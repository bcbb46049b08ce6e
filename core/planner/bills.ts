/** What is to be paid for by a partial plan for which money is only a matter of months. Of two that placed the same wishes in the same batches one may be
 *  sooner in all else, and yet a batch of it could be bought in a later month only than in the other: it takes over what the other has to pay for, so that
 *  the other need not be followed. Whatever can follow the other can follow it, with one of its bills. */
import type { Until } from './calendar';
import { begunWith, buysFromMonth, leftAfter, monthsSuffice } from './money';
import { couldBePaid, eitherOf, withBatches } from './packed';
import type { Batch, Bill, Label, ToBuy } from './label';
import type { World } from './world';

/** With an event. @param open by batch the months it could be bought in */
export const billWith = (
  { begun, buys }: Bill,
  batches: readonly Batch[],
  open: readonly (readonly number[])[],
): Bill => ({ begun: begunWith(begun, batches, open), buys: withBatches(buys, batches, open) });

/** Do the months up to the last ones suffice for all of it? For one way of paying more is not asked here. */
export const isPayable = (world: World, { begun, buys }: Bill, until: Until): boolean =>
  monthsSuffice(world, begun, until.last) &&
  (world.money === 'one' || couldBePaid(world, buys, world.spent, until));

export function isAnyPayable(world: World, bills: readonly Bill[], until: Until): boolean {
  for (const bill of bills) if (isPayable(world, bill, until)) return true;
  return false;
}

/** By the end of each month the most that one of its bills leaves for those to come. */
export function leftBy(world: World, label: Label): number[] {
  const from = buysFromMonth(world, label);
  const most = leftAfter(world, (label.bills[0] as Bill).begun, from);
  for (let k = 1; k < label.bills.length; k++) {
    const left = leftAfter(world, (label.bills[k] as Bill).begun, from);
    for (let m = 0; m < most.length; m++) most[m] = Math.max(most[m] as number, left[m] as number);
  }
  return most;
}

/** With more bills than this the two nearest each other become one. */
const MOST_BILLS = 3;

/** A label that stays takes over the bills of one that is dropped for it. */
export function takeBills(world: World, label: Label, dropped: Label): void {
  let { bills } = label;
  for (const bill of dropped.bills) bills = withBill(bills, bill);
  if (bills === label.bills) return;
  while (bills.length > MOST_BILLS) bills = withTwoAsOne(bills);
  label.bills = bills;
  label.leftBy = leftBy(world, label);
  label.told = null;
}

/** The same where one of them could be paid for wherever it can; else with it, and without those that it stands for. */
function withBill(bills: readonly Bill[], bill: Bill): readonly Bill[] {
  for (const known of bills) if (isNoLater(known, bill)) return bills;
  const all: Bill[] = [];
  for (const known of bills) if (!isNoLater(bill, known)) all.push(known);
  all.push(bill);
  return all;
}

const monthOf = ({ buys }: Bill, k: number): number => (buys[k] as ToBuy).from;

/** Could each batch of a be bought as soon as in b? Both are of the same batches. */
function isNoLater(a: Bill, b: Bill): boolean {
  for (let k = 0; k < a.buys.length; k++) if (monthOf(a, k) > monthOf(b, k)) return false;
  return true;
}

/** How many months lie between them, by price. */
function apart(a: Bill, b: Bill): number {
  let sum = 0;
  for (let k = 0; k < a.buys.length; k++)
    sum += Math.abs(monthOf(a, k) - monthOf(b, k)) * (a.buys[k] as ToBuy).price;
  return sum;
}

/** The two nearest each other as one that can be paid for wherever either can. */
function withTwoAsOne(bills: readonly Bill[]): readonly Bill[] {
  let [a, b] = bills as [Bill, Bill];
  let least = Infinity;
  for (let k = 1; k < bills.length; k++)
    for (let j = 0; j < k; j++) {
      const between = apart(bills[k] as Bill, bills[j] as Bill);
      if (between < least) [least, a, b] = [between, bills[k] as Bill, bills[j] as Bill];
    }
  const buys: ToBuy[] = [];
  for (let k = 0; k < a.buys.length; k++) buys.push(eitherOf(a.buys[k] as ToBuy, b.buys[k] as ToBuy));
  // Not the least of both: who is held against it is held against its months.
  const begun = a.begun.map((_, m) => buys.reduce((sum, { price, from }) => sum + (from < m ? 0 : price), 0));
  const one: Bill = { begun, buys };
  return [...bills.filter((bill) => !isNoLater(one, bill)), one];
}
