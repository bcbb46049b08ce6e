/** What evidence holds, and each threshold of the facts, just under and just over. */
import { GONE, IN, STARTER_KITS, WISHED, type Animal, type Kit } from '../document';
import { DAY, History, START_MS } from '../testing/history';
import { PRECISE_KITS } from '../testing/precise';
import { HOUR_MS } from '../time';
import {
  ammoniaAtMost,
  bothClear,
  evidenceUntil,
  expectedNow,
  firstAmmoniaMs,
  firstFall,
  firstRiseMs,
  gatherEvidence,
  insideDoseWindow,
  keptShare,
  lastOf,
  meantAsProof,
  nothingLeft,
  pairedTests,
  proofState,
  foundAgain,
  trusted,
} from '.';

const HOUR = 1 / 24;
const at = (h: History, day: number) => gatherEvidence(h.doc, 't', START_MS + day * DAY);
const precise = () => new History('proof24', PRECISE_KITS);
const ms = (day: number): number => START_MS + day * DAY;
/** A cycle clear on days 20 and 22. */
const cleared = () =>
  new History()
    .dose(1, 2)
    .test(2, { ammonia: 2, nitrite: 0 })
    .test(10, { ammonia: 0.5, nitrite: 2 })
    .test(20, { ammonia: 0, nitrite: 0, nitrate: 10 })
    .test(22, { ammonia: 0, nitrite: 0, nitrate: 10 });

describe('the evidence of a past moment', () => {
  const animal = (moves: Animal['moves']): Animal => ({
    id: 'a',
    homeId: 't',
    speciesId: 'neon-goby',
    count: 1,
    moves,
    plannedDay: null,
  });
  test('holds no later sample, event, dose or change', () => {
    const h = new History()
      .test(1, { ammonia: 1 })
      .dose(2, 2)
      .event(3, { kind: 'waterChange', litres: 30 })
      .test(4, { ammonia: 0 });
    const early = at(h, 1.5);
    expect([early.series.ammonia.length, early.events, early.doses, early.changes]).toEqual([1, [], [], []]);
    const now = at(h, 4);
    expect(now.series.ammonia.map((p) => p.atMs)).toEqual([ms(1), ms(4)]);
    expect(now.doses).toEqual([{ atMs: ms(2), mgNPerL: expect.closeTo(1.553, 3) }]);
    expect(now.changes).toEqual([{ atMs: ms(3), fraction: 0.3, brought: {} }]);
    expect(now.events.map((e) => e.kind)).toEqual(['ammoniaDose', 'waterChange']);
  });
  test('holds nothing of another tank', () => {
    const h = new History().dose(2, 2).test(3, { ammonia: 1 });
    h.doc.waters = { ...h.doc.waters, other: { ...h.doc.waters.t!, id: 'other' } };
    const other = gatherEvidence(h.doc, 'other', ms(4));
    expect([other.events, other.doses, other.series.ammonia]).toEqual([[], [], []]);
  });
  test('a change larger than the tank is all of it', () => {
    expect(at(new History().event(1, { kind: 'waterChange', litres: 130 }), 2).changes[0]?.fraction).toBe(1);
  });
  test('holds animals as they were: not yet there, in, gone', () => {
    const h = new History();
    h.doc.animals.a = animal([
      { to: WISHED, at: h.at(1), why: '' },
      { to: IN('t'), at: h.at(5), why: '' },
      { to: GONE('died'), at: h.at(9), why: 'died' },
    ]);
    h.doc.animals.b = { ...animal([{ to: IN('other'), at: h.at(3), why: '' }]), id: 'b', homeId: 'other' };
    expect([at(h, 2).joined, at(h, 2).residents]).toEqual([[], []]);
    const during = at(h, 6);
    expect(during.joined.map((j) => [j.atMs, j.animal.moves.length])).toEqual([[ms(5), 2]]);
    expect(during.residents.map((a) => a.id)).toEqual(['a']);
    expect(at(h, 5).residents.map((a) => a.id)).toEqual(['a']);
    const after = at(h, 9);
    expect(after.joined[0]?.animal).toBe(h.doc.animals.a);
    expect(after.residents).toEqual([]);
  });
  test('those who joined stand in the order they joined', () => {
    const h = new History().animal(8, 'neon-goby').animal(4, 'turban-snail');
    expect(at(h, 9).joined.map((j) => j.atMs)).toEqual([ms(4), ms(8)]);
  });
  test('holds no set-up point of a later day; a day counts once it has begun anywhere', () => {
    const h = new History();
    const done = (id: string, item: 'floor' | 'leakTest', doneDay: string) => {
      h.doc.setup[id] = { id, waterId: 't', item, doneDay };
    };
    done('one', 'floor', '2026-01-03');
    done('two', 'leakTest', '2026-01-08');
    expect(at(h, 0).setupOpen).toEqual([]);
    const onlyFloor = at(h, 3).setupOpen;
    expect(onlyFloor).toContain('leakTest');
    expect(onlyFloor).not.toContain('floor');
    // 2026-01-08 begins easternmost on the 7th at 10:00 UTC; the history's moments are at 20:00.
    expect(at(h, 6 - 10.1 * HOUR).setupOpen).toContain('leakTest');
    expect(at(h, 6 - 10 * HOUR).setupOpen).not.toContain('leakTest');
    h.doc.setup.three = { id: 'three', waterId: 'other', item: 'power', doneDay: '2026-01-01' };
    expect(at(h, 9).setupOpen).toContain('power');
  });
  test('holds no calibration of later: it corrects and doubts nothing yet', () => {
    const h = new History().test(2, { salinity: 35 });
    h.doc.calibrations.c = {
      id: 'c',
      kitId: 'kit-salinity',
      at: h.at(5),
      standard: 35,
      reading: 33,
      tempC: null,
      adjusted: false,
      note: '',
    };
    expect(at(h, 4).series.salinity[0]?.doubts).toEqual([]);
    expect(at(h, 5).series.salinity[0]?.doubts).toEqual(['drift']);
  });
  test('an unknown tank is refused by name', () => {
    expect(() => gatherEvidence(new History().doc, 'x', 0)).toThrow(
      '"waterId" must be a water of the document, got "x"',
    );
  });
});

