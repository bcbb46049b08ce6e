import { IN, type Quarantine } from '../document';
import { gatherEvidence } from '../evidence';
import { speciesById } from '../species';
import { dailyLoadMgN } from '../stocking';
import { DAY, History, START_MS } from '../testing/history';
import { bareOutlook } from './bare';

const Q: Quarantine = {
  id: 't',
  name: 'Spare tank',
  kind: 'quarantine',
  startDay: new Date(START_MS).toISOString().slice(0, 10),
  size: { kind: 'volume', volumeL: 100 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  line: 'fish',
  filter: 'uncycled',
  clockDays: 28,
  serves: [],
  runs: [{ openedDay: new Date(START_MS).toISOString().slice(0, 10), closedDay: null }],
};
function bare(h: History, over: Partial<Quarantine> = {}): History {
  h.doc.waters.t = { ...Q, ...over };
  return h;
}
const at = (h: History, day: number) => bareOutlook(gatherEvidence(h.doc, 't', START_MS + day * DAY), 38);
const clown = speciesById('ocellaris-clownfish');
const two = 2 * dailyLoadMgN(clown, clown.arrivalCm);
const fish = () => bare(new History().animal(1, 'ocellaris-clownfish', 2));

test('from the first animal ammonia rises by load over volume, and the day of the limit is foretold', () => {
  const o = at(fish(), 2)!;
  expect(o.loadMgN).toBeCloseTo(two, 1);
  expect(o.nowMgN).toBeCloseTo(two / 100, 3);
  // 0.02 free at pH 8.2, 25 C, 35: 6.46 %, so 0.31 in all (science notes 2).
  expect(o.plan.peakMgN).toBeCloseTo(0.31, 2);
  expect(o.reachedDays).toBeCloseTo((0.31 - two / 100) / (two / 100), 0);
});
test('the changes proposed are the rarest that stay gentle, and hold the peak', () => {
  const o = at(fish(), 2)!;
  expect(o.plan.fraction).toBeLessThanOrEqual(0.5);
  expect(Math.max(...o.withChanges.map((p) => p.mgN))).toBeLessThanOrEqual(
    o.plan.peakMgN * 1.0001 + o.nowMgN,
  );
  expect(o.litres).toBeCloseTo(o.plan.fraction * 100, 6);
});
test('a crowd that no change holds is said so', () => {
  const crowd = bare(new History().animal(1, 'yellow-tang', 6));
  expect(at(crowd, 1.1)!.plan).toMatchObject({ feasible: false, litresPerWeek: null });
});
test('a change lowers what is reckoned, and the next comes by the plan', () => {
  const h = fish();
  const before = at(h, 5)!;
  h.event(5, { kind: 'waterChange', litres: 50 } as never);
  const after = at(h, 5.01)!;
  expect(after.nowMgN).toBeCloseTo(before.nowMgN / 2, 2);
  expect(after.reachedDays).toBeGreaterThan(before.reachedDays);
  expect(after.dueDays).toBeLessThanOrEqual(after.plan.everyDays);
});
test('a reading counts from its moment on, whatever was reckoned before', () => {
  const h = fish().test(6, { ammonia: 0 });
  expect(at(h, 6.01)!.nowMgN).toBeLessThan(at(fish(), 6.01)!.nowMgN);
});
test('a test far above or far below what was reckoned is said', () => {
  expect(at(fish().test(2, { ammonia: 0 }).test(3, { ammonia: 2 }), 3.1)!.departs?.kind).toBe('more');
  const fallen = bare(new History().animal(1, 'yellow-tang', 1))
    .test(3, { ammonia: 1 })
    .test(8, { ammonia: 0 });
  expect(at(fallen, 8.1)!.departs?.kind).toBe('less');
  expect(at(fish().test(2, { ammonia: 0 }).test(3, { ammonia: 0 }), 3.1)!.departs).toBeNull();
});
test('cycled media, no animals, or another kind of water: nothing is reckoned', () => {
  expect(at(bare(new History().animal(1, 'ocellaris-clownfish'), { filter: 'cycled' }), 2)).toBeNull();
  expect(at(bare(new History()), 2)).toBeNull();
  expect(at(new History().animal(1, 'ocellaris-clownfish'), 2)).toBeNull();
  const gone = fish();
  const [id, a] = Object.entries(gone.doc.animals)[0]!;
  gone.doc.animals[id] = {
    ...a,
    moves: [...a.moves, { to: IN('x'), at: new Date(START_MS + 3 * DAY).toISOString(), why: '' }],
  };
  expect(at(gone, 4)).toBeNull();
});
