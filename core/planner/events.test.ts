/** What is tried together, and what no longer. */
import { aProblem, aWish as wish } from '../testing/plans';
import { aimAfter, ANYTHING } from './asked';
import { prospectOf } from './prospects';
import { eventsOf } from './events';
import type { Problem, QuarantineWater } from './problem';
import { start } from './start';
import type { Worth } from './label';
import { worldOf } from './world';

const [small] = aProblem([]).quarantines as [QuarantineWater];

describe('two batches that share a day', () => {
  /** Two fish for a quarantine of 9 mg N a day and one of 4.5: how many events hold both batches? */
  function together(loads: readonly [number, number], more: Partial<Problem> = {}): number {
    const p = aProblem(
      loads.map((loadMgN, i) => wish(`w${i}`, { loadMgN, price: 10 })),
      { quarantines: [small, { ...small, id: 'half', netL: 30 }], displayLoadMgN: 20, ...more },
    );
    const world = worldOf(p, false, () => true);
    const root = start(world);
    const events = eventsOf(world, root, prospectOf(world, root), false, { ...ANYTHING, isWhole: true });
    return events.filter((batches) => batches.length === 2).length;
  }
  test.each([
    ['just go into the larger alone', [4.5, 4.4], {}, 0],
    ['hardly do not', [4.6, 4.5], {}, 1],
    ['where a month may pay only one of them', [4.5, 4.4], { budget: 15 }, 2],
    ['the same of two that are alike: the first is in the first', [4.5, 4.5], { budget: 15 }, 1],
    [
      'where one has been bought',
      [4.5, 4.5],
      { fixed: [{ wish: 0, buy: 20510, quarantine: 0, release: null }] },
      1,
    ],
  ] as const)('%s', (_, loads, more, count) => {
    expect(together(loads, more as Partial<Problem>)).toBe(count);
  });
});

describe('a fierce one with two that are gentler and must come, too, each in a quarantine of its own', () => {
  // Of 6, 5.1 and 9 mg N a day: the big one goes into the last alone, the fierce one not into the middle.
  const quarantines = [40, 34, 60].map((netL) => ({ ...small, id: `q${netL}`, netL }));
  const events = (gentle: 0 | 2) => {
    const p = aProblem(
      [
        wish('fierce', { temperament: 2, loadMgN: 5.5 }),
        wish('small', { temperament: gentle, loadMgN: 5 }),
        wish('big', { temperament: gentle, loadMgN: 8.9 }),
      ],
      { quarantines, displayLoadMgN: 40 },
    );
    const world = worldOf(p, false, () => true);
    const root = start(world);
    const all = eventsOf(world, root, prospectOf(world, root), false, { ...ANYTHING, isWhole: true });
    return all.filter((batches) => batches.some((b) => (b.mask & 1) !== 0)).map((b) => b.length);
  };
  test('it comes with both or not at all; one quarantine on or two on makes no difference', () =>
    expect(events(0)).toEqual([3]));
  test('among the fierce it comes by itself, with either or with both', () =>
    expect([...new Set(events(2))].sort()).toEqual([1, 2, 3]));
});

describe('no better than the best plan so far', () => {
  // One after the other through one quarantine of 28 days that holds one: out on day 28 and 57.
  const p = aProblem([wish('a', { loadMgN: 9 }), wish('b', { loadMgN: 9 })], { displayLoadMgN: 20 });
  const world = worldOf(p, false, () => true);
  const root = start(world);
  const { today } = p;
  const best: Worth = { placed: [2], last: today + 57, batches: 2, sum: 2 * today + 28 + 57 };
  const asked = (worth: Partial<Worth>) =>
    aimAfter(world, root, prospectOf(world, root), { ...best, ...worth }).asked?.noBetter ?? null;

  test('nothing is said while a plan could end sooner', () => {
    expect(asked({ last: today + 58 })).toBeNull();
    expect(asked({})).not.toBeNull();
  });
  test('by batches: those bought, and those that are still needed for the rest', () => {
    expect(asked({ sum: 3 * today })?.(1, 0b01, today + 28)).toBe(false);
    expect(asked({ sum: 3 * today })?.(2, 0b01, today + 28)).toBe(true);
    expect(asked({ batches: 3 })?.(2, 0b01, today + 400)).toBe(true);
    expect(asked({ batches: 4 })?.(2, 0b01, today + 400)).toBe(false);
  });
  test('by the days of all: whoever is not in it comes on its day at the soonest', () => {
    const sum = 2 * today + 2 * 30;
    expect(asked({ sum })?.(1, 0b01, today + 30)).toBe(true);
    expect(asked({ sum: sum + 1 })?.(1, 0b01, today + 30)).toBe(false);
  });
});
