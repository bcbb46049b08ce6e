/** Each threshold of the judgement, just under and just over, and every way a gate can answer. */
import { GONE, type School } from '../document';
import { gatherEvidence } from '../evidence';
import { DAY, displayEvidence, History, provedHistory, START_MS, type Readings } from '../testing/history';
import { PRECISE_KITS } from '../testing/precise';
import { UTC } from '../time';
import { freeAmmonia, LIVING } from '../living';
import { assessWater, besides, RULES, SCHOOL_GATES, waterHolds, type Assessment } from './index';

const HOUR = 1 / 24;
const ms = (day: number): number => START_MS + day * DAY;
const judge = (h: History, day: number): Assessment => assessWater(h.doc, 't', ms(day));
const gateOf = (a: Assessment, id: string) => a.gates.find((g) => g.id === id);
const here = (a: Assessment) => a.gates.find((g) => g.status === 'here');
const precise = (school: School = 'proof24') => new History(school, PRECISE_KITS);
const codes = (a: Assessment) => a.alarms.map((f) => f.code);

/** Cycled, proved and reset, nothing in yet; the water of day 29 is as given. */
const ready = (water: Readings = {}, school: School = 'proof24') =>
  new History(school, PRECISE_KITS)
    .water(0, { ammonia: 0, nitrite: 0, nitrate: 0 })
    .dose(1, 2)
    .test(2, { ammonia: 2, nitrite: 0 })
    .test(10, { ammonia: 0.5, nitrite: 2 })
    .test(18, { ammonia: 0, nitrite: 1 })
    .water(24, { ammonia: 0, nitrite: 0, nitrate: 2 })
    .test(26, { ammonia: 0, nitrite: 0, nitrate: 2 })
    .dose(27, 2)
    .test(28, { ammonia: 0, nitrite: 0, nitrate: 2 })
    .water(29, { ammonia: 0, nitrite: 0, nitrate: 2, ph: 8, ...water });
/** The same with snails in since day 30. */
const stocked = () => ready().animal(30, 'turban-snail', 3);

describe('sea water', () => {
  test.each([
    ['salinity', 32.4, 'salinityOff', 'bringSalinity'],
    ['salinity', 36.6, 'salinityOff', 'bringSalinity'],
    ['temperature', 22.4, 'temperatureOff', 'bringTemperature'],
    ['temperature', 27.6, 'temperatureOff', 'bringTemperature'],
  ])('%s of %f is not ready: %s', (what, value, code, opens) => {
    const a = judge(new History().water(1, { [what]: value }), 1.1);
    expect(here(a)).toMatchObject({ id: 'seaWater', finding: { code } });
    expect(a.fish).toMatchObject({ word: 'wait', opens: { code: opens } });
  });
  test.each([
    ['salinity', 32.5],
    ['salinity', 36.5],
    ['temperature', 22.5],
    ['temperature', 27.5],
  ])('%s of %f is', (what, value) => {
    const gate = gateOf(judge(new History().water(1, { [what]: value }), 1.1), 'seaWater');
    expect(gate).toMatchObject({ status: 'passed', finding: { code: 'waterReady' } });
  });
  test('what is missing is named, and only that', () => {
    const only = (r: Readings) => judge(new History().test(1, r), 1.1).fish;
    expect(only({ salinity: 35 })).toMatchObject({ word: 'test', opens: { parameters: ['temperature'] } });
    expect(only({ temperature: 25 })).toMatchObject({ opens: { parameters: ['salinity'] } });
    expect(only({ ph: 8 }).reason).toEqual({
      code: 'waterUnmeasured',
      parameters: ['temperature', 'salinity'],
    });
  });
  test('it counts from the later of the two readings', () => {
    const h = new History().test(1, { salinity: 35 }).test(2, { temperature: 25 });
    expect(gateOf(judge(h, 3), 'seaWater')?.passedMs).toBe(ms(2));
    expect(gateOf(judge(h.test(2.5, { salinity: 35 }), 3), 'seaWater')?.passedMs).toBe(ms(2.5));
  });
  test('a set-up list that was begun is finished first, unless animals are in', () => {
    const h = new History().water(1);
    h.doc.setup.one = { id: 'one', waterId: 't', item: 'floor', doneDay: '2026-01-01' };
    expect(judge(h, 1.1).fish).toMatchObject({
      word: 'wait',
      reason: { code: 'setupOpen', first: 'power' },
      opens: { code: 'finishSetup' },
    });
    expect(gateOf(judge(h.animal(1, 'neon-goby'), 1.2), 'seaWater')?.status).toBe('passed');
  });
});

