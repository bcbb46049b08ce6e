/** When more ammonia is asked for as food, and when not; and that what was done after a test is not asked for twice. */
import type { School } from '../document';
import { DAY, History, START_MS, type Readings } from '../testing/history';
import { toMgNPerL } from '../units';
import { assessWater } from '.';

const at = (h: History, day: number) => assessWater(h.doc, 't', START_MS + day * DAY);
const opens = (h: History, day: number) => at(h, day).fish.opens.code;

/** Ammonia has fallen, nitrite is on its way; the tenth day's test is as given. */
const onTheWay = (read: Readings = {}, school: School = 'proof24') =>
  new History(school)
    .water(0, { ammonia: 0, nitrite: 0, nitrate: 0 })
    .dose(1, 2)
    .test(2, { ammonia: 2, nitrite: 0 })
    .test(6, { ammonia: 0.5, nitrite: 2 })
    .water(10, { ammonia: 0, nitrite: 0.8, nitrate: 5, ...read });

describe('ammonia as food', () => {
  test.each([
    [0.8, 'doseAsFood'],
    [1, 'doseAsFood'],
    [1.1, 'twoZeros'],
    [4, 'nitriteFalls'],
    [0, 'doseForSecondZero'],
  ])('with ammonia at zero and nitrite at %f: %s', (nitrite, code) => {
    expect(opens(onTheWay({ nitrite }), 10.1)).toBe(code);
  });
  test.each([
    [0.2, 0.8, 'doseAsFood'],
    [0.2, 0, 'doseAsFood'],
    [0.21, 0.8, 'twoZeros'],
    [0.3, 0, 'twoZeros'],
  ])('a tenth of a dose may be left: ammonia %f and nitrite %f, %s', (ammonia, nitrite, code) => {
    expect(opens(onTheWay({ ammonia, nitrite }), 10.1)).toBe(code);
  });
  test.each([
    [5.9, 'twoZeros'],
    [6, 'doseAsFood'],
  ])('a test %f hours after the last dose: %s', (hours, code) => {
    const h = onTheWay()
      .dose(11, 2)
      .water(11 + hours / 24, { ammonia: 0, nitrite: 0.8 });
    expect(opens(h, 11.5)).toBe(code);
  });
  test('once it is dosed it is not asked for again before a test has seen it; that test is due the day after', () => {
    const h = onTheWay().dose(10.1, 2);
    expect(opens(h, 10.2)).toBe('twoZeros');
    expect(at(h, 10.2).due).not.toContain('nitrite');
    expect(at(h, 11).due).toEqual(expect.arrayContaining(['ammonia', 'nitrite']));
  });
  test('readings over three days old are read again first', () => {
    expect(opens(onTheWay(), 12.9)).toBe('doseAsFood');
    expect(at(onTheWay(), 13.1).fish.word).toBe('test');
  });
  test('what is dosed after one clear test is the second clear test and the proof in one', () => {
    const h = onTheWay({ nitrite: 0 }).dose(10.1, 2);
    expect(at(h, 10.2).fish).toMatchObject({
      reason: { code: 'oneZeroOfTwo' },
      opens: { code: 'secondZero', atMs: START_MS + 11 * DAY },
    });
    expect(at(h, 11).due).toEqual(expect.arrayContaining(['ammonia', 'nitrite']));
    h.water(11.05, { ammonia: 0, nitrite: 0, nitrate: 5 });
    const { gates, fish } = at(h, 11.1);
    const passed = gates.filter((g) => g.status === 'passed').map((g) => g.id);
    expect(passed).toEqual(expect.arrayContaining(['bothClear', 'proof']));
    expect(fish.word).toBe('goSmall');
  });
  test('not cleared in a day it begins again: both are to be clear, then the next', () => {
    const h = onTheWay({ nitrite: 0 }).dose(10.1, 2).water(11.1, { ammonia: 0.5, nitrite: 0.5 });
    expect(at(h, 11.2).fish).toMatchObject({ reason: { code: 'bothLeft' }, opens: { code: 'twoZeros' } });
    expect(opens(h.water(12.1, { ammonia: 0, nitrite: 0 }), 12.2)).toBe('doseForSecondZero');
  });
  test('after a proof that failed, too, while nitrite is left', () => {
    const h = onTheWay({ nitrite: 0 })
      .water(12, { ammonia: 0, nitrite: 0, nitrate: 5 })
      .dose(12.1, 2)
      .water(13.1, { ammonia: 0, nitrite: 0.5, nitrate: 5 });
    expect(at(h, 13.2).fish).toMatchObject({
      reason: { code: 'proofFailed' },
      opens: { code: 'doseAsFood' },
    });
  });
  test.each(['zeroZero', 'patient', 'watchGlass', 'coralsFirst', 'firstFish', 'matureTransfer'] as const)(
    'never by the school %s',
    (school) => expect(opens(onTheWay({}, school), 10.1)).not.toBe('doseAsFood'),
  );
  test.each(['ocellaris-clownfish', 'turban-snail', 'toadstool-leather'])(
    'never with %s in the water',
    (species) => {
      const { living, fish, crew, coral } = at(onTheWay().animal(9, species), 10.1);
      for (const said of [living, fish, crew, coral]) expect(said?.opens.code).not.toBe('doseAsFood');
    },
  );
});

