/** What one partial plan takes over from others that it stands for: whatever one of them could pay for, it can. */
import { seededRandom } from '../random';
import { aProblem } from '../testing/plans';
import { billWith, isPayable, leftBy, takeBills } from './bills';
import { start } from './start';
import type { Batch, Bill, Label } from './label';
import { worldOf } from './world';

const BUDGET = 60;
const LAST = 5;
const world = worldOf(aProblem([], { budget: BUDGET }), false, () => true, 'months');
const root = start(world);
const batch = (mask: number, price: number): Batch => ({ mask, price, line: 0 }) as Batch;
const UNTIL = { last: LAST, of: Array.from({ length: 5 }, () => LAST) };

/** Labels with the same batches, each with a bill of its own. */
function someLabels(random: () => number, count: number): Label[] {
  const some = (most: number) => Math.floor(random() * (most + 1));
  const batches = Array.from({ length: 4 }, (_, k) => batch(1 << k, 10 * (1 + some(5))));
  return Array.from({ length: count }, () => {
    const open = batches.map(() => [some(LAST)]);
    return { ...root, bills: root.bills.map((bill) => billWith(bill, batches, open)) };
  });
}
const withMore = (bill: Bill, price: number, from: number): Bill =>
  billWith(bill, [batch(1 << 10, price)], [[from]]);

test.each([3, 8])('of %i labels nothing that could be paid for is lost; of few nothing is added', (count) => {
  const told = { true: 0, false: 0 };
  for (let seed = 1; seed <= 400; seed++) {
    const random = seededRandom(seed);
    const labels = someLabels(random, count);
    const own = labels.flatMap(({ bills }) => bills);
    const [stays, ...others] = labels as [Label, ...Label[]];
    for (const other of others) takeBills(world, stays, other);
    expect(stays.bills.length).toBeLessThanOrEqual(3);
    for (let price = 10; price <= BUDGET; price += 10)
      for (let from = 0; from <= LAST; from++) {
        const could = (bills: readonly Bill[]) =>
          bills.some((bill) => isPayable(world, withMore(bill, price, from), UNTIL));
        told[`${could(own)}`]++;
        if (could(own)) expect([seed, price, from, could(stays.bills)]).toEqual([seed, price, from, true]);
        else if (count === 3)
          expect([seed, price, from, could(stays.bills)]).toEqual([seed, price, from, false]);
      }
    // What is left by the end of a month is as much as any of them leaves.
    own.forEach((bill) =>
      leftBy(world, { ...root, bills: [bill] }).forEach((left, m) =>
        expect(leftBy(world, stays)[m]).toBeGreaterThanOrEqual(left),
      ),
    );
  }
  expect(told.true).toBeGreaterThan(100);
  expect(told.false).toBeGreaterThan(count === 3 ? 100 : 5);
});
test('one that could be paid for as soon already changes nothing, and what was told of it stays', () => {
  const at = (from: number): Label => ({
    ...root,
    told: { best: root.worth, hope: null },
    bills: root.bills.map((bill) => billWith(bill, [batch(1, 20)], [[from]])),
  });
  const [early, late] = [at(1), at(2)];
  const { bills } = early;
  takeBills(world, early, late);
  expect(early.bills).toBe(bills);
  expect(early.told).not.toBeNull();
  takeBills(world, late, early);
  expect(late.bills).toEqual(bills);
  expect(late.told).toBeNull();
});
