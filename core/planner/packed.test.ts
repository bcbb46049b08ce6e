/** Whole batches in the months, against every choice of months. */
import { seededRandom } from '../random';
import { aProblem } from '../testing/plans';
import { couldBePaid, toBuy } from './packed';
import { type ToBuy, worldOf } from './world';

const world = worldOf(aProblem([], { budget: 60 }), false, () => true);

const spent = [0, 20, 0, 50, 0, 0];

/** One after the other in every month that has enough. */
function tried(buys: readonly ToBuy[], last: number): boolean {
  const rest = spent.map((s) => 60 - s);
  const place = (at: number): boolean => {
    const buy = buys[at];
    if (!buy) return true;
    for (let m = buy.from; m <= last; m++) {
      if ((rest[m] as number) < buy.price) continue;
      rest[m] = (rest[m] as number) - buy.price;
      const fits = place(at + 1);
      rest[m] = (rest[m] as number) + buy.price;
      if (fits) return true;
    }
    return false;
  };
  return place(0);
}

test('as by trying every choice', () => {
  const told = { true: 0, false: 0 };
  for (let seed = 1; seed <= 2000; seed++) {
    const random = seededRandom(seed);
    const last = 2 + Math.floor(random() * 4);
    const buys = Array.from({ length: 2 + Math.floor(random() * 6) }, (_, i) =>
      toBuy(1 << i, Math.floor(random() * 7) * 10, Math.floor(random() * (last + 1))),
    );
    const fits = tried(buys, last);
    told[`${fits}`]++;
    expect([seed, couldBePaid(world, buys, spent, last)]).toEqual([seed, fits]);
    // Those that are told apart count as much.
    expect(couldBePaid(world, buys.slice(2), spent, last, buys.slice(0, 2))).toBe(fits);
  }
  expect(Math.min(told.true, told.false)).toBeGreaterThan(300);
});

test.each([
  ['a batch cannot be cut where two months have a rest', [40, 40, 40], 1, false],
  ['it fits where they could be cut as well', [40, 40, 20], 1, true],
  ['or in another month', [40, 40, 40], 2, true],
  ['what costs nothing needs no month', [60, 40, 0], 1, true],
] as const)('%s', (_, prices, last, fits) => {
  const buys = prices.map((price, i) => toBuy(1 << i, price, 0));
  expect(couldBePaid(world, buys, spent, last)).toBe(fits);
});
