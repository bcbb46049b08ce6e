import { gatherEvidence } from '../evidence';
import { DAY, History, START_MS } from '../testing/history';
import { nitrogenStrata } from './strata';

const strataAt = (h: History, day: number, volumeSdShare = 0) => {
  const e = gatherEvidence(h.doc, 't', START_MS + day * DAY);
  return { netL: e.netL, ...nitrogenStrata(e, volumeSdShare) };
};

test('each sitting is drawn with its own nitrite and nitrate, also where two stand at one moment', () => {
  const h = new History()
    .dose(0, 2)
    .test(1, { ammonia: 2, nitrite: 0 })
    .test(3, { ammonia: 1, nitrite: 2, nitrate: 10 })
    .test(3, { nitrite: 5, nitrate: 20 })
    .test(4, { ammonia: 0.5 })
    .test(5, { nitrite: 2, nitrate: 5 })
    .test(5, { ammonia: 0, nitrite: 0, nitrate: 40 });
  const { points, netL } = strataAt(h, 6);
  expect(points.map((p) => (p.atMs - START_MS) / DAY)).toEqual([1, 3, 5]);
  expect(points[1]?.nitriteMgN).toBeCloseTo((2 / 3.2844) * netL, 6);
  expect(points[2]?.nitrateMgN).toBeCloseTo((40 / 4.4266) * netL, 6);
});

test('what was put in is what stood there by the moment of a test: a dose, food as it rots, less what a change took', () => {
  const h = new History()
    .dose(0, 2)
    .test(1, { ammonia: 2, nitrite: 0 })
    .event(2, { kind: 'waterChange', litres: 0 })
    .test(3, { ammonia: 1, nitrite: 0 });
  const { netL } = strataAt(h, 4);
  const doc = { ...h.doc, events: { ...h.doc.events } };
  for (const [id, e] of Object.entries(doc.events))
    if (e.kind === 'waterChange') doc.events[id] = { ...e, litres: netL / 4 };
  const e = gatherEvidence(doc, 't', START_MS + 4 * DAY);
  const { points, putIn, gapMgN } = nitrogenStrata(e, 0);
  const [dosed, left] = [points[0]?.putInMgN ?? 0, points[1]?.putInMgN ?? 0];
  expect(dosed).toBeGreaterThan(0);
  expect(left).toBeCloseTo(dosed * 0.75, 6);
  expect(putIn[putIn.length - 1]).toEqual({ atMs: e.nowMs, mgN: left });
  const last = points[1]!;
  expect(gapMgN).toBeCloseTo(left - last.ammoniaMgN - last.nitriteMgN - last.nitrateMgN, 6);
});

test('the doubt of the volume widens the gap that is no finding, and leaves the strata as they are', () => {
  const h = new History().dose(0, 2).test(1, { ammonia: 2, nitrite: 0, nitrate: 0 });
  const [sure, unsure] = [strataAt(h, 2), strataAt(h, 2, 0.2)];
  expect(unsure.points).toEqual(sure.points);
  expect(unsure.gapSdMgN).toBeGreaterThan(sure.gapSdMgN);
  expect(strataAt(new History(), 2)).toMatchObject({ points: [], putIn: [], gapMgN: 0, gapSdMgN: 0 });
});