describe('points', () => {
  test('a calibration before corrects what follows, its own kit only', () => {
    const h = new History().test(2, { salinity: 34, temperature: 25 });
    h.doc.calibrations.c = {
      id: 'c',
      kitId: 'kit-salinity',
      at: h.at(1),
      standard: 35,
      reading: 34.6,
      tempC: null,
      adjusted: false,
      note: '',
    };
    const e = at(h, 3);
    expect(e.series.salinity[0]).toMatchObject({ corrected: true, doubts: [] });
    expect(e.series.salinity[0]?.interval.mid).toBeCloseTo(34.4, 9);
    const { low, high } = e.series.salinity[0]!.interval;
    expect([low < 34.4, high > 34.4]).toEqual([true, true]);
    expect(e.series.temperature[0]?.corrected).toBeUndefined();
    h.doc.calibrations.gone = { ...h.doc.calibrations.c, id: 'gone', kitId: 'no-kit' };
    expect(at(h, 3).series.salinity).toHaveLength(1);
  });
  test('an instrument is judged by its own calibrations, not by those of another for the same parameter', () => {
    const h = new History().test(2, { salinity: 34 });
    const own = { id: 'own', kitId: 'kit-salinity', at: h.at(1), standard: 35, reading: 34.6 };
    const rest = { tempC: null, adjusted: false, note: '' };
    h.doc.kits = { ...h.doc.kits, second: { ...h.doc.kits['kit-salinity']!, id: 'second' } };
    h.doc.calibrations = {
      own: { ...own, ...rest },
      other: { ...own, ...rest, id: 'other', kitId: 'second', at: h.at(1.01), reading: 37 },
    };
    expect(at(h, 3).series.salinity[0]?.interval.mid).toBeCloseTo(34.4, 9);
  });
  test('an expired kit and a person’s doubt each stand beside the reading', () => {
    const kits: Kit[] = STARTER_KITS.map((k) => ({ ...k, expires: '2026-01-03' }));
    const h = new History('proof24', kits).test(2, { ammonia: 1 }).test(3, { ammonia: 1 });
    expect(at(h, 4).series.ammonia.map((p) => p.doubts)).toEqual([[], ['expired']]);
    const sample = Object.values(h.doc.samples)[0]!;
    h.doc.samples = { [sample.id]: { ...sample, readings: [{ ...sample.readings[0]!, doubted: true }] } };
    expect(at(h, 4).series.ammonia[0]?.doubts).toEqual(['byPerson']);
  });
  test('a reading whose kit is gone is left out; one of another tank is not ours', () => {
    const h = new History().test(1, { ammonia: 1 }).test(2, { ammonia: 2 });
    const [first, second] = Object.values(h.doc.samples);
    h.doc.samples = {
      [first!.id]: { ...first!, readings: [{ ...first!.readings[0]!, kitId: 'no-kit' }] },
      [second!.id]: { ...second!, waterId: 'other' },
    };
    expect(at(h, 3).series.ammonia).toEqual([]);
  });
  test('nitrogen is mg N/L, the rest as stored; the text is as printed', () => {
    const e = at(new History().test(1, { ammonia: 2, salinity: 35 }), 2);
    expect(e.series.ammonia[0]).toMatchObject({ text: '2', zero: false, sampleId: 's0' });
    expect(e.series.ammonia[0]?.interval.mid).toBeCloseTo(2 / 1.2878, 9);
    expect(e.series.salinity[0]?.interval.mid).toBe(35);
  });
  test.each([
    [0.15, 0, []],
    [0.151, 0, ['nitriteInterferes']],
    [0.2, 2, ['nitriteInterferes']],
    [0.2, -2, ['nitriteInterferes']],
    [0.2, 2.01, []],
    [0.2, -2.01, []],
  ])('nitrite of %f mg N/L read %f days from a nitrate reading', (nitrite, apart, doubts) => {
    const h = precise()
      .test(10, { nitrate: 5 })
      .test(10 + apart + (apart === 0 ? HOUR / 60 : 0), { nitrite });
    expect(at(h, 20).series.nitrate[0]?.doubts).toEqual(doubts);
  });
  test('the nitrite nearest in time decides', () => {
    const h = precise()
      .test(8, { nitrite: 1 })
      .test(9.2, { nitrite: 0 })
      .test(10, { nitrate: 5 })
      .test(11, { nitrite: 1 })
      .test(20, { nitrate: 5 });
    expect(at(h, 30).series.nitrate.map((p) => p.doubts)).toEqual([[], []]);
    expect(at(h.test(10.5, { nitrite: 1 }), 30).series.nitrate[0]?.doubts).toEqual(['nitriteInterferes']);
  });
  test('trusted points are those without any doubt; the last of a list is its last', () => {
    const h = precise().test(1, { nitrate: 5, nitrite: 1 }).test(9, { nitrate: 6, nitrite: 0 });
    expect(trusted(at(h, 10).series.nitrate).map((p) => p.text)).toEqual(['6']);
    expect([lastOf([1, 2]), lastOf([])]).toEqual([2, undefined]);
  });
});