describe('the days between two tests on the way to a proof', () => {
  const falling = (read: Readings, school: School = 'proof24') =>
    new History(school)
      .water(0, { ammonia: 0, nitrite: 0, nitrate: 0 })
      .dose(1, 2)
      .test(2, { ammonia: 2, nitrite: 0 })
      .water(4, { nitrate: 5, ...read });
  /** Whether both are due a day after the last test. */
  const daily = (h: History, day = 5) => {
    const { due } = at(h, day);
    return due.includes('ammonia') && due.includes('nitrite');
  };
  test.each([
    [{ ammonia: 1, nitrite: 2 }, true],
    [{ ammonia: 1.1, nitrite: 2 }, false],
    [{ ammonia: 1, nitrite: 2.1 }, false],
    [{ ammonia: 0, nitrite: 2 }, true],
    [{ ammonia: 0.5, nitrite: 0 }, true],
  ])('%j: a test a day later is due, %s', (read, due) => expect(daily(falling(read))).toBe(due));
  test.each(['zeroZero', 'patient', 'coralsFirst'] as const)('by %s every second day', (school) =>
    expect(daily(falling({ ammonia: 0.5, nitrite: 0.5 }, school))).toBe(false),
  );
  test('once it is proved every second day, too', () => {
    const proved = falling({ ammonia: 0, nitrite: 0 })
      .dose(4.1, 2)
      .water(5, { ammonia: 0, nitrite: 0, nitrate: 5 });
    expect(at(proved, 5.1).fish.word).toBe('goSmall');
    expect(daily(proved, 6)).toBe(false);
    expect(daily(proved, 7)).toBe(true);
  });
});

describe('what was done after a test', () => {
  test('the first dose is seen by a test the day after, and not asked for again before', () => {
    const h = new History().water(1, { ammonia: 0, nitrite: 0 });
    expect(opens(h, 1.1)).toBe('addAmmonia');
    // In the minute of the test: a test was hardly taken after it.
    h.dose(1, 2);
    expect(at(h, 1.2).fish).toEqual({
      word: 'wait',
      reason: { code: 'dosedSinceTest' },
      opens: { code: 'testDoseFrom', atMs: START_MS + 2 * DAY },
    });
    expect(at(h, 2).fish).toMatchObject({ word: 'test', opens: { parameters: ['ammonia', 'nitrite'] } });
    expect(opens(h.water(2, { ammonia: 2, nitrite: 0 }), 2.1)).toBe('ammoniaFalls');
  });
  const proved = (read: Readings) =>
    onTheWay({ nitrite: 0 })
      .water(12, { ammonia: 0, nitrite: 0, nitrate: 5 })
      .dose(12.1, 2)
      .water(13, { ammonia: 0, nitrite: 0, nitrate: 5, ...read });
  test('a change large enough for the nitrate is looked at, not asked for again', () => {
    const h = proved({ nitrate: 80 });
    expect(at(h, 13.1).fish.opens).toMatchObject({ code: 'changeWater' });
    h.event(13.2, { kind: 'waterChange', litres: 80 });
    expect(at(h, 13.3).fish).toMatchObject({
      word: 'test',
      reason: { code: 'changedSinceTest', parameters: ['nitrate', 'salinity', 'alkalinity'] },
    });
  });
  test('of a smaller change what is left is reckoned with', () => {
    const h = proved({ nitrate: 80 });
    const asked = (day: number) => {
      const { opens: way } = at(h, day).fish;
      if (way.code !== 'changeWater') throw new Error(way.code);
      return way.fraction;
    };
    const before = asked(13.1);
    h.event(13.2, { kind: 'waterChange', litres: 20 });
    expect(asked(13.3)).toBeLessThan(before);
  });
  test('alkalinity that was raised is read again', () => {
    const h = proved({ alkalinity: 6 });
    expect(at(h, 13.1).fish.opens.code).toBe('raiseAlkalinity');
    h.event(13, { kind: 'dose', what: 'alkalinity', rise: 0.5, grams: null });
    expect(at(h, 13.3).fish.opens.code).toBe('raiseAlkalinity');
    h.event(13.4, { kind: 'dose', what: 'alkalinity', rise: 1, grams: null });
    expect(at(h, 13.5).fish).toMatchObject({
      word: 'test',
      reason: { code: 'alkalinityRaised' },
      opens: { parameters: ['alkalinity'] },
    });
  });
  test('too much ammonia is told with the change that eases it, until that is made', () => {
    const h = new History().water(1, { ammonia: 0 }).dose(1, 8).water(2, { ammonia: 8, nitrite: 0 });
    const { opens: way } = at(h, 2.1).fish;
    const toMgN = expect.closeTo(toMgNPerL('ammonia', 'ion', 2), 9);
    expect(way).toEqual({ code: 'noMoreDose', fraction: expect.closeTo(0.75, 9), toMgN });
    h.event(2.2, { kind: 'waterChange', litres: 35 });
    expect(opens(h, 2.3)).toBe('noMoreDose');
    h.event(2.3, { kind: 'waterChange', litres: 35 });
    expect(opens(h, 2.4)).not.toBe('noMoreDose');
  });
  test('more than one change can ease is told with what one change leaves', () => {
    const h = new History().water(1, { ammonia: 0 }).dose(1, 40).water(2, { ammonia: 40, nitrite: 0 });
    const toMgN = expect.closeTo(toMgNPerL('ammonia', 'ion', 4), 9);
    expect(at(h, 2.1).fish.opens).toEqual({ code: 'noMoreDose', fraction: 0.9, toMgN });
  });
});
