import { HOUR_MS } from '../time';
import fc from 'fast-check';
import type { Calibration } from '../document';
import { History } from '../testing/history';
import { assessWater } from '../readiness';
import { gatherEvidence } from '../evidence';
import { stability, standing } from '../water';
import { calibrationSessions, corrected, correctionAt, disagreement, insideDrift } from '.';

const DAY = 24 * HOUR_MS;
const cal = (day: number, standard: number, reading: number, adjusted = false, hours = 0): Calibration => ({
  id: `c${day}-${standard}`,
  kitId: 'kit-salinity',
  at: new Date(Date.UTC(2026, 0, 1, 20) + day * DAY + hours * HOUR_MS).toISOString(),
  standard,
  reading,
  tempC: null,
  adjusted,
  note: '',
});
const at = (day: number) => Date.UTC(2026, 0, 1, 20) + day * DAY;

describe('calibration', () => {
  test('one standard gives an offset, two a slope', () => {
    const one = calibrationSessions([cal(1, 35, 36)], 'salinity');
    expect(one[0]).toMatchObject({
      error: 1,
      good: false,
      correction: { offset: -1, slope: 1, from: 'offset' },
    });
    const two = calibrationSessions([cal(1, 10, 11), cal(1, 35, 38.5, false, 1)], 'salinity');
    expect(two[0]?.correction.slope).toBeCloseTo(25 / 27.5, 9);
    expect(corrected(38.5, correctionAt(two, at(2)))).toBeCloseTo(35, 9);
  });
  test('an instrument that was set needs no correction; before the first nothing is corrected', () => {
    const sessions = calibrationSessions([cal(5, 35, 36.4, true)], 'salinity');
    expect(correctionAt(sessions, at(6)).from).toBe('none');
    expect(correctionAt(sessions, at(1)).from).toBe('none');
  });
  test('two standards are met exactly, whatever they are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.double({ min: 21, max: 40, noNaN: true }),
        fc.double({ min: 0.8, max: 1.2, noNaN: true }),
        (a, b, gain) => {
          const [s] = calibrationSessions([cal(1, a, a * gain), cal(1, b, b * gain, false, 1)], 'salinity');
          expect(corrected(a * gain, s?.correction ?? { offset: 0, slope: 1, from: 'none' })).toBeCloseTo(
            a,
            6,
          );
        },
      ),
      { seed: 1 },
    );
  });
  test('a drift found today doubts what was read since the last good calibration, not before', () => {
    const sessions = calibrationSessions([cal(1, 35, 35.1), cal(20, 35, 36.2, true)], 'salinity');
    expect([0, 5, 19, 21].map((d) => insideDrift(sessions, at(d)))).toEqual([false, true, true, false]);
  });
});

describe('in the judgement', () => {
  const story = () => new History().water(0, { ammonia: 0, nitrite: 0 });
  test('sea water judged by a drifted instrument is not ready any more', () => {
    const h = story();
    const now = at(0.5);
    expect(assessWater(h.doc, 't', now).gates[0]?.status).toBe('passed');
    const c = cal(0.2, 35, 37);
    h.doc.calibrations = { ...h.doc.calibrations, [c.id]: c };
    const judged = assessWater(h.doc, 't', now);
    expect(judged.gates[0]?.status).toBe('here');
    expect(judged.alarms.map((a) => a.code)).toContain('driftDoubt');
    expect(gatherEvidence(h.doc, 't', now).series.salinity[0]?.doubts).toEqual(['drift']);
  });
  test('later readings are corrected', () => {
    const h = new History();
    const c = cal(-1, 35, 36);
    h.doc.calibrations = { ...h.doc.calibrations, [c.id]: c };
    h.water(0);
    expect(gatherEvidence(h.doc, 't', at(1)).series.salinity[0]?.interval.mid).toBeCloseTo(34, 9);
  });
  test('a reading kept without trust opens no gate', () => {
    const h = story();
    const sample = h.doc.samples.s0;
    if (sample)
      h.doc.samples.s0 = {
        ...sample,
        readings: sample.readings.map((r) =>
          r.parameter === 'salinity' ? { ...r, doubted: true as const } : r,
        ),
      };
    expect(assessWater(h.doc, 't', at(0.5)).gates[0]?.finding.code).toBe('waterUnmeasured');
  });
  test('setting up begun and not finished keeps the water gate shut; not used it says nothing', () => {
    const h = story();
    h.doc.setup.x = { id: 'x', waterId: 't', item: 'floor', doneDay: '2026-01-01' };
    expect(assessWater(h.doc, 't', at(0.5)).gates[0]?.finding.code).toBe('setupOpen');
    for (const item of ['power', 'leakTest', 'heatFirst', 'saltTest'] as const)
      h.doc.setup[item] = { id: item, waterId: 't', item, doneDay: '2026-01-01' };
    expect(assessWater(h.doc, 't', at(0.5)).gates[0]?.status).toBe('passed');
  });
});

test('two sources that cannot both be right are said; the same instrument never disagrees with itself', () => {
  const r = (kitId: string, day: number, value: number) => ({
    kitId,
    kitName: kitId,
    shop: false,
    atMs: at(day),
    value,
    half: 0.2,
  });
  expect(disagreement('salinity', [r('a', 0, 33), r('b', 0.5, 35.2)])?.difference).toBeCloseTo(2.2, 9);
  expect(disagreement('salinity', [r('a', 0, 34.6), r('b', 0.5, 35.2)])).toBeNull();
  expect(disagreement('salinity', [r('a', 0, 33), r('b', 3, 35.2)])).toBeNull();
  expect(disagreement('salinity', [r('a', 0, 33), r('a', 0.5, 36)])).toBeNull();
});

describe('steadiness', () => {
  const line = (slope: number, odd = 0) =>
    Array.from({ length: 10 }, (_, i) => ({
      atMs: at(i),
      value: 8 + slope * i + (i % 2) * 0.05 + (i === 9 ? odd : 0),
    }));
  const range = { alarmLow: 7, low: 8, high: 9.5, alarmHigh: 12 };
  test('drift a week is found, and one wild number does not move it', () => {
    expect(stability(line(0.1))?.driftPerWeek).toBeCloseTo(0.7, 1);
    expect(stability(line(0.1, 6))?.driftPerWeek).toBeCloseTo(0.7, 1);
  });
  test('a single odd number asks for a repeat; two in a row alarm', () => {
    expect(standing(line(0, 6), range).standing).toBe('odd');
    const low = [...line(0).slice(0, 8), { atMs: at(8), value: 6.2 }, { atMs: at(9), value: 6.1 }];
    expect(['alarm', 'odd']).toContain(standing(low, range).standing);
    expect(
      standing(
        [...low, { atMs: at(10), value: 6.1 }, { atMs: at(11), value: 6 }, { atMs: at(12), value: 6.1 }],
        range,
      ).standing,
    ).toBe('alarm');
  });
  test('drift is said before deviation', () =>
    expect(
      standing(
        line(-0.15).map((p) => ({ ...p, value: p.value + 1 })),
        range,
      ).standing,
    ).toBe('drifting'));
});