describe('rises and falls', () => {
  test.each([
    [0.149, Infinity],
    [0.15, ms(3)],
  ])('%f mg N/L measured', (ammonia, riseMs) => {
    const h = precise().test(3, { ammonia, nitrite: 0 });
    expect(firstRiseMs(at(h, 4))).toBe(riseMs);
    expect(firstAmmoniaMs(at(h, 4))).toBe(riseMs === Infinity ? null : riseMs);
  });
  test('nitrite rises too; an expired kit’s rise is none', () => {
    expect(firstRiseMs(at(precise().test(3, { nitrite: 0.15 }), 4))).toBe(ms(3));
    const old = STARTER_KITS.map((k) => ({ ...k, expires: '2026-01-01' }));
    expect(firstRiseMs(at(new History('proof24', old).test(3, { ammonia: 2 }), 4))).toBe(Infinity);
  });
  test('something to oxidise is known from the first dose, food or animal', () => {
    expect(firstAmmoniaMs(at(new History(), 9))).toBeNull();
    expect(firstAmmoniaMs(at(new History().dose(4, 2), 9))).toBe(ms(4));
    const fed = new History().event(3, { kind: 'food', food: 'pellets', grams: 1 });
    expect(firstAmmoniaMs(at(fed.dose(4, 2), 9))).toBe(ms(3));
    expect(firstAmmoniaMs(at(fed.animal(2, 'neon-goby'), 9))).toBe(ms(2));
    expect(firstAmmoniaMs(at(fed.event(1, { kind: 'note' }), 9))).toBe(ms(2));
  });
  test.each([
    [0.701, false],
    [0.7, true],
  ])('from 1 to %f mg N/L is a fall: %s', (now, falls) => {
    const e = at(precise().test(1, { ammonia: 1 }).test(2, { ammonia: now }), 3);
    expect(firstFall(e, e.series.ammonia)?.atMs ?? null).toBe(falls ? ms(2) : null);
  });
  test.each([
    [0.14, false],
    [0.15, true],
  ])('a zero after a peak of %f mg N/L counts: %s', (peak, counts) => {
    const e = at(precise().test(1, { ammonia: peak }).test(2, { ammonia: 0 }), 3);
    expect(firstFall(e, e.series.ammonia) !== null).toBe(counts);
  });
  test('the fall is measured from the highest so far, what a change took out apart', () => {
    const rising = precise().test(1, { ammonia: 0.5 }).test(2, { ammonia: 2 });
    const later = (h: History) => at(h.test(4, { ammonia: 1.5 }).test(5, { ammonia: 1.3 }), 6);
    expect(firstFall(later(rising), later(rising).series.ammonia)?.atMs).toBe(ms(5));
    const changed = precise()
      .test(2, { ammonia: 2 })
      .event(3, { kind: 'waterChange', litres: 50 })
      .test(4, { ammonia: 1 })
      .test(5, { ammonia: 0.7 });
    const e = at(changed, 6);
    expect(firstFall(e, e.series.ammonia)?.atMs).toBe(ms(5));
  });
  test('a change counts after the first moment and up to the second', () => {
    const e = at(
      new History()
        .event(2, { kind: 'waterChange', litres: 50 })
        .event(4, { kind: 'waterChange', litres: 20 }),
      9,
    );
    expect(keptShare(e, ms(1), ms(5))).toBeCloseTo(0.4, 9);
    expect(keptShare(e, ms(2), ms(4))).toBeCloseTo(0.8, 9);
    expect(keptShare(e, ms(1), ms(3))).toBeCloseTo(0.5, 9);
    expect(keptShare(e, ms(4), ms(9))).toBe(1);
  });
});