describe('falling', () => {
  const ammonia = (h: History, day: number) => gateOf(judge(h.water(0), day), 'ammoniaFalling');
  test('nothing known of, a zero before anything, a reading not yet falling, an untested dose', () => {
    expect(ammonia(new History(), 1)?.finding).toEqual({ code: 'nothingFed' });
    expect(ammonia(new History().test(1, { ammonia: 0 }), 2)?.finding).toEqual({ code: 'zeroMeansNothing' });
    expect(ammonia(new History().dose(1, 2).test(2, { ammonia: 2 }), 2.5)?.finding).toEqual({
      code: 'ammoniaNotFalling',
      ammonia: '2 mg/L NH₄',
    });
    expect(ammonia(new History().dose(1, 2), 2)?.finding).toEqual({ code: 'ammoniaUnmeasured' });
    expect(ammonia(new History().dose(1, 2).test(2, { ammonia: 0 }), 2.5)?.finding).toEqual({
      code: 'zeroMeansNothing',
    });
  });
  test('the gate opened at the reading that had fallen', () => {
    const h = new History().test(1, { ammonia: 2 }).test(3, { ammonia: 1 });
    expect(ammonia(h, 4)).toMatchObject({ status: 'passed', passedMs: ms(3) });
  });
  test('nitrite: never tested, at zero, not falling, fallen, never seen', () => {
    const base = () => new History().water(0).test(1, { ammonia: 2 }).test(3, { ammonia: 0.5 });
    const nitrite = (h: History, day = 4) => gateOf(judge(h, day), 'nitriteFalling');
    expect(nitrite(base())?.finding.code).toBe('nitriteUnmeasured');
    expect(nitrite(base().test(3, { nitrite: 0 }))?.finding.code).toBe('nitriteNotSeen');
    expect(nitrite(base().test(3, { nitrite: 2 }))?.finding).toEqual({
      code: 'nitriteNotFalling',
      nitrite: '2 mg/L NO₂',
    });
    const fell = base().test(2, { nitrite: 2 }).test(3, { nitrite: 1 });
    expect(nitrite(fell)).toMatchObject({
      status: 'passed',
      passedMs: ms(3),
      finding: { code: 'nitriteFell' },
    });
    const never = base()
      .test(5, { ammonia: 0, nitrite: 0, nitrate: 10 })
      .test(7, { ammonia: 0, nitrite: 0, nitrate: 10 });
    expect(nitrite(never, 8)).toMatchObject({ passedMs: ms(7), finding: { code: 'nitriteNeverRose' } });
  });
});

describe('both clear, said as it stands', () => {
  const at = (r: [number, Readings][], day: number) => {
    const h = new History()
      .water(0)
      .test(1, { ammonia: 2, nitrite: 1 })
      .test(2, { ammonia: 1, nitrite: 0.5 });
    for (const [d, readings] of r) h.test(d, readings);
    return here(judge(h, day));
  };
  test.each([
    [
      { ammonia: 0, nitrite: 0.5 },
      { code: 'nitriteLeft', nitrite: '0.5 mg/L NO₂' },
    ],
    [
      { ammonia: 0.5, nitrite: 0 },
      { code: 'ammoniaLeft', ammonia: '0.5 mg/L NH₄' },
    ],
    [
      { ammonia: 0.5, nitrite: 0.25 },
      { code: 'bothLeft', ammonia: '0.5 mg/L NH₄', nitrite: '0.25 mg/L NO₂' },
    ],
  ])('%j is left', (readings, finding) => {
    expect(at([[3, readings]], 3.5)).toMatchObject({ id: 'bothClear', finding });
  });
  test.each([
    ['zeroZero', 1, { code: 'secondZero', atMs: ms(4) }],
    ['proof24', 1, { code: 'doseForSecondZero' }],
    // Also where nobody ever saw nitrite.
    ['zeroZero', 0, { code: 'secondZero', atMs: ms(4) }],
    ['proof24', 0, { code: 'doseForSecondZero' }],
  ] as const)(
    'by %s with nitrite once at %d, one clear sitting waits for the second',
    (school, nitrite, opens) => {
      const a = judge(
        new History(school)
          .water(0)
          .test(1, { ammonia: 2, nitrite })
          .test(3, { ammonia: 0, nitrite: 0, nitrate: 10 }),
        3.5,
      );
      expect(a.fish).toEqual({ word: 'wait', reason: { code: 'oneZeroOfTwo', atMs: ms(3) }, opens });
    },
  );
});

describe('the proof', () => {
  const clear = () =>
    new History()
      .water(0)
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(10, { ammonia: 0.5, nitrite: 2 })
      .test(24, { ammonia: 0, nitrite: 0, nitrate: 10 })
      .test(26, { ammonia: 0, nitrite: 0, nitrate: 10 });
  test.each([
    [21.9, 'wait', { code: 'proofTestAt', atMs: ms(27.5) }],
    [22, 'test', { code: 'testThese', parameters: ['ammonia', 'nitrite'] }],
  ])('%f hours after its dose the word is %s', (hours, word, opens) => {
    const a = judge(clear().dose(26.5, 2), 26.5 + hours * HOUR);
    expect(a.fish).toEqual({
      word,
      reason: { code: 'proofRunning', doseMs: ms(26.5) },
      opens,
    });
  });
  test('each state has its finding and its way on', () => {
    const said = (h: History, day: number) => judge(h.water(day - 0.1), day).fish;
    expect(said(clear(), 26.5)).toMatchObject({
      word: 'wait',
      reason: { code: 'proofToCome' },
      opens: { code: 'doseForProof' },
    });
    const failed = clear().dose(26.5, 2).test(27.5, { ammonia: 0.5, nitrite: 0 });
    expect(said(failed, 28)).toMatchObject({
      word: 'wait',
      reason: { code: 'proofFailed' },
      opens: { code: 'clearThenDose' },
    });
    const lenient = clear().dose(26.5, 2).test(28, { ammonia: 0, nitrite: 0, nitrate: 10 });
    expect(said(lenient, 28.2)).toMatchObject({ reason: { code: 'proofIn48', hours: 36 } });
    const missed = clear().dose(26.5, 2).test(29, { ammonia: 0, nitrite: 0, nitrate: 10 });
    expect(said(missed, 29.2)).toMatchObject({
      reason: { code: 'proofMissed' },
      opens: { code: 'doseAgain' },
    });
    const faded = clear()
      .dose(26.5, 2)
      .test(27.5, { ammonia: 0, nitrite: 0 })
      .test(49, { ammonia: 0, nitrite: 0, nitrate: 10 });
    expect(said(faded, 49.1)).toMatchObject({ reason: { code: 'proofFaded', atMs: ms(27.5) } });
  });
});

