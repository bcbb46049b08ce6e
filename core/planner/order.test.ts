/** The order in which wishes and quarantines are handed over says nothing: the best plan is as good in any. */
import { type Random, seededRandom } from '../random';
import { household, unlike, withOwn, withRoom } from '../testing/longPlans';
import { withFirstFish } from '../testing/plans';
import { bestPlan } from './bought';
import type { Problem } from './problem';

function shuffled(count: number, random: Random): number[] {
  const order = Array.from({ length: count }, (_, i) => i);
  for (let i = count - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [order[i], order[j]] = [order[j] as number, order[i] as number];
  }
  return order;
}

/** The same problem, told in another order. */
function retold(p: Problem, random: Random): Problem {
  const wishes = shuffled(p.wishes.length, random);
  const quarantines = shuffled(p.quarantines.length, random);
  const wish = (i: number) => wishes.indexOf(i);
  return {
    ...p,
    wishes: wishes.map((i) => p.wishes[i] as Problem['wishes'][number]),
    quarantines: quarantines.map((i) => p.quarantines[i] as Problem['quarantines'][number]),
    forbidden: p.forbidden.map(([a, b]) => [wish(a), wish(b)] as const),
    fixed: p.fixed.map((f) => ({
      ...f,
      wish: wish(f.wish),
      quarantine: quarantines.indexOf(f.quarantine),
    })),
  };
}

const bestOf = (p: Problem) => {
  const { worth, proved } = bestPlan(p, { exact: true, width: 2, mayGoOn: () => true });
  return { worth, proved };
};

test.each([
  ['households', (seed: number) => household(8, seed, 60 + (seed % 3) * 20)],
  ['without a budget', (seed: number) => household(9, seed, null)],
  ['much that could be bought at once', (seed: number) => withRoom(8, seed, 60)],
  ['unlike the others', (seed: number) => unlike(seed, 7)],
  ['some bought or set', (seed: number) => withOwn(household(7, seed, 60), seed)],
  ['one fish or a pair first', (seed: number) => withFirstFish(household(7, seed, 80), seededRandom(seed))],
] as const)('%s', (_, make) => {
  for (let seed = 1; seed <= 20; seed++) {
    const p = make(seed);
    const told = bestOf(p);
    expect([seed, told.proved]).toEqual([seed, true]);
    expect([seed, bestOf(retold(p, seededRandom(seed + 4e6)))]).toEqual([seed, told]);
  }
});
