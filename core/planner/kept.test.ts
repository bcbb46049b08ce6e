/** Which partial plans are kept, against every pair of them. */
import { seededRandom } from '../random';
import { aProblem, aWish } from '../testing/plans';
import { Kept } from './kept';
import { start } from './start';
import { type Label, worldOf } from './world';

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
    for (const label of labels)
      kept.add(label, (gone, by) => {
        expect(isAsGood(by, gone)).toBe(true);
        heard.push(gone);
      });
    const stay = labels.filter((label) => kept.has(label));
    expect([...heard, ...stay]).toHaveLength(labels.length);
    for (const a of stay) for (const b of stay) if (a !== b) expect(isAsGood(a, b)).toBe(false);
    for (const gone of heard) expect(stay.some((label) => isAsGood(label, gone))).toBe(true);
    dropped += heard.length;
  }
  expect(dropped).toBeGreaterThan(300);
});
