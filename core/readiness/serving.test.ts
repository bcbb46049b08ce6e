/** The word of a water that serves a display: a quarantine by its clock, others by what was measured in them. */
import { IN, WISHED, type Document, type Quarantine, type Water } from '../document';
import { DAY, History, START_MS, type Readings } from '../testing/history';
import { addDays, UTC } from '../time';
import { assessWater } from './index';

const START = '2026-01-01';
const ms = (day: number): number => START_MS + day * DAY;
const dayOf = (at: number): string => new Date(at).toISOString().slice(0, 10);
const base = {
  id: 't',
  name: 'Spare',
  startDay: START,
  size: { kind: 'volume' as const, volumeL: 60 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
};
const quarantine: Quarantine = {
  ...base,
  kind: 'quarantine',
  line: 'fish',
  filter: 'uncycled',
  clockDays: 28,
  serves: ['home'],
  runs: [{ openedDay: START, closedDay: null }],
};
/** A history told of another water. */
function told(water: Water, tell: (h: History) => History = (h) => h): Document {
  const { doc } = tell(new History());
  const home = { ...doc.waters.t!, id: 'home' };
  return { ...doc, waters: { home, t: water } };
}
function withFish(doc: Document, since = 0): Document {
  const fish = {
    id: 'fish',
    homeId: 'home',
    speciesId: 'banggai-cardinalfish',
    count: 2,
    moves: [
      { to: WISHED, at: new Date(ms(since) - 1).toISOString(), why: '' },
      { to: IN('t'), at: new Date(ms(since)).toISOString(), why: '' },
    ],
    plannedDay: null,
  };
  return { ...doc, animals: { fish } };
}
const looked = (doc: Document, days: readonly number[], sign: number | null = null): Document => ({
  ...doc,
  looks: Object.fromEntries(
    days.map((d) => [
      `l${d}`,
      {
        id: `l${d}`,
        waterId: 't',
        day: addDays(START, d),
        result: d === sign ? ('sign' as const) : ('clear' as const),
        signs: d === sign ? ['spots' as const] : [],
        note: '',
      },
    ]),
  ),
});
const days = (to: number): number[] => Array.from({ length: to + 1 }, (_, i) => i);
const judge = (doc: Document, day: number) => assessWater(doc, 't', ms(day), { ...UTC, dayOf });
const fit: Readings = { ammonia: 0, salinity: 35, temperature: 25 };

describe('a quarantine', () => {
  test('has no gates and no school', () => {
    const said = judge(told(quarantine), 1);
    expect([said.school, said.gates]).toEqual([null, []]);
  });
  test('empty: unmeasured it asks, measured it takes animals, unfit it says why', () => {
    expect(judge(told(quarantine), 1).fish).toEqual({
      word: 'test',
      reason: { code: 'quarantineUntested', parameters: ['ammonia', 'salinity', 'temperature'] },
      opens: { code: 'testThese', parameters: ['ammonia', 'salinity', 'temperature'] },
    });
    expect(
      judge(
        told(quarantine, (h) => h.test(0, fit)),
        2.9,
      ).fish.word,
    ).toBe('go');
    expect(
      judge(
        told(quarantine, (h) => h.test(0, fit)),
        3.1,
      ).fish.reason.code,
    ).toBe('quarantineUntested');
    expect(
      judge(
        told(quarantine, (h) => h.test(0, { ...fit, ammonia: 0.5 })),
        1,
      ).fish,
    ).toMatchObject({
      word: 'wait',
      reason: { code: 'ammoniaLeft', ammonia: '0.5 mg/L NH₄' },
    });
    expect(
      judge(
        told(quarantine, (h) => h.test(0, { ...fit, salinity: 28 })),
        1,
      ).fish.reason,
    ).toEqual({
      code: 'salinityOff',
      salinity: 28,
      low: 33,
      high: 36,
    });
    expect(
      judge(
        told(quarantine, (h) => h.test(0, { ...fit, temperature: 19 })),
        1,
      ).fish.reason.code,
    ).toBe('temperatureOff');
  });
  test('with animals: the clock, a sign, and free at its end', () => {
    const doc = withFish(told(quarantine, (h) => h.test(0, fit)));
    expect(judge(looked(doc, days(9)), 9.1).fish).toEqual({
      word: 'wait',
      reason: { code: 'quarantineRunning', day: 10, of: 28 },
      opens: { code: 'quarantineFreeOn', day: '2026-01-29' },
    });
    expect(judge(looked(doc, days(9), 9), 9.1).fish).toMatchObject({
      word: 'wait',
      reason: { code: 'quarantineSign' },
    });
    expect(judge(looked(doc, days(28)), 28.5)).toMatchObject({
      living: { word: 'test', reason: { code: 'untestedTooLong' } },
      fish: { word: 'test' },
    });
    const tested = withFish(told(quarantine, (h) => h.test(0, fit).test(28, fit)));
    expect(judge(looked(tested, days(28)), 28.5).fish).toEqual({
      word: 'go',
      reason: { code: 'quarantineFree', days: 28 },
      opens: { code: 'quarantineLetIn' },
    });
  });
  test('fish whose clock is over wait for a home that lies fallow after an outbreak', () => {
    const outbreak = {
      id: 'e',
      waterId: 'home',
      at: new Date(ms(0)).toISOString(),
      note: '',
      kind: 'incident' as const,
      what: 'outbreak' as const,
    };
    const tested = looked(withFish(told(quarantine, (h) => h.test(0, fit).test(28, fit))), days(28));
    const doc = { ...tested, events: { ...tested.events, e: outbreak } };
    // 76 days from 1 January.
    const until = { code: 'fishFallowUntil', day: '2026-03-18' };
    expect(judge(doc, 28.5).fish).toEqual({
      word: 'wait',
      reason: { code: 'fishFallow', day: 29, of: 76 },
      opens: until,
    });
    const running = looked(withFish(told(quarantine, (h) => h.test(0, fit))), days(9));
    expect(judge({ ...running, events: { ...running.events, e: outbreak } }, 9.1).fish).toMatchObject({
      reason: { code: 'quarantineRunning' },
      opens: until,
    });
    const elsewhere = { ...outbreak, waterId: 'other' };
    expect(judge({ ...doc, events: { ...tested.events, e: elsewhere } }, 28.5).fish.word).toBe('go');
  });
  test('ammonia a kit can see comes before any clock, and never asks for more of it', () => {
    const free = looked(withFish(told(quarantine, (h) => h.test(28, { ...fit, ammonia: 0.25 }))), days(28));
    expect(judge(free, 28.5)).toMatchObject({
      living: { word: 'test', reason: { code: 'ammoniaTrace' }, opens: { code: 'confirmAmmonia' } },
      fish: { word: 'test' },
    });
    const deadly = withFish(told(quarantine, (h) => h.test(1, { ...fit, ammonia: 4, ph: 8.3 })));
    expect(judge(deadly, 1.5).living?.word).toBe('actNow');
    expect(judge(deadly, 1.5).alarms.map((a) => a.code)).toContain('freeAmmoniaAct');
  });
  test('a loss asks for ammonia; one given back or rehomed does not', () => {
    const doc = withFish(told(quarantine, (h) => h.test(0, fit)));
    const gone = (reason: 'died' | 'rehomed' | 'returned' | 'missing' | 'eaten') => {
      const fish = doc.animals.fish!;
      const moves = [...fish.moves, { to: { kind: 'gone' as const, reason }, at: dayAt(2), why: '' }];
      return judge({ ...doc, animals: { fish: { ...fish, moves } } }, 2.5).fish.reason.code;
    };
    const dayAt = (d: number) => new Date(ms(d)).toISOString();
    expect((['died', 'missing', 'eaten'] as const).map(gone)).toEqual(Array(3).fill('deathAsksTest'));
    expect((['rehomed', 'returned'] as const).map(gone)).toEqual(Array(2).fill('quarantineReady'));
  });
  test('tests are due daily in bare water with animals, none in an empty one', () => {
    const doc = withFish(told(quarantine, (h) => h.test(0, fit)));
    expect(judge(doc, 0.8).due).toEqual(['ammonia', 'temperature', 'ph']);
    expect(judge(doc, 0.6).due).toEqual(['ph']);
    const cycled = withFish(told({ ...quarantine, filter: 'cycled' }, (h) => h.test(0, fit)));
    expect(judge(cycled, 0.8).due).toEqual(['temperature', 'nitrite', 'ph']);
    expect(
      judge(
        told(quarantine, (h) => h.test(0, fit)),
        2,
      ).due,
    ).toEqual([]);
  });
  test('out of use it asks for nothing, but never with animals in it', () => {
    const closed = { ...quarantine, runs: [{ openedDay: START, closedDay: '2026-01-05' }] };
    expect(judge(told(closed), 9)).toMatchObject({
      fish: { word: 'wait', reason: { code: 'outOfUse', day: '2026-01-05' } },
      due: [],
      alarms: [],
    });
    const inIt = judge(withFish(told(closed, (h) => h.test(0, { ...fit, ammonia: 1 }))), 0.5);
    expect(inIt.fish.reason.code).not.toBe('outOfUse');
  });
});

describe('a holding and a mixing container', () => {
  const holding: Water = { ...base, kind: 'holding', runs: quarantine.runs };
  const mixing: Water = { ...base, kind: 'mixing' };
  test('held animals: steady while nothing measured speaks against it', () => {
    expect(judge(told(holding), 1).fish.reason.code).toBe('holdingEmpty');
    const doc = withFish(told(holding, (h) => h.test(0, fit)));
    expect(judge(doc, 0.5).fish).toMatchObject({ word: 'steady', reason: { code: 'holdingSteady' } });
    const cold = withFish(told(holding, (h) => h.test(0, { ...fit, temperature: 18 })));
    expect(judge(cold, 0.5).living).toMatchObject({ word: 'actNow', reason: { code: 'tooCold' } });
    const foul = withFish(told(holding, (h) => h.test(0, { ...fit, ammonia: 0.5 })));
    expect(judge(foul, 0.5).living?.reason.code).toBe('freeAmmoniaWatch');
  });
  test('mixed water: unmeasured it asks for salinity, cold it is fit all the same', () => {
    expect(judge(told(mixing), 1).fish.opens).toEqual({ code: 'testThese', parameters: ['salinity'] });
    const mixed = told(mixing, (h) => h.test(0, { salinity: 35, temperature: 18 }));
    expect(judge(mixed, 1).fish).toMatchObject({ word: 'go', reason: { code: 'mixingReady', salinity: 35 } });
    expect(
      judge(
        told(mixing, (h) => h.test(0, { salinity: 29 })),
        1,
      ).fish.word,
    ).toBe('wait');
    expect(judge(mixed, 3.1).fish.word).toBe('test');
  });
});