describe('two clear sittings', () => {
  const twice = (hours: number, nitrateDay = 20) =>
    new History()
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(nitrateDay, { nitrate: 10 })
      .test(20, { ammonia: 0, nitrite: 0 })
      .test(20 + hours * HOUR, { ammonia: 0, nitrite: 0 });
  test.each([
    [19.9, 'oneOfTwo'],
    [20, 'passed'],
  ])('%f hours apart: %s', (hours, status) => {
    expect(bothClear(at(twice(hours), 25)).status).toBe(status);
  });
  test.each([
    [14, 'passed'],
    [13.9, 'noNitrate'],
  ])('nitrate read on day %f, the second clear test on day 21: %s', (day, status) => {
    expect(bothClear(at(twice(24, day), 25)).status).toBe(status);
  });
  test('nitrate at zero is none to show for it', () => {
    const h = precise()
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(20, { ammonia: 0, nitrite: 0, nitrate: 0 })
      .test(22, { ammonia: 0, nitrite: 0, nitrate: 0 });
    expect(bothClear(at(h, 25)).status).toBe('noNitrate');
  });
  test('nitrate read a day after the second test counts for it, from then on', () => {
    const h = new History()
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(20, { ammonia: 0, nitrite: 0 })
      .test(21, { ammonia: 0, nitrite: 0 })
      .test(22, { nitrate: 10 });
    expect(bothClear(at(h, 21.5)).status).toBe('noNitrate');
    expect(bothClear(at(h, 25))).toMatchObject({ status: 'passed', passedMs: ms(22) });
  });
  test('the first and the second of the latest streak are named', () => {
    const state = bothClear(at(cleared(), 25));
    expect(state).toMatchObject({ status: 'passed', since: { atMs: ms(20) }, second: { atMs: ms(22) } });
  });
  test('no sitting with both; zeros before any rise; something left', () => {
    expect(bothClear(at(new History().test(2, { ammonia: 2 }), 9)).status).toBe('noPair');
    const zeros = new History().test(2, { ammonia: 0, nitrite: 0 }).test(4, { ammonia: 0, nitrite: 0 });
    expect(bothClear(at(zeros, 9)).status).toBe('noRise');
    expect(bothClear(at(zeros.test(5, { ammonia: 2, nitrite: 0 }), 9)).status).toBe('notZero');
  });
  test('zeros of the moment of the rise itself are before it', () => {
    const h = new History()
      .test(5, { ammonia: 0, nitrite: 0 })
      .test(6, { ammonia: 0, nitrite: 0 })
      .test(7, { ammonia: 2, nitrite: 0 });
    expect(bothClear(at(h, 6.5)).status).toBe('noRise');
    expect(bothClear(at(h.test(8, { ammonia: 0, nitrite: 0 }), 9)).status).toBe('oneOfTwo');
  });
  test('a reading in between starts the count again, a single trace does not', () => {
    const h = new History()
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(20, { ammonia: 0, nitrite: 0, nitrate: 10 })
      .test(20.5, { ammonia: 0.5, nitrite: 0 })
      .test(21, { ammonia: 0, nitrite: 0 });
    const trace = new History()
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(20, { ammonia: 0, nitrite: 0, nitrate: 10 })
      .test(20.5, { ammonia: 0.25, nitrite: 0 })
      .test(21, { ammonia: 0, nitrite: 0 });
    expect(bothClear(at(trace, 20.6)).status).toBe('trace');
    expect(bothClear(at(trace, 22)).status).toBe('passed');
    expect(bothClear(at(h, 22))).toMatchObject({ status: 'oneOfTwo', first: { atMs: ms(21) } });
  });
  test('what no dose explains takes it back; a dose explains it for three days', () => {
    const relapse = cleared().test(25, { ammonia: 0.5, nitrite: 0 });
    expect(bothClear(at(relapse, 26)).status).toBe('notZero');
    const alone = cleared().test(25, { ammonia: 0.5 });
    expect(bothClear(at(alone, 26)).status).toBe('notZero');
    const dosed = cleared().dose(24, 2).test(25, { ammonia: 2, nitrite: 0 });
    expect(bothClear(at(dosed, 26)).status).toBe('passed');
  });
});