describe('other schools', () => {
  const twoClear = (school: School) =>
    new History(school)
      .water(0)
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(10, { ammonia: 0.5, nitrite: 2 })
      .test(24, { ammonia: 0, nitrite: 0, nitrate: 10 })
      .test(26, { ammonia: 0, nitrite: 0, nitrate: 10 });
  test.each([
    [37.9, 'here', 'settling'],
    [38, 'passed', 'settled'],
  ])('patient, on day %f with day 24 the first clear: %s', (day, status, code) => {
    const h = twoClear('patient').test(day - 0.5, { ammonia: 0, nitrite: 0, nitrate: 10 });
    expect(gateOf(judge(h, day), 'settle')).toMatchObject({ status, finding: { code } });
  });
  test('patient names the day it waits for, and waits for both clear first', () => {
    const a = judge(twoClear('patient'), 26.5);
    expect(a.fish.opens).toEqual({ code: 'waitUntil', atMs: ms(38) });
    const before = judge(new History('patient').water(0), 1);
    expect(gateOf(before, 'settle')?.finding.code).toBe('settleAfterClear');
  });
  test.each([
    ['green', 1, true],
    ['hair', 1, true],
    ['brown', 3, false],
    ['green', 0, false],
  ] as const)('watch the glass: %s film of %i counts: %s', (film, extent, counts) => {
    const h = twoClear('watchGlass').event(25, { kind: 'film', film, extent });
    expect(gateOf(judge(h, 26.2), 'film')?.status).toBe(counts ? 'passed' : 'here');
  });
  test.each([
    ['media', true],
    ['rock', true],
    ['oldTank', true],
    ['bottle', false],
    ['liveSand', false],
  ] as const)('mature transfer: %s is a transfer: %s', (seed, counts) => {
    const h = new History('matureTransfer').water(0).event(1, { kind: 'bacteria', seed, mL: null });
    expect(gateOf(judge(h, 1.5), 'transfer')?.status).toBe(counts ? 'passed' : 'here');
  });
  test('mature transfer: fed after the move, then a zero on three different days in a row', () => {
    const h = new History('matureTransfer').water(0).event(1, { kind: 'bacteria', seed: 'media', mL: null });
    expect(judge(h, 1.1).fish).toMatchObject({ word: 'wait', reason: { code: 'transferUnfed' } });
    h.event(1.2, { kind: 'food', food: 'pellets', grams: 1 });
    expect(judge(h, 1.3).fish).toMatchObject({ word: 'test', opens: { code: 'dailyTests', left: 3 } });
    h.test(2, { ammonia: 0 }).test(2.1, { ammonia: 0 });
    expect(judge(h, 2.2).fish.reason).toEqual({ code: 'dailySoFar', days: 1 });
    h.test(3, { ammonia: 0.25 });
    expect(judge(h, 3.1).fish.reason).toEqual({ code: 'dailySoFar', days: 0 });
    h.test(4, { ammonia: 0 }).test(5, { ammonia: 0 });
    expect(gateOf(judge(h, 5.1), 'dailyClear')?.status).toBe('here');
    h.test(6, { ammonia: 0 });
    expect(gateOf(judge(h, 6.1), 'dailyClear')).toMatchObject({
      status: 'passed',
      passedMs: ms(6),
      finding: { code: 'dailyZeros', days: 3 },
    });
  });
  test('mature transfer: what was fed before the move does not count; a small dose does', () => {
    const h = new History('matureTransfer')
      .water(0)
      .event(0.5, { kind: 'food', food: 'pellets', grams: 1 })
      .event(1, { kind: 'bacteria', seed: 'media', mL: null });
    expect(judge(h, 1.5).fish.reason.code).toBe('transferUnfed');
    expect(judge(h.dose(1.2, 1), 1.5).fish.reason.code).toBe('dailySoFar');
  });
  test('bottle with first fish: bacteria, then a fresh zero, then one small fish', () => {
    const h = new History('firstFish').water(0);
    expect(judge(h, 0.1).fish.reason.code).toBe('noBacteria');
    h.event(0.2, { kind: 'bacteria', seed: 'bottle', mL: 50 });
    expect(judge(h, 0.3).fish.reason.code).toBe('ammoniaUnmeasured');
    h.test(0.4, { ammonia: 0.25 });
    expect(judge(h, 0.5).fish.reason.code).toBe('ammoniaLeft');
    h.water(1, { ammonia: 0, nitrite: 0 });
    expect(judge(h, 1.1).fish).toMatchObject({ word: 'goSmall', reason: { code: 'oneSmallFishDaily' } });
    expect(judge(h, 4.1).fish).toMatchObject({ word: 'test' });
  });
  test('every school ends with the same last gate and never passes it', () => {
    for (const gates of Object.values(SCHOOL_GATES)) expect(gates[gates.length - 1]).toBe('nextStep');
  });
  test('what a school does not ask for is shown when it has passed, not otherwise', () => {
    const e = displayEvidence(provedHistory('zeroZero').doc, ms(28.5));
    expect(besides(e, UTC.dayOf).map((g) => g.id)).toEqual(['proof']);
    expect(besides(displayEvidence(provedHistory('proof24').doc, ms(28.5)), UTC.dayOf)).toEqual([]);
    expect(besides(displayEvidence(new History().doc, ms(1)), UTC.dayOf)).toEqual([]);
  });
});

