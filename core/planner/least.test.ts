import { aProblem, aWish, TODAY } from '../testing/plans';
import { household } from '../testing/longPlans';
import { leastToLetIn } from './least';
import type { Problem } from './problem';
import { bestPlan } from './bought';

const always = () => true;
const placedOf = (p: Problem): Set<number> =>
  new Set(bestPlan(p, { exact: true, width: 4, mayGoOn: always }).steps.map((s) => s.wish));
const least = (p: Problem, wish = 0) => leastToLetIn(p, placedOf(p), wish, always);
const lid = { kind: 'lid' };

describe('the smallest set that lets a wish in', () => {
  test('one thing where one is enough', () => {
    expect(least(aProblem([aWish('a', { jumps: true })], { hasLid: false }))).toEqual([lid]);
    expect(least(aProblem([aWish('a', { price: 70 })], { budget: 50 }))).toEqual([
      { kind: 'budget', aMonth: 70, isFirst: false },
    ]);
  });
  test('that it is to be wanted first, where the plan would rather have two others for the money', () => {
    const p = aProblem([aWish('a', { price: 40 }), aWish('b', { price: 20 }), aWish('c', { price: 20 })], {
      budget: 10,
      horizonDays: 29,
    });
    const money = (aMonth: number, isFirst: boolean) => [{ kind: 'budget', aMonth, isFirst }];
    expect(least(p, 0)).toEqual(money(40, true));
    expect(least(p, 1)).toEqual(money(20, false));
  });
  test('no more money than a scan in whole units finds, and whether the plan would have it unasked', () => {
    for (let seed = 1; seed <= 2; seed++)
      for (const budget of [15, 40]) {
        const p = { ...household(6, seed, budget), horizonDays: 150 };
        const placed = placedOf(p);
        const asked = (aMonth: number, wish: number, isFirst: boolean): boolean => {
          const wishes = p.wishes.map((w, i) => ({ ...w, priority: placed.has(i) || i === wish ? 1 : 2 }));
          const now = placedOf({ ...p, budget: aMonth, ...(isFirst ? { wishes } : {}) });
          return [...placed, wish].every((i) => now.has(i));
        };
        for (let wish = 0; wish < 6; wish++) {
          const [found, more] = placed.has(wish) ? [] : (least(p, wish) ?? []);
          if (found?.kind !== 'budget' || more) continue;
          let aMonth = budget + 1;
          while (!asked(aMonth, wish, true)) aMonth++;
          expect({ seed, wish, ...found }).toMatchObject({ aMonth, isFirst: !asked(aMonth, wish, false) });
        }
      }
  });
  test('a jumper too heavy for the quarantine needs the lid and a larger one', () => {
    const p = aProblem([aWish('a', { jumps: true, loadMgN: 12 })], { hasLid: false, displayLoadMgN: 20 });
    // By hand: 12 mg N a day over half of 0.3 mg/L want 80 L.
    expect(least(p)).toEqual([lid, { kind: 'quarantine', line: 'fish', netL: 80 }]);
  });
  test('three where it takes three', () => {
    const p = aProblem([aWish('a', { jumps: true, loadMgN: 12, price: 10 })], {
      hasLid: false,
      displayLoadMgN: 20,
      budget: 0,
    });
    expect(least(p)?.map((c) => c.kind)).toEqual(['lid', 'quarantine', 'budget']);
  });
  test('of two that clash the other has to go, and nobody else does', () => {
    const p = aProblem([aWish('a', { priority: 2 }), aWish('b'), aWish('c')], { forbidden: [[0, 1]] });
    expect(least(p)).toEqual([{ kind: 'withoutOther', wishId: 'b' }]);
  });
  test('where nobody keeps a quarantine yet, one as it is usually set up', () => {
    const p = aProblem([aWish('a', { loadMgN: 12 })], { quarantines: [], displayLoadMgN: 20 });
    const [own] = least(p) ?? [];
    expect(own).toMatchObject({ kind: 'quarantine', line: 'fish' });
    // 0.02 mg/L free at pH 8.2, 25 C and 35 ppt are some 0.3 mg/L in all; half of that must carry it.
    expect((own as { netL: number }).netL).toBeGreaterThan(50);
    expect((own as { netL: number }).netL).toBeLessThan(110);
  });
  test('what no concession helps is not promised: a gate that never opens, a tank too young', () => {
    expect(least(aProblem([aWish('a')], { gate: null }))).toBeNull();
    expect(least(aProblem([aWish('a', { needsTankDays: 900 })], { filled: TODAY }))).toBeNull();
  });
  test('nothing is said once the time is over', () => {
    const p = aProblem([aWish('a', { jumps: true })], { hasLid: false });
    expect(leastToLetIn(p, new Set(), 0, () => false)).toBeNull();
  });
});