describe('after a dose', () => {
  const dosed = () => cleared().dose(24, 2);
  test.each([
    [72, true],
    [72.1, false],
  ])('nitrogen found %f h later is what it put in: %s', (hours, inside) => {
    expect(insideDoseWindow(at(dosed(), 30), ms(24) + hours * HOUR_MS)).toBe(inside);
  });
  test('not before it, and not once a test has seen it cleared', () => {
    const e = at(dosed(), 30);
    expect([insideDoseWindow(e, ms(24) - 1), insideDoseWindow(e, ms(24))]).toEqual([false, true]);
    const seen = (hours: number) => at(dosed().test(24 + hours * HOUR, { ammonia: 0, nitrite: 0 }), 30);
    expect(insideDoseWindow(seen(5.9), ms(26))).toBe(true);
    expect(insideDoseWindow(seen(6), ms(26))).toBe(false);
    expect(insideDoseWindow(seen(30), ms(25))).toBe(true);
  });
  test('what no dose explains is found again, oldest first', () => {
    const h = cleared().test(26, { nitrite: 1 }).test(25, { ammonia: 0.5 });
    expect(foundAgain(at(h, 30)).map((p) => p.atMs)).toEqual([10, 10, 25, 26].map(ms));
  });
});

describe('a proof', () => {
  const proved = (hours: number, mgPerL = 2) =>
    cleared()
      .dose(24, mgPerL)
      .test(24 + hours * HOUR, { ammonia: 0, nitrite: 0 });
  test.each([
    [5.9, 'missedTest'],
    [6, 'passed'],
    [26, 'passed'],
    [26.1, 'lenient'],
    [50, 'lenient'],
    [50.1, 'missedTest'],
  ])('cleared in a test after %f h: %s', (hours, status) => {
    expect(proofState(at(proved(hours), 28)).status).toBe(status);
  });
  test.each([
    [1.79, 'none'],
    [1.8, 'passed'],
  ])('of a dose of %f mg/L as NH4: %s', (dose, status) => {
    expect(proofState(at(proved(24, dose), 28)).status).toBe(status);
  });
  test('says its dose, its test and its hours', () => {
    const state = proofState(at(proved(24), 28));
    expect(state).toEqual({
      status: 'passed',
      proof: {
        doseAtMs: ms(24),
        doseMgNPerL: expect.closeTo(1.553, 3),
        testAtMs: ms(25),
        hours: 24,
        within: 24,
        faded: false,
      },
    });
    expect(proofState(at(proved(30), 28))).toMatchObject({ proof: { within: 48 } });
  });
  test('runs for 26 hours, then was missed; what is still found fails it', () => {
    const dosed = cleared().dose(24, 2);
    expect(proofState(at(dosed, 24 + 26 * HOUR))).toEqual({
      status: 'running',
      doseAtMs: ms(24),
      dueMs: ms(25),
      before: null,
    });
    expect(proofState(at(dosed, 24 + 26.1 * HOUR)).status).toBe('missedTest');
    const left = dosed.test(25, { ammonia: 0.5, nitrite: 0 });
    expect(proofState(at(left, 25.5))).toEqual({ status: 'failed', doseAtMs: ms(24) });
    // Found on the evening itself, it is decided: no second test is asked for within the hour.
    expect(proofState(at(left, 25.01)).status).toBe('failed');
    const early = dosed.test(24 + 22 * HOUR, { ammonia: 0.5, nitrite: 0 });
    expect(early).toBe(dosed);
  });
  test('needs a rise measured before its dose', () => {
    const blind = new History().dose(1, 2).test(2, { ammonia: 0, nitrite: 0 });
    expect(proofState(at(blind, 3)).status).toBe('none');
    const sameMoment = precise().test(1, { ammonia: 2 }).dose(1, 2).test(2, { ammonia: 0, nitrite: 0 });
    expect(proofState(at(sameMoment, 3)).status).toBe('none');
  });
  test('is taken back by a relapse that no dose explains', () => {
    expect(proofState(at(proved(24).test(27, { ammonia: 0.5, nitrite: 0 }), 28)).status).toBe('failed');
  });
  test.each([
    [21, 'passed'],
    [21.1, 'faded'],
  ])('unfed for %f days: %s', (days, status) => {
    expect(proofState(at(proved(24), 25 + days)).status).toBe(status);
  });
  test('whatever feeds the filter since keeps it; what fed it before does not', () => {
    const food = { kind: 'food', food: 'pellets', grams: 1 } as const;
    expect(proofState(at(proved(24).event(30, food), 50)).status).toBe('passed');
    expect(proofState(at(proved(24).event(20, food), 50)).status).toBe('faded');
    expect(proofState(at(proved(24).event(30, { kind: 'note' }), 50)).status).toBe('faded');
    expect(proofState(at(proved(24).dose(30, 1), 50)).status).toBe('passed');
    expect(proofState(at(proved(24).animal(30, 'neon-goby'), 50)).status).toBe('passed');
    expect(proofState(at(proved(24), 50))).toMatchObject({ status: 'faded', proof: { faded: true } });
  });
  test('the latest proof dose counts', () => {
    // The one before stands until the new one is tested.
    expect(proofState(at(proved(24).dose(30, 2), 30.5))).toMatchObject({
      status: 'running',
      before: { within: 24 },
    });
    const again = proved(24).dose(30, 2).test(31, { ammonia: 0, nitrite: 0 });
    expect(proofState(at(again, 32))).toMatchObject({ status: 'passed', proof: { doseAtMs: ms(30) } });
  });
  test('a dose was meant as one once both had read zero after a rise, up to its own moment', () => {
    const e = at(cleared(), 30);
    expect([meantAsProof(e, ms(20) - 1), meantAsProof(e, ms(20))]).toEqual([false, true]);
    const noRise = at(new History().test(2, { ammonia: 0, nitrite: 0 }), 9);
    expect(meantAsProof(noRise, ms(5))).toBe(false);
  });
});

