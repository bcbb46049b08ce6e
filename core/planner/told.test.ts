/** Of plans that are equally right the one that was told stays; one that is worse, or breaks a rule by now, does not. */
import { household } from '../testing/longPlans';
import { aProblem, aWish as wish, TODAY } from '../testing/plans';
import { dayFromNumber } from '../time';
import { retold, toldBatches } from './retold';
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

describe('where its days are no longer right', () => {
  test('the order that was told stays, with days of now', () => {
    // The first of them was missed by a day.
    const turned = numbers(found, ['b', 'a'])!;
    const missed: Problem = { ...either(turned), today: turned.find((t) => t.wish === 1)!.buy + 1 };
    const { a, b } = days(missed);
    expect(b![0]).toBe(dayFromNumber(missed.today));
    expect(b![1]! < a![1]!).toBe(true);
    // Told of neither, the first wished for comes first.
    const untold = days({ ...missed, told: undefined });
    expect(untold.a![1]! < untold.b![1]!).toBe(true);
  });
  test('each batch is told in the free quarantine whose clock is nearest to its days', () => {
    const [q] = either().quarantines as [Problem['quarantines'][number]];
    const p: Problem = {
      ...either([
        { wish: 0, buy: TODAY + 1, release: TODAY + 41 },
        { wish: 1, buy: TODAY + 5, release: TODAY + 46 },
      ]),
      quarantines: [
        { ...q, clockDays: 28 },
        { ...q, id: 'long', clockDays: 40 },
      ],
    };
    expect(toldBatches(p, p.told!).map((b) => [b.wishes, b.quarantine])).toEqual([
      [[0], 1],
      [[1], 0],
    ]);
    // Of two on the same days whom one does not hold the other was in another.
    const full: Problem = {
      ...p,
      wishes: p.wishes.map((w) => ({ ...w, loadMgN: 6 })),
      told: [0, 1].map((w) => ({ wish: w, buy: TODAY + 1, release: TODAY + 41 })),
    };
    expect(toldBatches(full, full.told!).map((b) => [b.wishes, b.quarantine])).toEqual([
      [[0], 1],
      [[1], 0],
    ]);
    // Whoever is bought is where it is; with nothing free there is no batch.
    const fixed = [{ wish: 0, buy: TODAY - 3, quarantine: 0, release: null }];
    const one: Problem = { ...p, quarantines: [q], fixed };
    expect(toldBatches(one, one.told!)).toEqual([
      { quarantine: 0, wishes: [0], buy: TODAY - 3, release: TODAY + 41 },
    ]);
  });
});

test('beside a step that is set it is let in before it or after it, whichever is sooner', () => {
  const [q] = either().quarantines as [Problem['quarantines'][number]];
  const p: Problem = {
    ...either([{ wish: 1, buy: TODAY, release: TODAY + 90 }]),
    budget: null,
    quarantines: [q, { ...q, id: 'second' }],
    fixed: [{ wish: 0, buy: TODAY, quarantine: 0, release: TODAY + 60 }],
  };
  expect(retold(p, toldBatches(p, p.told!), () => true).label.day).toBe(TODAY + 28);
});

test('a day of purchase that was told stays, though a later one would do', () => {
  const told = [{ wish: 0, buy: TODAY + 20, release: TODAY + 60 }];
  const waits = aProblem([wish('a', { needsTankDays: 100 })], { told });
  expect(days(waits).a).toEqual([TODAY + 20, TODAY + 60].map(dayFromNumber));
  expect(days({ ...waits, told: undefined }).a?.[0]).toBe(dayFromNumber(TODAY + 32));
});

test('of quarantines that are alike the same are told of on each day', () => {
  for (let seed = 1; seed <= 12; seed++) {
    const p = household(7, seed, null);
    const ids = p.wishes.map((w) => w.id);
    const day1 = stockingPlan({ ...p, told: [] }, () => true).steps;
    const day2 = stockingPlan({ ...p, told: numbers(day1, ids) }, () => true).steps;
    expect(day2.map((s) => [s.wishId, s.quarantineId])).toEqual(day1.map((s) => [s.wishId, s.quarantineId]));
  }
});

describe('of more wishes than can all be tried', () => {
  const many = (told?: Problem['told']) =>
    aProblem(
      Array.from({ length: 13 }, (_, i) => wish(`w${i}`, { loadMgN: 1 + (i % 3) })),
      { told },
    );
  const ids = many().wishes.map((w) => w.id);
  const first = stockingPlan(many(), () => true);
  test('a worse one that was told and could be followed is outdone, and that is said; as good a one stays', () => {
    const oneByOne = ids.map((_, wish) => ({
      wish,
      buy: TODAY + 29 * wish,
      release: TODAY + 29 * wish + 28,
    }));
    const better = stockingPlan(many(oneByOne), () => true);
    expect(better.steps).toEqual(first.steps);
    expect(better.outdoesTold).toBe(true);
    expect(stockingPlan(many(numbers(first.steps, ids)), () => true).outdoesTold).toBeUndefined();
    const missed = oneByOne.map((t) => ({ ...t, buy: t.buy - 1, release: t.release - 1 }));
    expect(stockingPlan(many(missed), () => true).outdoesTold).toBeUndefined();
    // What is proved is better for what changed, not for what was tried.
    const proved = numbers(found, ['a', 'b'])!.map((t) => ({ ...t, release: t.release + 1 }));
    expect(stockingPlan(either(proved), () => true).outdoesTold).toBeUndefined();
  });
  test('with next to no time what was told before stays, as it is better than what could be tried', () => {
    let asked = 0;
    const hurried = stockingPlan(many(numbers(first.steps, ids)), () => asked++ < 3);
    expect(hurried.steps.map((s) => s.releaseDay)).toEqual(first.steps.map((s) => s.releaseDay));
  });
});