describe('reset', () => {
  const reset = (water: Readings, day = 29.1) => judge(ready(water), day);
  test.each([
    [RULES.nitrateStartMgN * 1.001, 'here'],
    [RULES.nitrateStartMgN, 'passed'],
  ])('nitrate of %f mg N/L: %s', (nitrate, status) => {
    expect(gateOf(reset({ nitrate }), 'reset')?.status).toBe(status);
  });
  test('the change advised leaves half of the nitrate to begin with, nine tenths at most', () => {
    const advised = (nitrate: number) => {
      const { opens } = reset({ nitrate }).fish;
      return opens.code === 'changeWater' ? opens.fraction : null;
    };
    expect(advised(RULES.nitrateStartMgN * 2)).toBeCloseTo(0.75, 9);
    expect(advised(RULES.nitrateStartMgN * 100)).toBe(0.9);
  });
  test.each([
    [6.9, 'here', 'alkalinityLow'],
    [7, 'passed', 'resetDone'],
  ])('alkalinity of %f dKH: %s', (alkalinity, status, code) => {
    expect(gateOf(reset({ alkalinity }), 'reset')).toMatchObject({ status, finding: { code } });
  });
  test.each([
    [32.4, 'here'],
    [32.5, 'passed'],
  ])('salinity of %f ppt: %s', (salinity, status) => {
    // The first gate looks at the same reading; the reset is asked apart, as another school shows it.
    const gate = gateOf(reset({ salinity }), 'reset');
    expect(status === 'passed' ? gate?.status : gate?.finding.code).toBe(
      status === 'passed' ? 'passed' : 'salinityOff',
    );
  });
  test('each of the three must be of the last three days', () => {
    const old = ready().test(31, { alkalinity: 8, salinity: 35, temperature: 25, ammonia: 0, nitrite: 0 });
    expect(gateOf(judge(old, 31.9), 'reset')?.status).toBe('passed');
    expect(gateOf(judge(old, 32.1), 'reset')?.finding).toEqual({
      code: 'resetUnmeasured',
      parameters: ['nitrate'],
    });
    const two = ready().test(31, { nitrate: 2, ammonia: 0, nitrite: 0 });
    expect(gateOf(judge(two, 32.1), 'reset')?.finding).toEqual({
      code: 'resetUnmeasured',
      parameters: ['alkalinity', 'salinity'],
    });
  });
  test('it opened at the latest of the three; with animals in, when they came', () => {
    const later = ready().test(29.5, { alkalinity: 8 });
    expect(gateOf(judge(later, 30), 'reset')?.passedMs).toBe(ms(29.5));
    expect(gateOf(judge(stocked(), 30.1), 'reset')).toMatchObject({
      passedMs: ms(30),
      finding: { code: 'resetBeforeAnimals' },
    });
  });
});

describe('first animals', () => {
  test('go small when all is measured and zero', () => {
    expect(judge(ready(), 29.1).fish).toMatchObject({
      word: 'goSmall',
      reason: { code: 'firstStep' },
      opens: { code: 'addFirst' },
    });
  });
  test.each([
    [3, 'goSmall'],
    [3.01, 'test'],
  ])('tests %f days old: %s', (days, word) => {
    expect(judge(ready(), 29 + days).fish.word).toBe(word);
  });
  test('all that is stale is named, nothing that is fresh', () => {
    const stale = (h: History) => judge(h, 32.1).fish;
    expect(stale(ready())).toMatchObject({
      reason: { code: 'staleTests', parameters: ['ammonia', 'nitrite'] },
      opens: { code: 'testThese', parameters: ['ammonia', 'nitrite'] },
    });
    expect(stale(ready().test(31, { nitrate: 2, alkalinity: 8, salinity: 35 })).reason).toEqual({
      code: 'staleTests',
      parameters: ['ammonia', 'nitrite', 'temperature'],
    });
  });
  test('what was never measured asks for a test before anything goes in', () => {
    const h = new History('coralsFirst', PRECISE_KITS).water(1);
    expect(judge(h, 1.1).fish.word).not.toBe('goSmall');
    const moved = new History('matureTransfer')
      .water(0)
      .event(1, { kind: 'bacteria', seed: 'media', mL: null })
      .event(1.1, { kind: 'food', food: 'pellets', grams: 1 })
      .test(2, { ammonia: 0 })
      .test(3, { ammonia: 0 })
      .water(4, { ammonia: 0, nitrate: 5 });
    expect(judge(moved, 4.1).fish).toMatchObject({
      word: 'test',
      reason: { code: 'unmeasured', parameters: ['nitrite'] },
    });
  });
  test('a dose after the last test asks for one; before it, not', () => {
    expect(judge(ready().dose(29.05, 1), 29.1).fish.reason.code).toBe('dosedSinceTest');
    const tested = ready().dose(29.05, 1).test(29.06, { ammonia: 0, nitrite: 0 });
    expect(judge(tested, 29.1).fish.reason.code).toBe('firstStep');
    const half = ready().dose(29.05, 1).test(29.06, { ammonia: 0 });
    expect(judge(half, 29.1).fish.reason.code).toBe('dosedSinceTest');
  });
  test('since when they are in', () => {
    expect(gateOf(judge(stocked(), 31), 'firstAnimals')).toMatchObject({
      status: 'passed',
      passedMs: ms(30),
      finding: { code: 'animalsIn', atMs: ms(30) },
    });
  });
});

