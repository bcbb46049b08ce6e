/** What no plan can better, told before anything is planned: never more than the best plan has, and where only one thing counts just as much. */
import { bestWithoutBounds, household, withRoom } from '../testing/longPlans';
import { aProblem, aWish as wish, TODAY } from '../testing/plans';
import { hopeOf } from './bounds';
import { prospectOf } from './prospects';
import type { Problem } from './problem';
import { start } from './start';
import { type Hope, LATE, type Worth } from './label';
import { type Money, worldOf } from './world';

/** Measured by a plan that places as many and is as late as can be. */
function hopeFor(p: Problem, money: Money = 'every', best: Partial<Worth> = {}): Hope | null {
  const world = worldOf(p, false, () => true, money);
  const root = start(world);
  const prospect = prospectOf(world, root);
  const poor: Worth = { placed: [...prospect.most], last: LATE - 1, batches: 99, sum: LATE };
  return hopeOf(world, root, prospect, { ...poor, ...best });
}
const mostOf = (p: Problem): readonly number[] => {
  const world = worldOf(p, false, () => true);
  return prospectOf(world, start(world)).most;
};

test.each([null, 60, 90])('with %s a month never more than the best plan has', (budget) => {
  let alike = 0;
  for (let seed = 1; seed <= 12; seed++) {
    const random = seed % 2 === 0 ? withRoom : household;
    const p = { ...random(4, seed, budget), forbidden: [[0, 1] as const, [2, 3] as const] };
    const best = bestWithoutBounds(p);
    const hope = hopeFor(p);
    const most = mostOf(p);
    const asMany = best.placed.every((n, i) => n === most[i]);
    if (!asMany || !hope) continue;
    alike++;
    expect(hope.last).toBeLessThanOrEqual(best.last);
    if (hope.last === best.last) expect(hope.batches).toBeLessThanOrEqual(best.batches);
    if (hope.last === best.last && hope.batches === best.batches)
      expect(hope.sum).toBeLessThanOrEqual(best.sum);
    // A plan that is as good leaves nothing to hope for beside it, but for itself.
    expect(hopeFor(p, 'months', { ...best, sum: best.sum + 1 })).not.toBeNull();
  }
  expect(alike).toBeGreaterThan(8);
});

describe('beside what is set', () => {
  const set = (wish: number, release: number) => [{ wish, buy: TODAY - 9, quarantine: 0, release }];
  const gentle = wish('gentle', { temperament: 0, needsTankDays: 68 });
  const fierce = wish('fierce', { temperament: 2 });
  const cleaner = wish('cleaner', {
    line: 'invertebrate',
    temperament: null,
    crew: true,
    needsTankDays: 68,
  });
  test.each([
    ['a gentler fish comes by its day', [gentle, fierce], TODAY + 28, 2],
    ['and no more a day later', [gentle, fierce], TODAY + 27, 1],
    ['a fiercer one comes from its day on', [fierce, gentle], TODAY + 90, 2],
    ['a cleaner comes before a fish', [cleaner, fierce], TODAY + 29, 2],
    ['and no more on its day', [cleaner, fierce], TODAY + 28, 1],
    ['a fish comes after a cleaner', [fierce, cleaner], TODAY + 90, 2],
  ] as const)('%s', (_, [other, own], release, placed) => {
    const tank = {
      ...aProblem([]).quarantines[0]!,
      id: 'i',
      line: 'invertebrate' as const,
    };
    const quarantines = [...aProblem([]).quarantines, tank, { ...aProblem([]).quarantines[0]!, id: 'o' }];
    const p = aProblem([other, own], { quarantines, fixed: set(1, release) });
    expect(mostOf(p)).toEqual([placed]);
    const last = other === fierce && release > TODAY + 28 ? release + (own === cleaner ? 1 : 0) : null;
    if (last !== null) expect(hopeFor(p)?.last).toBe(last);
  });
  test('half of all must be there thirty days before the last, of what is set as much as ever will be', () => {
    const wishes = [3, 4, 1].map((loadMgN, i) => wish(`w${i}`, { loadMgN }));
    const p = aProblem(wishes, { displayLoadMgN: 2, firstStepMgN: 5, fixed: set(2, TODAY + 50) });
    // 9 and what is set: with that 3.5 must be there before, and one of them enters on day 28.
    expect(hopeFor(p)).toMatchObject({ last: TODAY + 58, batches: 2 });
    // With 4 set no more than what is there already.
    const more = { ...p, wishes: [...wishes.slice(0, 2), wish('own', { loadMgN: 4 })] };
    expect(hopeFor(more)).toMatchObject({ last: TODAY + 50, batches: 2 });
  });
});

describe('of two that may not meet one is there', () => {
  const forbidden = [[0, 1]] as const;
  test('the one that may come sooner, and one batch', () => {
    const two = [wish('a', { needsTankDays: 140 }), wish('b', { needsTankDays: 240 })];
    expect(hopeFor(aProblem(two, { forbidden }))).toEqual({
      last: TODAY + 100,
      batches: 1,
      sum: TODAY + 100,
    });
  });
  test('neither of them that may not meet a third', () => {
    const three = [wish('a'), wish('b'), wish('c', { needsTankDays: 140 })];
    const p = aProblem(three, { forbidden: [...forbidden, [1, 2]] });
    // The pair is a and b; c goes with a alone.
    expect(hopeFor(p)?.last).toBe(TODAY + 100);
  });
});

test('the sum of days: of money, doubling and quarantines the sharpest for each release', () => {
  // The quarantine holds one at a time.
  const p = aProblem([wish('a', { loadMgN: 9 }), wish('b', { loadMgN: 9 })], { displayLoadMgN: 20 });
  expect(hopeFor(p)?.sum).toBe(2 * TODAY + 28 + 57);
  // It holds both, but each month pays one: the second is bought on 1 April, 29 days on.
  const paid = { ...p, wishes: [wish('a', { price: 60 }), wish('b', { price: 60 })], budget: 60 };
  expect(hopeFor(paid)?.sum).toBe(2 * TODAY + 28 + 57);
  // It holds one at a time, and the second waits thirty days for the first.
  const doubled = aProblem([wish('a', { loadMgN: 9 }), wish('b', { loadMgN: 9 })], { displayLoadMgN: 9 });
  expect(hopeFor(doubled)?.sum).toBe(2 * TODAY + 28 + 58);
});

describe('who can never be bought is not hoped for', () => {
  test.each([
    ['more than its quarantine holds', { loadMgN: 9.1 }, 0],
    ['just what it holds', { loadMgN: 9 }, 1],
    ['dearer than a month', { price: 61 }, 0],
    ['just what a month pays', { price: 60 }, 1],
  ] as const)('%s', (_, more, placed) => {
    expect(mostOf(aProblem([wish('a', more)], { budget: 60 }))).toEqual([placed]);
  });
  test('but what was bought is', () => {
    const fixed = [{ wish: 0, buy: TODAY - 5, quarantine: 0, release: null }];
    expect(mostOf(aProblem([wish('a', { loadMgN: 9.1, price: 61 })], { budget: 60, fixed }))).toEqual([1]);
  });
});

test('what is left could be paid for in no choice of months: nothing is hoped for', () => {
  const four = ['a', 'b', 'c', 'd'].map((id) => wish(id, { price: 40, loadMgN: 1 }));
  const p = aProblem(four, { budget: 60 });
  // One a month, the fourth on 1 June, 90 days on.
  const by = (last: number) => hopeFor(p, 'months', { last: TODAY + last });
  expect(by(118)).not.toBeNull();
  expect(by(117)).toBeNull();
});
