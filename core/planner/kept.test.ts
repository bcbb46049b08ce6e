/** Which partial plans are kept, against every pair of them. */
import { seededRandom } from '../random';
import { aProblem, aWish } from '../testing/plans';
import { Kept } from './kept';
import { start } from './start';
import { type Label, LATE } from './label';
import { worldOf } from './world';

const world = worldOf(aProblem([aWish('a'), aWish('b')]), false, () => true);
const root = start(world);

/** Alike in who is placed, each a little better or worse in its day, batches and sum of days. */
function someLabels(seed: number): Label[] {
  const random = seededRandom(seed);
  const some = (most: number) => Math.floor(random() * (most + 1));
  return Array.from({ length: 12 }, (): Label => {
    const day = root.day + some(4);
    return {
      ...root,
      day,
      free: root.free.map((free) => free + some(3)),
      worth: { ...root.worth, last: day, batches: some(2), sum: some(4) },
    };
  });
}

/** Is the first at least as good in all of that? */
const isAsGood = (a: Label, b: Label): boolean =>
  a.day <= b.day &&
  a.free.every((free, q) => free <= (b.free[q] as number)) &&
  (a.worth.batches < b.worth.batches || (a.worth.batches === b.worth.batches && a.worth.sum <= b.worth.sum));

test('in whatever order they come one is dropped where another is at least as good, and else stays', () => {
  let dropped = 0;
  for (let seed = 1; seed <= 300; seed++) {
    const labels = someLabels(seed);
    const kept = new Kept(world);
    const heard: Label[] = [];
    for (const label of labels) {
      const foretold = kept.isDropped(label);
      const stays = kept.add(label, (gone, by) => {
        expect(isAsGood(by, gone)).toBe(true);
        heard.push(gone);
      });
      expect(foretold).toBe(!stays);
    }
    const stay = labels.filter((label) => kept.has(label));
    expect([...heard, ...stay]).toHaveLength(labels.length);
    for (const a of stay) for (const b of stay) if (a !== b) expect(isAsGood(a, b)).toBe(false);
    for (const gone of heard) expect(stay.some((label) => isAsGood(label, gone))).toBe(true);
    dropped += heard.length;
  }
  expect(dropped).toBeGreaterThan(300);
});

describe('what still counts', () => {
  const wishes = [
    aWish('gentle', { temperament: 0, loadMgN: 2 }),
    aWish('fierce', { temperament: 2, loadMgN: 2 }),
    aWish('snail', { line: 'invertebrate', temperament: null, loadMgN: 6 }),
  ];
  const day = root.day + 60;
  /** Both fierce and snail placed, the gentle one to come. */
  const labelIn = (of: typeof world, more: Partial<Label>): Label => ({
    ...start(of),
    placed: [false, true, true],
    key: 6,
    mask: 6,
    day,
    worth: { ...root.worth, last: day },
    ...more,
  });
  const isDropped = (of: typeof world, better: Partial<Label>, worse: Partial<Label>): boolean => {
    const kept = new Kept(of);
    kept.add(labelIn(of, better));
    return !kept.add(labelIn(of, worse));
  };
  const worldFor = (loadMgN: number, more: Parameters<typeof aProblem>[1] = {}) =>
    worldOf(
      aProblem([{ ...wishes[0]!, loadMgN }, ...wishes.slice(1)], { displayLoadMgN: 0, ...more }),
      false,
      () => true,
    );

  test.each([
    ['with a load, on the day of another load: it would have been one event', 2, day, true],
    ['with a load, where none came on that day', 2, day - 20, false],
    ['without a load', 0.4, day, false],
  ])('a gentler one that may come on the very day of the fiercer: %s', (_, loadMgN, lastHeavy, dropped) => {
    const came = (on: number) => ({
      fishFirst: [LATE, LATE, on] as Label['fishFirst'],
      firstHeavy: 0,
      lastHeavy,
    });
    expect(isDropped(worldFor(loadMgN), came(day - 5), came(day))).toBe(dropped);
    // Nobody is gentler than the gentlest.
    const gentle = (on: number) => ({ ...came(on), fishFirst: [on, LATE, LATE] as Label['fishFirst'] });
    expect(isDropped(worldFor(loadMgN), gentle(day - 5), gentle(day))).toBe(true);
  });
  test.each([
    // Half the first step of 6: by it alone whatever follows is let in.
    [6, 3, 0, true],
    [6, 3.1, 0, false],
    // All together bring 10: half of it lets in whoever may come.
    [1, 8, 5, true],
    [1, 8, 4.9, false],
    [1, 4.9, 4.9, true],
  ])(
    'with a first step of %p, %p mg N a day that were there sooner against %p',
    (firstStepMgN, there, other, dropped) => {
      const world = worldFor(2, { firstStepMgN });
      const sooner = (load: number) => ({ days: [day - 29, day], sums: [load, 8] });
      expect(isDropped(world, sooner(other), sooner(there))).toBe(dropped);
      // What lives there already counts as well.
      const livedIn = worldFor(2, { firstStepMgN, displayLoadMgN: 100 });
      expect(isDropped(livedIn, sooner(0), sooner(8))).toBe(true);
    },
  );
});