describe('the next step', () => {
  const zero = { ammonia: 0, nitrite: 0 };
  test.each([
    [30.39, 'stepSettling'],
    [30.4, 'stepTestDue'],
  ])('on day %f, joined on day 30, untested: %s', (day, code) => {
    expect(judge(stocked().water(30 - HOUR, zero), day).fish.reason.code).toBe(code);
  });
  test('the tests of day 1, 3 and 7 are asked for in turn', () => {
    const h = stocked();
    const due = (day: number) => {
      const { reason } = judge(h, day).fish;
      return reason.code === 'stepTestDue' ? reason.day : reason.code;
    };
    expect(due(31)).toBe(1);
    h.water(31, zero);
    expect([due(32.39), due(32.4)]).toEqual(['stepSettling', 3]);
    h.water(32.4, zero);
    expect(due(33)).toBe('stepSettling');
    h.water(35, zero);
    expect([due(36.39), due(36.5)]).toEqual(['stepSettling', 7]);
    h.water(36.5, zero);
    h.water(43, zero);
    // The log begins at 20:00: four hours later it is the day of the calendar on which a plan lets the next come.
    expect([due(43.16), due(43.17)]).toEqual(['stepSettling', 'stepCarried']);
    expect(judge(h, 43.17).fish).toEqual({
      word: 'goSmall',
      reason: { code: 'stepCarried', since: 14 },
      opens: { code: 'addFishAfterCrew' },
    });
    expect(judge(h, 43.16).fish.opens).toEqual({ code: 'waitUntil', atMs: ms(44) });
  });
  test('a week after each load, two after the first, whatever came on one day; the test of that morning counts', () => {
    const h = stocked().animal(30.1, 'royal-gramma');
    for (const day of [31, 33, 37, 43]) h.water(day, zero);
    expect(judge(h, 43.16).fish.reason.code).toBe('stepSettling');
    expect(judge(h, 43.17).fish).toMatchObject({ word: 'go', opens: { code: 'addNext' } });
    h.animal(44, 'chalk-bass');
    for (const day of [45, 47.2, 50]) h.water(day, zero);
    expect(judge(h, 50.16).fish.reason.code).toBe('stepSettling');
    expect(judge(h, 50.17).fish.reason).toMatchObject({ code: 'stepTestDue', day: 7 });
    expect(judge(h.water(50.2, zero), 50.3).fish.reason).toEqual({ code: 'stepCarried', since: 7 });
  });
  test('what brings hardly any load is tested, and keeps nobody waiting longer than to the next day', () => {
    const h = stocked();
    for (const day of [31, 33, 37, 44]) h.water(day, zero);
    h.animal(45, 'turban-snail', 1);
    expect(judge(h, 45.1).fish.reason.code).toBe('stepSettling');
    expect(judge(h, 45.5).fish.reason).toMatchObject({ code: 'stepTestDue', day: 1 });
    expect(judge(h.water(45.6, zero), 45.7).fish.reason.code).toBe('stepCarried');
  });
  test('ammonia found since the last addition waits; found before it, not', () => {
    const fed = () => ready({}, 'firstFish').event(29, { kind: 'bacteria', seed: 'bottle', mL: 5 });
    const found = fed().animal(30, 'turban-snail').water(31, { ammonia: 0.09, ph: 8 });
    expect(judge(found, 31.1).fish).toMatchObject({
      word: 'wait',
      reason: { code: 'ammoniaAfterStep', ammonia: '0.09 mg/L N' },
      opens: { code: 'ammoniaZeroAgain' },
    });
    expect(waterHolds(judge(found, 31.1))?.code).toBe('ammoniaAfterStep');
    const before = fed().dose(29.4, 0.1).test(29.5, { ammonia: 0.09 }).animal(30, 'turban-snail', 3);
    expect(judge(before.water(31, zero), 31.1).fish.reason.code).toBe('stepSettling');
    // Days to wait say nothing against what the filter carries.
    expect(waterHolds(judge(before, 31.1))).toBeNull();
  });
  test('before the first animals it is ahead and says so', () => {
    expect(gateOf(judge(ready(), 29.1), 'nextStep')).toMatchObject({
      status: 'ahead',
      finding: { code: 'afterFirst' },
    });
  });
});

describe('water changed after it was tested', () => {
  const changed = (litres: number, at = 29.2) =>
    judge(ready().event(at, { kind: 'waterChange', litres, salinity: 29 }), 29.5).fish;
  test('most of it: what it is now is asked before anything goes in', () => {
    expect(judge(ready(), 29.5).fish.word).toBe('goSmall');
    expect(changed(100)).toEqual({
      word: 'test',
      reason: { code: 'changedSinceTest', parameters: ['salinity', 'temperature', 'alkalinity'] },
      opens: { code: 'testThese', parameters: ['salinity', 'temperature', 'alkalinity'] },
    });
    expect(changed(30.1).word).toBe('test');
    expect(changed(29.9).word).toBe('goSmall');
  });
  test('two changes count together; one before the test does not', () => {
    const two = ready()
      .event(29.2, { kind: 'waterChange', litres: 20 })
      .event(29.3, { kind: 'waterChange', litres: 20 });
    expect(judge(two, 29.5).fish.word).toBe('test');
    expect(changed(100, 28.5).word).toBe('goSmall');
  });
  test('a go for the next step asks as well, a wait stays a wait', () => {
    const h = stocked()
      .water(31, { ammonia: 0, nitrite: 0 })
      .water(33, { ammonia: 0, nitrite: 0 })
      .water(37, { ammonia: 0, nitrite: 0 })
      .water(44, { ammonia: 0, nitrite: 0 });
    expect(judge(h, 44.1).fish.word).toBe('goSmall');
    expect(judge(h.event(44.2, { kind: 'waterChange', litres: 100 }), 44.3)).toMatchObject({
      living: { word: 'test', reason: { code: 'changedSinceTest' } },
      fish: { word: 'test', reason: { code: 'waterUntested' } },
    });
  });
});

