/** The short proof: it may leave open what is best, and never calls best what is not. */
import { household, withOwn, withRoom } from '../testing/longPlans';
import { aProblem, aWish, TODAY, withFirstFish } from '../testing/plans';
import { seededRandom } from '../random';
import type { Worth } from './label';
import type { Problem } from './problem';
import { searched } from './search';
import { isBestBySets } from './sets';
import { worldOf } from './world';

const asked = (p: Problem, known: Worth) =>
  isBestBySets(
    worldOf(p, false, () => true, 'sets'),
    known,
  );

/** By every way of paying, from the beginning. */
const bestOf = (p: Problem): Worth =>
  searched(
    worldOf(p, false, () => true),
    { exact: true, width: 0 },
  ).worth;

/** A little worse in the sum of days, in batches, in the last day. */
const worseThan = (worth: Worth): Worth[] => [
  { ...worth, sum: worth.sum + 1 },
  { ...worth, batches: worth.batches + 1, sum: 0 },
  { ...worth, last: worth.last + 1, batches: 0, sum: 0 },
];

test.each([
  ['households', (seed: number) => household(6, seed, 40 + (seed % 3) * 20)],
  ['much that could be bought at once', (seed: number) => withRoom(5, seed, 60)],
  ['some bought or set', (seed: number) => withOwn(household(7, seed, 60), seed)],
  ['one fish or a pair first', (seed: number) => withFirstFish(household(5, seed, 60), seededRandom(seed))],
] as const)('%s', (_, make) => {
  let proved = 0;
  for (let seed = 1; seed <= 25; seed++) {
    const p = make(seed);
    const best = bestOf(p);
    if (asked(p, best).isBest) proved++;
    for (const worse of worseThan(best)) expect([seed, asked(p, worse).isBest]).toEqual([seed, false]);
  }
  expect(proved).toBeGreaterThan(5);
});

test('where the months would pay for each by itself, but not for the batches, it is left open', () => {
  const lines = ['fish', 'invertebrate', 'coral'] as const;
  const wishes = lines.flatMap((line) =>
    ['a', 'b'].map((name) => aWish(`${line} ${name}`, { line, price: 20, loadMgN: 0.3 })),
  );
  const water = { netL: 60, totalLimitMgN: 0.3, clockDays: 40, bare: null, testsPresent: false };
  const quarantines = lines.map((line) => ({ id: line, line, ...water }));
  // Time for one stay in each, bought in March or April: 40 of 60 in each month, and half of the third.
  const p = aProblem(wishes, { quarantines, budget: 60, horizonDays: 75 });
  const best = bestOf(p);
  expect(best.placed).toEqual([5]);
  expect(asked(p, best).isBest).toBe(false);
  const paid = { ...p, budget: 80 };
  expect(bestOf(paid).placed).toEqual([6]);
  expect(asked(paid, bestOf(paid)).isBest).toBe(true);
});

test('what predicted ammonia turned down is not proved to be of no use', () => {
  let cut = 0;
  for (let seed = 1; seed <= 20; seed++) {
    const p = household(5, seed, 60);
    const water = { nearZeroMgN: p.displayLoadMgN + 1, netL: 120, freeShare: 0.1 };
    const world = worldOf({ ...p, water }, false, () => true, 'sets');
    const { isBest } = isBestBySets(world, bestOf({ ...p, water }));
    if (!world.ammonia.cut) continue;
    cut++;
    expect([seed, isBest]).toEqual([seed, false]);
  }
  expect(cut).toBeGreaterThan(0);
});

test('it stops at the first that would be better', () => {
  const p = household(8, 3, 60);
  const best = bestOf(p);
  const none: Worth = { ...best, placed: best.placed.map(() => 0), last: TODAY };
  expect(asked(p, none).looked).toBe(1);
});
