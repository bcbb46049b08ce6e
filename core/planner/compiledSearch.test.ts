/** The compiled search against the plain one, its definition: the same answer, from as many partial plans. */
import { household, unlike, withOwn, withRoom } from '../testing/longPlans';
import { alikeProblem, aProblem, aWish, smallProblem, withFading, withoutQuarantine } from '../testing/plans';
import { seededRandom } from '../random';
import { bestPlan } from './bought';
import { compiledSearch } from './compiledSearch';
import type { Found } from './found';
import type { Problem } from './problem';
import { stockingPlan } from './plan';
import { plainSearch, searched } from './search';
import { compareWorth } from './label';
import { worldOf } from './world';

/** By both, each measured by the same plan. @param mayGoOn asked by each anew */
function both(p: Problem, mayGoOn = () => () => true): { compiled: Found | null; plain: Found } {
  const by = <T>(search: (world: ReturnType<typeof worldOf>, quick: Found) => T): T => {
    const world = worldOf(p, false, () => true, p.budget === null ? 'every' : 'one');
    const quick = searched(world, { exact: false, width: 2 });
    return search({ ...world, mayGoOn: mayGoOn() }, quick);
  };
  return { compiled: by(compiledSearch), plain: by(plainSearch) };
}

const expectAlike = (name: unknown, p: Problem) => {
  const { compiled, plain } = both(p);
  expect([name, compiled]).toEqual([name, plain]);
};

test.each([
  [7, null],
  [6, 60],
  [7, 100],
] as const)('%i wishes over a year, %p a month', (wishes, budget) => {
  for (let seed = 1; seed <= 25; seed++) expectAlike(seed, household(wishes, seed, budget));
});

test('much that could be bought at once, with and without a budget', () => {
  for (let seed = 1; seed <= 30; seed++) expectAlike(seed, withRoom(6, seed, seed % 2 === 0 ? 70 : null));
});

test('cleaners whose quarantine is quicker than that of the fish', () => {
  for (let seed = 1; seed <= 25; seed++) {
    const p = withRoom(7, seed, 60);
    const clockOf = { fish: 12, invertebrate: 3, coral: 14, anemone: 14 };
    const quarantines = p.quarantines.map((q) => ({ ...q, clockDays: clockOf[q.line] }));
    const wishes = p.wishes.map((w) => ({ ...w, crew: w.line === 'invertebrate' }));
    expectAlike(seed, { ...p, quarantines, wishes });
  }
});

test('clocks, absences, shop days, what entered lately, pairs that may not meet, wishes that are alike', () => {
  for (let seed = 1; seed <= 150; seed++) expectAlike(seed, unlike(seed));
});

test("some bought or set, into one another's stay too, and stays that nobody may join", () => {
  for (let seed = 1; seed <= 150; seed++) expectAlike(seed, withOwn(unlike(seed), seed));
});

test('small problems, and such as are mostly of one kind', () => {
  for (let seed = 1; seed <= 60; seed++) {
    expectAlike(seed, smallProblem(seededRandom(seed), seed % 2 === 0));
    expectAlike(seed, alikeProblem(seededRandom(seed)));
  }
});

test('lines without a quarantine, days that must be unbroken and a filter that fades', () => {
  for (let seed = 1; seed <= 60; seed++) {
    const random = seededRandom(seed);
    const p = withoutQuarantine(withFading(unlike(seed), random), random);
    expectAlike(seed, { ...p, quarantines: p.quarantines.map((q) => ({ ...q, unbrokenDays: 7 })) });
  }
});

test('predicted ammonia turns the same plans down', () => {
  let cut = 0;
  for (let seed = 1; seed <= 12; seed++) {
    const p = household(4, seed, seed % 2 === 0 ? 60 : null);
    const water = { nearZeroMgN: p.displayLoadMgN + 2, netL: 120, freeShare: 0.06 };
    const { compiled, plain } = both({ ...p, water });
    expect([seed, compiled]).toEqual([seed, plain]);
    if (!plain.proved) cut++;
  }
  expect(cut).toBeGreaterThan(0);
});

test('the best plan without ammonia that keeps within it is the best: never worse than what looks at it all along, and more often proved', () => {
  const proved = { whole: 0, alongside: 0 };
  for (let seed = 1; seed <= 24; seed++) {
    const base = household(6, seed, seed % 2 === 0 ? 80 : null);
    const water = { nearZeroMgN: base.displayLoadMgN + 4, netL: 150, freeShare: 0.05 };
    const p = { ...base, water };
    const whole = bestPlan(p, { exact: true, width: 2, mayGoOn: () => true });
    const { plain: alongside } = both(p);
    expect([seed, compareWorth(whole.worth, alongside.worth) <= 0]).toEqual([seed, true]);
    if (alongside.proved) expect([seed, whole.proved, whole.worth]).toEqual([seed, true, alongside.worth]);
    for (const { freeMgN } of stockingPlan(p, () => true).steps) expect(freeMgN).toBeLessThanOrEqual(0.02);
    if (whole.proved) proved.whole++;
    if (alongside.proved) proved.alongside++;
  }
  expect(proved.whole).toBeGreaterThan(proved.alongside);
});

test('cut short it claims nothing that the plain one would not', () => {
  const p = household(6, 3, 60);
  const { plain: best } = both(p);
  for (let most = 1; most < 400; most = 2 * most + 1) {
    const { compiled } = both(p, () => {
      let asked = 0;
      return () => ++asked <= most;
    });
    expect([most, compiled?.proved && compiled.worth]).toEqual([most, compiled?.proved && best.worth]);
    const alike = compiled?.placedAtMost.every((n, i) => n === best.worth.placed[i]);
    if (alike) expect(compiled?.lastAtLeast).toBeLessThanOrEqual(best.worth.last);
  }
});

test.each([
  ['it looks many years ahead', { horizonDays: 3000 }],
  ['there are many wishes', { wishes: Array.from({ length: 13 }, (_, i) => aWish(`w${i}`)) }],
] as const)('where %s it leaves the search to the plain one', (_, more) => {
  const p = aProblem([aWish('a'), aWish('b')], more as Partial<Problem>);
  const world = worldOf(p, false, () => true);
  expect(compiledSearch(world, searched(world, { exact: false, width: 2 }))).toBeNull();
});
