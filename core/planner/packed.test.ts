/** Whole batches in the months, against every choice of months. */
import { seededRandom } from '../random';
import { aProblem, TODAY } from '../testing/plans';
import { calendarOf, CLEANERS, FISH, INVERTEBRATES, type Until } from './calendar';
import { couldBePaid, toBuy } from './packed';
import { LINES, type QuarantineWater } from './problem';
import { type ToBuy, worldOf } from './world';

const world = worldOf(aProblem([], { budget: 60 }), false, () => true);

const spent = [0, 20, 0, 50, 0, 0];

/** The same last month for all. */
const untilAll = (last: number): Until => ({ last, of: [...LINES, 'cleaners'].map(() => last) });

/** One after the other in every month that has enough. */
function tried(buys: readonly ToBuy[], { of }: Until): boolean {
  const rest = spent.map((s) => 60 - s);
  const place = (at: number): boolean => {
    const buy = buys[at];
    if (!buy) return true;
    if (buy.price === 0) return place(at + 1);
    const isBefore = buy.line === CLEANERS && buys.some(({ line }) => line === FISH);
    const line = buy.line === CLEANERS && !isBefore ? INVERTEBRATES : buy.line;
    for (let m = buy.from; m <= (of[line] as number); m++) {
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
    // The lines end in months of their own, cleaners no later than the others of theirs.
    const of = LINES.map(() => Math.floor(random() * (last + 1)));
    of.push(Math.floor(random() * ((of[INVERTEBRATES] as number) + 1)));
    const until = seed % 2 === 0 ? untilAll(last) : { last: Math.max(...of), of };
    const buys = Array.from({ length: 2 + Math.floor(random() * 6) }, (_, i) =>
      toBuy(
        1 << i,
        Math.floor(random() * 7) * 10,
        Math.floor(random() * (last + 1)),
        Math.floor(random() * of.length),
      ),
    );
    const fits = tried(buys, until);
    told[`${fits}`]++;
    expect([seed, couldBePaid(world, buys, spent, until)]).toEqual([seed, fits]);
    // Those that are told apart count as much.
    expect(couldBePaid(world, buys.slice(2), spent, until, buys.slice(0, 2))).toBe(fits);
  }
  expect(Math.min(told.true, told.false)).toBeGreaterThan(300);
});

test.each([
  ['a batch cannot be cut where two months have a rest', [40, 40, 40], 1, false],
  ['it fits where they could be cut as well', [40, 40, 20], 1, true],
  ['or in another month', [40, 40, 40], 2, true],
  ['what costs nothing needs no month', [60, 40, 0], 1, true],
] as const)('%s', (_, prices, last, fits) => {
  const buys = prices.map((price, i) => toBuy(1 << i, price, 0, FISH));
  expect(couldBePaid(world, buys, spent, untilAll(last))).toBe(fits);
});

test('a line is bought for no longer than its quickest quarantine lets it, cleaners a day less', () => {
  // 3 March; fish leave after 10 or 28 days, invertebrates after three.
  const [q] = aProblem([]).quarantines as [QuarantineWater];
  const { untilBy } = calendarOf(
    aProblem([], {
      quarantines: [q, { ...q, clockDays: 10 }, { ...q, line: 'invertebrate', clockDays: 3 }],
    }),
  );
  const monthsBy = (day: number) => {
    const { last, of } = untilBy(TODAY + day);
    return [last, of[FISH], of[INVERTEBRATES], of[CLEANERS]];
  };
  // 1 April is day 29, 4 April day 32, 11 April day 39.
  expect(monthsBy(31)).toEqual([0, 0, 0, 0]);
  expect(monthsBy(32)).toEqual([1, 0, 1, 0]);
  expect(monthsBy(33)).toEqual([1, 0, 1, 1]);
  expect(monthsBy(38)).toEqual([1, 0, 1, 1]);
  expect(monthsBy(39)).toEqual([1, 1, 1, 1]);
  expect(untilBy(TODAY + 34)).toBe(untilBy(TODAY + 33));
  expect(untilBy(TODAY - 1)).toEqual({ last: -1, of: [-1, -1, -1, -1, -1] });
});
