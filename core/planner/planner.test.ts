/** The search against a twin that tries everything. */
import { seededRandom } from '../random';
import { breachesOf } from './rules';
import { bestPlan, compareWorth } from './search';
import { bruteForce, smallProblem, worthOf } from '../testing/plans';

const CASES = 300;

test('on small random cases it is as good as trying everything, and keeps every rule', () => {
  let placed = 0;
  for (let seed = 1; seed <= CASES; seed++) {
    const p = smallProblem(seededRandom(seed));
    const found = bestPlan(p, { exact: true, width: 5, mayGoOn: () => true });
    expect(breachesOf(p, found.steps)).toEqual([]);
    expect(found.proved).toBe(true);
    const twin = bruteForce(p);
    const [a, b] = [worthOf(p, found.steps), worthOf(p, twin)];
    if (compareWorth(a, b) !== 0)
      throw new Error(
        `seed ${seed}: ${JSON.stringify(a)} against ${JSON.stringify(b)} of ${JSON.stringify({ p, found: found.steps, twin })}`,
      );
    placed += found.steps.length;
  }
  expect(placed).toBeGreaterThan(CASES);
});
