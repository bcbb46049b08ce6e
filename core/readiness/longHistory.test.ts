/** What is remembered of a long history must never change an answer. */
import fc from 'fast-check';
import { remembered } from '../remembered';
import { documents } from '../testing/arbitraries';
import { History, START_MS, DAY } from '../testing/history';
import { assessWater } from '.';
import { gatherEvidence } from '../evidence';

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

test('evidence gathered again, with all that is remembered, equals evidence of a fresh copy', () => {
  fc.assert(
    fc.property(documents, (doc) => {
      const nowMs = Date.UTC(2026, 10, 2);
      for (const id of Object.keys(doc.waters)) {
        const gather = (d: typeof doc) => {
          try {
            return JSON.stringify(gatherEvidence(d, id, nowMs));
          } catch (error) {
            return String(error);
          }
        };
        const once = gather(doc);
        expect(gather(doc)).toBe(once);
        expect(gather(copy(doc))).toBe(once);
      }
    }),
    { seed: 9, numRuns: 60 },
  );
});
test('a changed kit, sample or calibration is seen at once', () => {
  const h = new History().water(0, { ammonia: 0.5, nitrite: 0 });
  const at = START_MS + DAY;
  const before = gatherEvidence(h.doc, 't', at).series.ammonia[0]?.interval.mid ?? 0;
  const kit = h.doc.kits['kit-ammonia'];
  if (!kit) throw new Error('no kit');
  const asN = { ...h.doc, kits: { ...h.doc.kits, 'kit-ammonia': { ...kit, basis: 'N' as const } } };
  expect(gatherEvidence(asN, 't', at).series.ammonia[0]?.interval.mid).toBeCloseTo(before * 1.2878, 9);
  expect(gatherEvidence(h.doc, 't', at).series.ammonia[0]?.interval.mid).toBeCloseTo(before, 12);
});
test('ten years of readings twice a day are judged like the last weeks of them', () => {
  const word = (from: number) => {
    const h = new History()
      .test(from, { ammonia: 0, nitrite: 0 })
      .dose(from + 1, 2)
      .test(from + 2, { ammonia: 2, nitrite: 0 });
    for (let day = Math.max(from + 20, 3600 - (from === 0 ? 3600 : 60)); day < 3650; day += 0.5)
      if (day > from + 20) h.water(day, { ammonia: 0, nitrite: 0, nitrate: 10, ph: 8.1 });
    return assessWater(h.doc, 't', START_MS + 3650 * DAY).fish.word;
  };
  expect(word(0)).toBe(word(3560));
});
test('each object is worked out once', () => {
  let calls = 0;
  const size = remembered((list: readonly number[]) => {
    calls++;
    return list.length;
  });
  const list = [1, 2];
  expect([size(list), size(list), size([1])]).toEqual([2, 2, 1]);
  expect(calls).toBe(2);
});

test('what was laid out once serves later moments, and a moment before the last sample sees no more than there was', () => {
  const h = new History().dose(0, 2).test(1, { ammonia: 2 }).test(4, { ammonia: 1 });
  const at = (day: number) => gatherEvidence(h.doc, 't', START_MS + day * DAY);
  const whole = at(5);
  expect(at(6).series).toBe(whole.series);
  expect(at(2).series.ammonia.map((p) => p.text)).toEqual(['2']);
  h.event(5, { kind: 'note' });
  expect(at(6).series).toBe(whole.series);
  expect(h.test(6, { ammonia: 0 }) && at(7).series.ammonia.map((p) => p.text)).toEqual(['2', '1', '0']);
  const kits = { ...h.doc.kits, 'kit-ammonia': { ...h.doc.kits['kit-ammonia']!, expires: '2025-01-01' } };
  expect(gatherEvidence({ ...h.doc, kits }, 't', START_MS + 7 * DAY).series.ammonia[0]?.doubts).toEqual([
    'expired',
  ]);
});