describe('alarms', () => {
  /** Total ammonia that is this much free ammonia at pH 8.3, 25 C and 35 ppt. */
  const fraction = 1 / (1 + 10 ** (10.0423 - 0.0315536 * 25 + 0.003071 * 35 - 8.3));
  const withFree = (free: number, h = stocked()) =>
    h.water(31, { ammonia: free / fraction, nitrite: 0, ph: 8.3 });
  test.each([
    [0.0199, 'ammoniaTrace', 'test'],
    [0.0201, 'freeAmmoniaWatch', 'watch'],
    [0.0499, 'freeAmmoniaWatch', 'watch'],
    [0.0501, 'freeAmmoniaAct', 'actNow'],
  ])('free ammonia of %f mg N/L with animals in: %s', (free, code, word) => {
    const a = judge(withFree(free), 31.1);
    expect(codes(a)[0] ?? null).toBe(code);
    expect(a.living?.word).toBe(word);
    expect(['wait', 'test']).toContain(a.fish.word);
    expect(a.freeAmmonia?.mgNPerL).toBeCloseTo(free, 9);
  });
  test('act now names the change, for corals too; without animals it is no alarm', () => {
    const a = judge(withFree(0.06), 31.1);
    expect(a.living).toMatchObject({ reason: { code: 'freeAmmoniaAct' }, opens: { code: 'changeNow' } });
    expect(a.fish).toMatchObject({ word: 'wait', reason: { code: 'waterFirst' } });
    expect([a.crew, a.coral]).toEqual([a.fish, a.fish]);
    expect(waterHolds(a)).toBe(a.living?.reason);
    expect(codes(judge(withFree(0.06, ready()), 31.1))).toEqual([]);
  });
  test.each([
    [3, true],
    [3.01, false],
  ])('a reading %f days old still alarms: %s', (days, alarms) => {
    expect(codes(judge(withFree(0.06), 31 + days)).includes('freeAmmoniaAct')).toBe(alarms);
  });
  test.each([
    [31.9, true],
    [32, false],
    [37, false],
    [37.1, true],
  ])('salinity of %f with animals in is an alarm: %s', (salinity, alarms) => {
    const a = judge(stocked().water(31, { salinity }), 31.1);
    expect(codes(a).includes('salinityWithAnimals')).toBe(alarms);
  });
  test.each([
    [RULES.ammoniaStallMgN, false],
    [RULES.ammoniaStallMgN * 1.001, true],
  ])('total ammonia of %f mg N/L holds back the second bacteria: %s', (ammonia, alarms) => {
    const a = judge(precise().water(0).dose(1, 2).test(2, { ammonia }), 2.1);
    expect(codes(a).includes('ammoniaTooHigh')).toBe(alarms);
    if (alarms) expect(a.fish.word).toBe('wait');
  });
  test.each([
    [4.9, 'alkalinityStall'],
    [5, 'alkalinityLow'],
    [6.9, 'alkalinityLow'],
    [7, null],
  ])('alkalinity of %f dKH: %s', (alkalinity, code) => {
    expect(codes(judge(new History().water(1, { alkalinity }), 1.1))[0] ?? null).toBe(code);
  });
  test.each(['nitrate', 'phosphate'] as const)('%s at zero with animals in is a finding', (parameter) => {
    const finding = { code: 'nutrientZero', parameter };
    const zeroed = { [parameter]: 0 };
    expect(judge(stocked().test(31, zeroed), 31.1).alarms).toContainEqual(finding);
    expect(judge(ready().test(31, zeroed), 31.1).alarms).not.toContainEqual(finding);
  });
  test('two instruments that cannot both be right are named, if read lately', () => {
    const h = new History('proof24', [
      ...PRECISE_KITS,
      { ...PRECISE_KITS.find((k) => k.parameter === 'salinity')!, id: 'kit-second', name: 'Second meter' },
    ]).water(1);
    const [first] = Object.values(h.doc.samples);
    h.doc.samples.other = {
      ...first!,
      id: 'other',
      at: h.at(1.5),
      readings: [{ parameter: 'salinity', kitId: 'kit-second', value: { kind: 'exact', value: 33 } }],
    };
    const found = (day: number) => judge(h, day).alarms.find((f) => f.code === 'instrumentsDisagree');
    expect(found(2)).toEqual({
      code: 'instrumentsDisagree',
      parameter: 'salinity',
      one: { by: 'Second meter', value: 33 },
      other: { by: 'Pocket meter', value: 35 },
    });
    expect(found(7.9)).toBeDefined();
    expect(found(8.1)).toBeUndefined();
  });
  test('an instrument that drifted, a kit past its date: the word is test', () => {
    const h = stocked().water(31, { ammonia: 0, nitrite: 0 });
    h.doc.calibrations.c = {
      id: 'c',
      kitId: 'kit-salinity',
      at: h.at(31.05),
      standard: 35,
      reading: 33,
      tempC: null,
      adjusted: true,
      note: '',
    };
    expect(judge(h, 31.1).alarms).toContainEqual({ code: 'driftDoubt', parameter: 'salinity' });
    expect(judge(h, 31.1).living?.word).toBe('test');
    const alkalinity = stocked().water(31, { ammonia: 0, nitrite: 0 });
    alkalinity.doc.calibrations.c = {
      ...h.doc.calibrations.c,
      kitId: 'kit-alkalinity',
      standard: 8,
      reading: 9,
    };
    expect(judge(alkalinity, 31.1).living).toMatchObject({
      word: 'test',
      reason: { code: 'driftDoubt', parameter: 'alkalinity' },
      opens: { code: 'readAgain', parameter: 'alkalinity' },
    });
    const kits = PRECISE_KITS.map((k) => (k.parameter === 'nitrite' ? { ...k, expires: '2026-01-01' } : k));
    const old = judge(new History('proof24', kits).water(2, { nitrite: 0 }), 2.1);
    expect(old.alarms).toContainEqual({ code: 'expiredKit', parameter: 'nitrite' });
    expect(old.fish.word).toBe('test');
    expect(old.due).toContain('nitrite');
  });
  test('nitrate read with nitrite present is doubted, and changes no word', () => {
    const h = precise().water(0).test(1, { ammonia: 1, nitrite: 1, nitrate: 3 });
    expect(codes(judge(h, 1.1))).toEqual(['nitrateDoubted']);
  });
  test('an animal lost, ammonia untested since: a test is asked for, for three days or until tested', () => {
    const h = stocked().water(31, { ammonia: 0 }).water(33, { ammonia: 0, nitrite: 0 });
    const snail = Object.values(h.doc.animals)[0]!;
    h.doc.animals[snail.id] = {
      ...snail,
      moves: [...snail.moves, { to: GONE('died'), at: h.at(33.01), why: '' }],
    };
    const said = (when: number) => {
      const { living } = judge(h, when);
      return { word: living?.word, reason: living?.reason, opens: living?.opens };
    };
    expect(said(33.005).reason?.code).toBe('livingSteady');
    // Nobody is left: it is asked for all the same.
    expect(judge(h, 35).fish).toEqual({
      word: 'test',
      reason: { code: 'deathAsksTest' },
      opens: { code: 'testThese', parameters: ['ammonia'] },
    });
    h.animal(30, 'turban-snail').test(33.1, { ammonia: 0 });
    expect(said(33.5).reason?.code).toBe('livingSteady');
    expect(said(34).reason?.code).toBe('deathDayAfter');
    h.test(34.1, { ammonia: 0 });
    expect(said(34.2).reason?.code).toBe('livingSteady');
  });
  test('something not seen asks for an ammonia test, until tested or seen', () => {
    const look = (missing: string) =>
      ({ kind: 'observation', smell: 'sea', sound: 'usual', clarity: 'clear', missing }) as const;
    const h = () => stocked().water(31, { ammonia: 0, nitrite: 0 }).event(31.2, look('one snail'));
    expect(judge(h(), 31.3).living).toMatchObject({
      word: 'test',
      reason: { code: 'missingAsksTest', missing: 'one snail' },
      opens: { parameters: ['ammonia'] },
    });
    expect(judge(h().test(31.25, { ammonia: 0 }), 31.3).living?.word).toBe('steady');
    expect(judge(h().event(31.25, look('')), 31.3).living?.word).toBe('steady');
  });
});

