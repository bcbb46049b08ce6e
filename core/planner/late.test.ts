/** Whoever of a line comes too late to be bought one by one is bought together. */
import { aProblem, aWish as wish, TODAY } from '../testing/plans';
import { hopeOf } from './bounds';
import { prospectOf } from './prospects';
import type { Problem } from './problem';
import { start } from './start';
import { worldOf } from './world';
import type { Worth } from './label';

/** Two that need a tank of 140 days, from day 100 on, each for 50. */
const two = [
  wish('a', { needsTankDays: 140, price: 50, loadMgN: 2 }),
  wish('b', { needsTankDays: 140, price: 50, loadMgN: 2 }),
];

/** Could a plan with all of them end by a day, as far as is known before anything is planned? */
function mayEndBy(day: number, budget: number, more: Partial<Problem> = {}, wishes = two): boolean {
  const world = worldOf(aProblem(wishes, { budget, ...more }), false, () => true, 'months');
  const root = start(world);
  const best: Worth = { placed: [wishes.length], last: TODAY + day + 1, batches: 9, sum: 1e9 };
  return hopeOf(world, root, prospectOf(world, root), best)?.last === TODAY + 100;
}

const quarantine = aProblem([]).quarantines[0]!;

test('one stay lets both out, and is bought in one month', () => {
  expect(mayEndBy(110, 90)).toBe(false);
  expect(mayEndBy(110, 100)).toBe(true);
});
test('the next stay is bought a day after it and takes 28 more: then each may be bought by itself', () => {
  expect(mayEndBy(127, 90)).toBe(false);
  expect(mayEndBy(128, 90)).toBe(true);
});
test('two quarantines let each out by itself', () => {
  expect(mayEndBy(110, 90, { quarantines: [quarantine, { ...quarantine, id: 'other' }] })).toBe(true);
});
test('of three in two stays two are bought together, within what each stay holds', () => {
  const third = wish('c', { needsTankDays: 140, price: 50, loadMgN: 2 });
  const small = { ...quarantine, id: 'small', netL: 20 };
  const three = [...two, third];
  expect(mayEndBy(110, 90, { quarantines: [quarantine, small] }, three)).toBe(false);
  expect(mayEndBy(110, 100, { quarantines: [quarantine, small] }, three)).toBe(true);
  // Each holds one of them only.
  expect(mayEndBy(110, 100, { quarantines: [{ ...small, id: 'q' }, small] }, three)).toBe(false);
});
test('whoever may not meet another is not put with it', () => {
  // One of the two goes; the third with it.
  const forbidden = [[0, 1]] as const;
  expect(mayEndBy(110, 100, { forbidden })).toBe(false);
});
test('where something is bought for the line it is left open', () => {
  const bought = wish('c', { loadMgN: 1 });
  const fixed = [{ wish: 2, buy: TODAY - 5, quarantine: 0, release: null }];
  const world = worldOf(aProblem([...two, bought], { budget: 90, fixed }), false, () => true, 'months');
  const root = start(world);
  const best: Worth = { placed: [1, 2], last: TODAY + 111, batches: 9, sum: 1e9 };
  expect(hopeOf(world, root, prospectOf(world, root), best)).not.toBeNull();
});
