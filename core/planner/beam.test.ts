/** Plans of many wishes: round after round, each no worse than the one before. */
import { household, unlike, withOwn } from '../testing/longPlans';
import { bestPlan } from './bought';
import { compareWorth } from './label';
import { breachesOf } from './rules';

const always = () => true;
const found = (p: ReturnType<typeof household>, rounds: number, width = 4) =>
  bestPlan(p, {
    exact: false,
    width,
    wider: Array.from({ length: rounds - 1 }, () => width),
    mayGoOn: always,
  });

test('a later round finds nothing worse, and what it finds keeps every rule', () => {
  let better = 0;
  for (let seed = 1; seed <= 12; seed++) {
    const p = household(18, seed, seed % 3 === 0 ? 150 : null);
    const [one, three] = [found(p, 1), found(p, 3)];
    const gain = compareWorth(three.worth, one.worth);
    expect([seed, gain <= 0]).toEqual([seed, true]);
    expect([seed, breachesOf(p, three.steps)]).toEqual([seed, []]);
    if (gain < 0) better++;
  }
  expect(better).toBeGreaterThan(4);
});

test('with rounds enough it is the best of few wishes, nearly always, and never better than what is proved', () => {
  let best = 0;
  for (let seed = 1; seed <= 40; seed++) {
    const drawn = unlike(seed, 5);
    const p = seed % 3 === 0 ? withOwn(drawn, seed) : drawn;
    const exact = bestPlan(p, { exact: true, width: 2, mayGoOn: always });
    const more = compareWorth(exact.worth, found(p, 60).worth);
    expect([seed, more <= 0]).toEqual([seed, true]);
    if (more === 0) best++;
  }
  expect(best).toBeGreaterThanOrEqual(30);
});

test('cut short it has what it reached by then', () => {
  const p = household(18, 1, null);
  let asked = 0;
  const cut = bestPlan(p, { exact: false, width: 32, mayGoOn: () => ++asked < 300 });
  expect(cut.proved).toBe(false);
  expect(cut.steps.length).toBeGreaterThan(0);
  expect(breachesOf(p, cut.steps)).toEqual([]);
});
