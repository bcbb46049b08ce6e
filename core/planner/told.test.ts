/** Of plans that are equally right the one that was told stays; one that is worse, or breaks a rule by now, does not. */
import { aProblem, aWish as wish, TODAY } from '../testing/plans';
import { dayFromNumber } from '../time';
import { stockingPlan, type Problem } from '.';

/** Two that cost all of a month each: either may be the first. */
const either = (told?: Problem['told']): Problem =>
  aProblem([wish('a', { price: 10, loadMgN: 2 }), wish('b', { price: 10, loadMgN: 2 })], {
    budget: 10,
    told,
  });
const days = (p: Problem) =>
  Object.fromEntries(
    stockingPlan(p, () => true).steps.map((s) => [s.wishId, [s.buyDay, s.releaseDay]] as const),
  );
const numbers = (steps: ReturnType<typeof stockingPlan>['steps'], ids: readonly string[]): Problem['told'] =>
  steps.map((s) => ({
    wish: ids.indexOf(s.wishId),
    buy: Date.parse(s.buyDay) / 86_400_000,
    release: Date.parse(s.releaseDay) / 86_400_000,
  }));

const found = stockingPlan(either(), () => true).steps;

test('the other way round is as good: told so, it stays so', () => {
  expect(found).toHaveLength(2);
  const turned = numbers(found, ['b', 'a']);
  const [a, b] = [days(either()), days(either(turned))];
  expect([b.a, b.b]).toEqual([a.b, a.a]);
  expect(stockingPlan(either(turned), () => true).status).toBe('optimal');
});

test('later than need be, or without one of them, it is not kept', () => {
  const late = numbers(found, ['a', 'b'])!.map((t) => ({ ...t, release: t.release + 1 }));
  expect(days(either(late))).toEqual(days(either()));
  expect(days(either(numbers(found, ['a', 'b'])!.slice(1)))).toEqual(days(either()));
});

test('what breaks a rule by now is not kept, nor what was to be bought before today', () => {
  const turned = numbers(found, ['b', 'a']);
  const later = { ...either(turned), today: TODAY + 1 };
  for (const [buy] of Object.values(days(later))) expect(buy! > dayFromNumber(TODAY)).toBe(true);
  const away: Problem = { ...either(turned), away: [[turned![0]!.release, turned![0]!.release]] };
  for (const [, release] of Object.values(days(away)))
    expect(release).not.toBe(dayFromNumber(turned![0]!.release));
});

test('who was bought since is where it is, and leaves on the day that was told', () => {
  const told = numbers(found, ['a', 'b'])!;
  const { buy } = told[0]!;
  const p: Problem = {
    ...either(told),
    today: buy + 3,
    fixed: [{ wish: 0, buy, quarantine: 0, release: null, closed: true }],
  };
  expect(days(p)).toEqual(days(either()));
});