describe('free ammonia', () => {
  const of = (h: History, day: number) => freeAmmonia(gatherEvidence(h.doc, 't', ms(day)));
  test('without ammonia there is none to reckon', () => expect(of(precise().water(1), 2)).toBeNull());
  test('what was not measured near it is assumed, the pH said to be', () => {
    expect(of(precise().test(10, { ammonia: 1 }), 11)).toMatchObject({
      ph: LIVING.assumedPh,
      phAssumed: true,
      tempC: LIVING.assumedTempC,
      salinity: LIVING.assumedSalinity,
    });
  });
  test.each([
    [3, 7.8, false],
    [2.9, LIVING.assumedPh, true],
    [17, 7.8, false],
    [17.1, LIVING.assumedPh, true],
  ])('a pH read on day %f for ammonia of day 10', (day, ph, phAssumed) => {
    expect(of(precise().test(10, { ammonia: 1 }).test(day, { ph: 7.8 }), 20)).toMatchObject({
      ph,
      phAssumed,
    });
  });
  test('a zero is no free ammonia; values off the formula’s scale give none', () => {
    expect(of(precise().test(10, { ammonia: 0 }), 11)?.mgNPerL).toBe(0);
    expect(of(precise().test(10, { ammonia: 1, temperature: 36 }), 11)).toBeNull();
    expect(of(precise().test(10, { ammonia: 1, temperature: 9 }), 11)).toBeNull();
    expect(of(precise().test(10, { ammonia: 1, temperature: 35, salinity: 45, ph: 11 }), 11)).not.toBeNull();
    expect(of(precise().test(10, { ammonia: 1, salinity: 46 }), 11)).toBeNull();
    expect(of(precise().test(10, { ammonia: 1, ph: 3.9 }), 11)).toBeNull();
  });
});

