/** How many batches of a line can have been bought by the end of each month. */
import { aProblem, aWish as wish, TODAY } from '../testing/plans';
import { prospectOf } from './prospects';
import type { Problem } from './problem';
import { roomsAfter } from './rooms';
import { start } from './start';
import { worldOf } from './world';
import type { Worth } from './label';

const cleaner = wish('cleaner', { line: 'invertebrate', temperament: null, crew: true, needsTankDays: 180 });
const fish = [wish('a'), wish('b')];
const [forFish] = aProblem([]).quarantines as [Problem['quarantines'][number]];
const quarantines = [forFish, { ...forFish, id: 'i', line: 'invertebrate' as const }];

/** By month for fish, before anything is planned. @param more placed in the best plan so far than could be */
function rooms(wishes: Problem['wishes'], more: Partial<Problem> = {}, fewer = 0): number[] | undefined {
  const world = worldOf(aProblem(wishes, { budget: 60, quarantines, ...more }), false, () => true);
  const root = start(world);
  const [most] = prospectOf(world, root).most as [number];
  const best: Worth = { placed: [most - fewer], last: TODAY + 300, batches: 9, sum: 1e9 };
  return roomsAfter(world, root, best)?.[0]?.slice();
}
/** The month a day from today lies in, counted from the first. */
const monthOf = (day: number) => worldOf(aProblem([]), false, () => true).calendar.monthAt(TODAY + day);

test('the next stay is bought a day after the one before was let out', () => {
  const told = rooms(fish)!;
  const bought = [0, 29, 58, 87].map(monthOf);
  bought.forEach((month, k) => {
    const next = bought[k + 1];
    if (next !== undefined && next > month) expect(told[next - 1]).toBe(k + 1);
  });
  expect(told[0]).toBe(bought.filter((month) => month === 0).length);
});
test('while the fish wait for a cleaner the first stay goes on, and the next is bought after it', () => {
  const told = rooms([...fish, cleaner])!;
  // The cleaner comes on day 140, a fish a day later.
  expect(told.slice(0, monthOf(142))).toEqual(Array(monthOf(142)).fill(1));
  expect(told[monthOf(142)]).toBeGreaterThan(1);
  expect(rooms([...fish, cleaner], { quarantines: [...quarantines, { ...forFish, id: 'o' }] })?.[0]).toBe(2);
});
test('but not where the best plan goes without somebody, who may be the cleaner', () => {
  expect(rooms([...fish, cleaner], {}, 1)).toEqual(rooms(fish));
});
test('where something is bought or set nothing is said', () => {
  const fixed = [{ wish: 0, buy: TODAY - 3, quarantine: 0, release: null }];
  expect(rooms(fish, { fixed })).toBeUndefined();
});
