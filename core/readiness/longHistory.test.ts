/** What is remembered of a long history must never change an answer. */
import fc from 'fast-check';
import type { Calibration, Document, Parameter } from '../document';
import { samplesAfter, seriesAt } from '../evidence/layout';
import { remembered } from '../remembered';
import { documents } from '../testing/arbitraries';
import { History, START_MS, DAY } from '../testing/history';
import { assessWater } from '.';
import { gatherEvidence } from '../evidence';
import { HOUR_MS } from '../time';

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
test('after any acts on the samples what was laid out before and amended equals what is laid out anew', () => {
  const [ammonia, nitrite, nitrate, salinity] = ['ammonia', 'nitrite', 'nitrate', 'salinity'] as const;
  // Few names and few hours: samples are put, corrected and taken away again, and some stand at the same moment.
  const act = fc.record({
    id: fc.constantFrom('a', 'b', 'c', 'd', 'constructor', '7'),
    waterId: fc.constantFrom('t', 'q'),
    hour: fc.integer({ min: 0, max: 70 }),
    values: fc.dictionary(fc.constantFrom(ammonia, nitrite, nitrate, salinity), fc.constantFrom(0, 2, 35), {
      minKeys: 1,
      noNullPrototype: true,
    }),
    removed: fc.boolean(),
  });
  const calibration = (hour: number): Calibration => ({
    id: `at ${hour}`,
    kitId: 'kit-salinity',
    at: new Date(START_MS + hour * HOUR_MS).toISOString(),
    standard: 35,
    reading: 35 + hour / 20,
    tempC: null,
    adjusted: true,
    note: '',
  });
  fc.assert(
    fc.property(
      fc.array(fc.array(act, { minLength: 1, maxLength: 3 }), { maxLength: 12 }),
      fc.boolean(),
      (acts, calibrated) => {
        const { doc: empty } = new History();
        let doc: Document = {
          ...empty,
          calibrations: calibrated ? { one: calibration(10), two: calibration(50) } : {},
        };
        for (const changes of acts) {
          const samples = { ...doc.samples };
          for (const { id, waterId, hour, values, removed } of changes) {
            if (removed) delete samples[id];
            else {
              const readings = Object.entries(values).map(([parameter, value]) => ({
                parameter: parameter as Parameter,
                kitId: `kit-${parameter}`,
                value: { kind: 'exact' as const, value },
              }));
              const at = new Date(START_MS + hour * HOUR_MS).toISOString();
              samples[id] = { id, waterId, at, note: '', readings };
            }
          }
          doc = { ...doc, samples };
          for (const waterId of ['t', 'q']) {
            const seen = seriesAt(doc, waterId, START_MS + 4 * DAY);
            expect(seen).toEqual(seriesAt(copy(doc), waterId, START_MS + 4 * DAY));
            expect(samplesAfter(doc, waterId, START_MS)).toEqual(samplesAfter(copy(doc), waterId, START_MS));
            // At a moment in between there is no more than in a log that ends there.
            const then = START_MS + 40 * HOUR_MS;
            const ended = Object.values(copy(doc).samples).filter((x) => Date.parse(x.at) <= then);
            const endsThen = { ...copy(doc), samples: Object.fromEntries(ended.map((x) => [x.id, x])) };
            expect(seriesAt(doc, waterId, then)).toEqual(seriesAt(endsThen, waterId, then));
          }
        }
      },
    ),
    { seed: 4, numRuns: 300 },
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

test('two hundred thousand readings of one kind, as a device’s table brings them, are judged like few', () => {
  const logged = (count: number) => {
    const { doc } = new History().dose(0, 2).test(1, { ammonia: 2, nitrite: 0 });
    const samples = { ...doc.samples };
    for (let i = 0; i < count; i++)
      samples[`hour ${i}`] = {
        id: `hour ${i}`,
        waterId: 't',
        at: new Date(START_MS + 9000 * DAY - i * HOUR_MS).toISOString(),
        note: '',
        readings: [{ parameter: 'ammonia', kitId: 'kit-ammonia', value: { kind: 'exact', value: 0 } }],
      };
    return { ...doc, samples };
  };
  const judged = (count: number) => assessWater(logged(count), 't', START_MS + 9000 * DAY);
  expect(judged(200_000).fish).toEqual(judged(100).fish);
});