describe('a coral', () => {
  const steady = (h = stocked()) => h.water(31, { ammonia: 0, nitrite: 0 });
  test('one hardy piece when the water is in range, fresh and steady', () => {
    expect(judge(steady(), 31.1).coral).toEqual({
      word: 'goSmall',
      reason: { code: 'coralOne' },
      opens: { code: 'addCoral' },
    });
  });
  test('each of its four must be of the last three days', () => {
    const a = judge(steady().test(33, { ammonia: 0, temperature: 25 }), 34.1);
    expect(a.coral).toMatchObject({
      word: 'test',
      reason: { code: 'coralUnmeasured', parameters: ['salinity', 'alkalinity'] },
    });
  });
  test.each([
    [6.9, 'coralAlkalinity'],
    [7.2, 'coralOne'],
    [12.1, 'coralAlkalinity'],
  ])('alkalinity of %f dKH: %s', (alkalinity, code) => {
    const h = stocked().water(31, { ammonia: 0, alkalinity }).test(31.01, { alkalinity });
    expect(judge(h, 60).coral.word).toBe('test');
    const alone = new History('coralsFirst', PRECISE_KITS)
      .water(1, { ammonia: 0, alkalinity })
      .test(2, { alkalinity });
    expect(judge(alone, 2.1).coral.reason.code).toBe(code);
  });
  test.each([
    [9.2, 'coralOne'],
    [9.21, 'coralUnsteady'],
  ])('8.2 and %f dKH within two weeks: %s', (alkalinity, code) => {
    const h = new History('coralsFirst', PRECISE_KITS)
      .water(1, { ammonia: 0 })
      .water(2, { ammonia: 0, alkalinity });
    expect(judge(h, 2.1).coral.reason.code).toBe(code);
  });
  test('alkalinity of over two weeks ago shows no steadiness', () => {
    const h = (first: number) =>
      new History('coralsFirst', PRECISE_KITS).test(first, { alkalinity: 8.2 }).water(20, { ammonia: 0 });
    expect(judge(h(6.2), 20.1).coral.reason.code).toBe('coralOne');
    expect(judge(h(6), 20.1).coral.reason.code).toBe('coralOneAlkalinity');
  });
  test('waits for ammonia at zero', () => {
    expect(judge(stocked().water(31, { ammonia: 0.3 }), 31.1).coral.word).toBe('wait');
    const corals = precise('coralsFirst').water(1, { ammonia: 0 }).water(2, { ammonia: 0.3 });
    expect(judge(corals, 2.1).coral.reason.code).toBe('coralAmmonia');
  });
  test('waits for a cycle, unless corals come first by choice; a transfer is one', () => {
    const h = (school: School) => precise(school).water(1, { ammonia: 0 }).water(2, { ammonia: 0 });
    expect(judge(h('zeroZero'), 2.1).coral.reason.code).toBe('zeroMeansNothing');
    expect(judge(h('coralsFirst'), 2.1).coral.reason.code).toBe('coralOne');
    const moved = h('zeroZero').event(1, { kind: 'bacteria', seed: 'rock', mL: null });
    expect(judge(moved, 2.1).coral.reason.code).toBe('zeroMeansNothing');
    expect(judge(moved.event(1, { kind: 'food', food: 'pellets', grams: 1 }), 2.1).coral.reason.code).toBe(
      'coralOne',
    );
  });
  test('the proof comes before it, where that school is chosen and nothing is in yet', () => {
    const h = (school: School) =>
      precise(school)
        .water(1, { ammonia: 0 })
        .test(2, { ammonia: 1 })
        .test(3, { ammonia: 0.5 })
        .water(4, { ammonia: 0 });
    expect(judge(h('proof24'), 4.1).coral.reason.code).toBe('coralBeforeDose');
    expect(judge(h('zeroZero'), 4.1).coral.reason.code).toBe('coralOne');
    expect(judge(h('proof24').animal(3, 'turban-snail'), 4.1).coral.reason.code).toBe('coralOne');
  });
  test('waits with the water', () => {
    expect(judge(new History(), 1).coral).toMatchObject({
      word: 'test',
      reason: { code: 'waterUnmeasured' },
    });
  });
});

describe('tests that are due', () => {
  const all = { ammonia: 0, nitrite: 0, nitrate: 2, salinity: 35, temperature: 25, alkalinity: 8, ph: 8 };
  const dueAfter = (h: History, from: number, days: number) => assessWater(h.doc, 't', ms(from + days)).due;
  test.each([
    ['ammonia', 1.7],
    ['nitrite', 1.7],
    ['salinity', 2.7],
    ['temperature', 2.7],
    ['nitrate', 3.7],
    ['alkalinity', 4.7],
    ['ph', 4.7],
  ] as const)('while cycling %s is due after %f days', (parameter, days) => {
    // Water that is not ready yet: the coral's judgement, which asks for all it needs, waits with it.
    const h = precise()
      .water(0)
      .dose(1, 2)
      .test(2, { ammonia: 2 })
      .test(5, { ...all, salinity: 30 });
    expect(dueAfter(h, 5, days - 0.01)).not.toContain(parameter);
    expect(dueAfter(h, 5, days + 0.01)).toContain(parameter);
  });
  test.each([
    ['ammonia', 2.7],
    ['nitrite', 6.7],
    ['nitrate', 6.7],
    ['ph', 6.7],
    ['phosphate', 6.7],
  ] as const)('with animals in %s is due after %f days', (parameter, days) => {
    const h = stocked().test(45, { ...all, phosphate: 0.1 });
    expect(dueAfter(h, 45, days + 0.01)).toContain(parameter);
    if (parameter !== 'ammonia') expect(dueAfter(h, 45, days - 0.01)).not.toContain(parameter);
  });
  test('what the judgement asks for comes first, each once; what was never tested is due', () => {
    const due = dueAfter(new History(), 0, 1);
    expect(due.slice(0, 2)).toEqual(['temperature', 'salinity']);
    expect(new Set(due).size).toBe(due.length);
    expect(due).toEqual(expect.arrayContaining(['ammonia', 'nitrite', 'nitrate', 'alkalinity', 'ph']));
    expect(due).not.toContain('phosphate');
  });
});