test('nothing is left when the last trusted of both found nothing, or was never read', () => {
  expect(nothingLeft(at(new History(), 1))).toBe(true);
  expect(nothingLeft(at(new History().test(1, { ammonia: 0 }), 2))).toBe(true);
  expect(nothingLeft(at(new History().test(1, { ammonia: 0, nitrite: 1 }), 2))).toBe(false);
  expect(nothingLeft(at(new History().test(1, { ammonia: 1, nitrite: 0 }), 2))).toBe(false);
});

test('a pair is one sitting, both trusted; both zero only when both are', () => {
  const h = new History()
    .test(1, { ammonia: 0, nitrite: 0 })
    .test(2, { ammonia: 0, nitrite: 1 })
    .test(3, { ammonia: 1, nitrite: 0 })
    .test(4, { ammonia: 1 });
  expect(pairedTests(at(h, 9)).map((t) => [t.atMs, t.bothZero])).toEqual([
    [ms(1), true],
    [ms(2), false],
    [ms(3), false],
  ]);
});

describe('what is expected now', () => {
  test('changes since the reading are mixed in, as far as they say what they brought', () => {
    const h = precise()
      .test(1, { salinity: 35, ammonia: 1, alkalinity: 8 })
      .event(2, { kind: 'waterChange', litres: 50, salinity: 29 })
      .event(3, { kind: 'waterChange', litres: 50, salinity: 29 });
    const e = at(h, 4);
    // 35 -> 32 -> 30.5; ammonia halves twice.
    expect(expectedNow(e, 'salinity')).toMatchObject({ value: 30.5, changed: 0.75, known: true });
    expect(expectedNow(e, 'ammonia')?.value).toBeCloseTo(0.25, 9);
    expect(expectedNow(e, 'alkalinity')).toMatchObject({ value: 8, known: false });
    expect(expectedNow(e, 'nitrite')).toBeNull();
  });
  test('ammonia that may be there: the last reading and every dose since', () => {
    const h = precise().test(1, { ammonia: 0.1 }).dose(1.5, 2).dose(1.6, 2);
    expect(ammoniaAtMost(at(h, 2))).toBeCloseTo(0.1 + 4 / 1.2878, 3);
    h.event(1.7, { kind: 'waterChange', litres: 50 });
    expect(ammoniaAtMost(at(h, 2))).toBeCloseTo((0.1 + 4 / 1.2878) / 2, 3);
    expect(ammoniaAtMost(at(new History(), 2))).toBe(0);
  });
  test('evidence until a moment is the evidence of that moment', () => {
    const h = cleared().animal(23, 'neon-goby').dose(24, 2).test(25, { ammonia: 2, nitrite: 0 });
    const then = evidenceUntil(at(h, 30), ms(22.5));
    const was = at(h, 22.5);
    expect(then.series.ammonia).toEqual(was.series.ammonia);
    expect([then.doses, then.joined, then.residents, then.nowMs]).toEqual([
      was.doses,
      was.joined,
      was.residents,
      was.nowMs,
    ]);
  });
});
