/** Water with animals in it: the newest reading of each parameter by itself, just under and just over each limit. */
import { DAY, History, START_MS, type Readings } from '../testing/history';
import { PRECISE_KITS } from '../testing/precise';
import { gatherEvidence } from '../evidence';
import { DEFAULT_TARGETS } from '../document';
import { assessWater } from '../readiness';
import type { StatementOf } from '../statements';
import { freeCourse } from '.';

const ms = (day: number): number => START_MS + day * DAY;
const GOOD: Readings = {
  ammonia: 0,
  nitrite: 0,
  nitrate: 2,
  salinity: 35,
  temperature: 25,
  alkalinity: 8.2,
  ph: 8.1,
};
/** Stocked for months, measured well until yesterday. */
const stocked = (species = 'ocellaris-clownfish') =>
  new History('proof24', PRECISE_KITS).animal(-90, species).test(1, GOOD).test(9, GOOD);
const judge = (h: History, day = 10.01) => assessWater(h.doc, 't', ms(day));
const after = (readings: Readings, h = stocked()) => judge(h.test(10, readings));
const codes = (a: ReturnType<typeof judge>) => a.alarms.map((s) => s.code);

test('good water raises nothing', () => {
  expect(codes(after(GOOD))).toEqual([]);
});
test.each<[string, Readings, string | null, string | null]>([
  ['ammonia a kit can see', { ammonia: 0.1 }, 'ammoniaTrace', 'test'],
  ['total to act on', { ammonia: 0.77, ph: 7.7 }, 'ammoniaWithAnimals', 'actNow'],
  ['just under it', { ammonia: 0.769, ph: 7.7 }, 'ammoniaTrace', 'test'],
  ['26.9 °C', { temperature: 26.9 }, null, null],
  ['28.2 °C', { temperature: 28.2 }, 'tooWarm', 'watch'],
  ['30.5 °C', { temperature: 30.5 }, 'tooWarm', 'actNow'],
  ['31 °C', { temperature: 31 }, 'tooWarm', 'actNow'],
  ['22 °C', { temperature: 22 }, 'tooCold', 'watch'],
  ['19.5 °C', { temperature: 19.5 }, 'tooCold', 'actNow'],
  ['29 ppt with fish alone', { salinity: 29 }, 'saltMoved', 'actNow'],
  ['27.5 ppt', { salinity: 27.5 }, 'salinityWithAnimals', 'actNow'],
  ['40.5 ppt', { salinity: 40.5 }, 'salinityWithAnimals', 'actNow'],
  ['pH 7.5', { ph: 7.5 }, 'phLow', 'watch'],
  ['pH 7.3', { ph: 7.3 }, 'phLow', 'actNow'],
  ['pH 8.6', { ph: 8.6 }, 'phHigh', 'watch'],
  ['pH 9', { ph: 9 }, 'phHigh', 'actNow'],
  ['nitrite of 5', { nitrite: 5 }, 'nitriteWithAnimals', 'actNow'],
  ['nitrite once', { nitrite: 0.2 }, 'nitriteWithAnimals', 'test'],
])('%s', (_what, readings, code, word) => {
  const a = after(readings);
  if (code === null) expect(codes(a)).toEqual([]);
  else {
    expect(codes(a)).toContain(code);
    expect(a.living?.word).toBe(word);
  }
});
test('29 ppt is to be acted on where snails or corals live in it', () => {
  expect(after({ salinity: 29 }, stocked('turban-snail')).living?.word).toBe('actNow');
});
test('nitrite seen twice running is watched, once is not; a zero between forgives it', () => {
  expect(codes(after({ nitrite: 0.2 }, stocked().test(9.5, { nitrite: 0.2 })))).toContain(
    'nitriteWithAnimals',
  );
  expect(
    codes(after({ nitrite: 0.2 }, stocked().test(9.3, { nitrite: 0.2 }).test(9.6, { nitrite: 0 }))),
  ).toEqual(['nitriteWithAnimals']);
});
test('alkalinity under 5 is to be acted on with corals, watched without', () => {
  const corals = after({ alkalinity: 4.5 }, stocked('zoanthid'));
  expect(corals.living).toMatchObject({ word: 'actNow', reason: { code: 'alkalinityWithAnimals' } });
  expect(after({ alkalinity: 4.5 }).living?.word).toBe('watch');
});
test('ammonia read alone, tonight, outweighs a clear pair of this morning', () => {
  const a = judge(stocked().test(9.6, { ammonia: 0, nitrite: 0 }).test(10, { ammonia: 0.2 }));
  expect(a.living).toMatchObject({ word: 'test', reason: { code: 'ammoniaTrace' } });
  expect(a.fish.word).not.toBe('go');
  expect(JSON.stringify([a.living, a.fish])).not.toMatch(/bothClear|nitriteLeft/);
});
test('the worst stands first, and the others are not hidden by it', () => {
  const a = after({ temperature: 28.2, ammonia: 3, ph: 8.3 });
  expect(a.living).toMatchObject({ word: 'actNow', reason: { code: 'freeAmmoniaAct' } });
  expect(codes(a)[0]).toBe('freeAmmoniaAct');
  expect(codes(a)).toContain('tooWarm');
});
test('a reading that is four days old alarms no more: it is asked for again', () => {
  const a = judge(stocked().test(10, { temperature: 31 }), 14.01);
  expect(codes(a)).not.toContain('tooWarm');
  expect(a.due).toContain('temperature');
});
test('water nobody lives in has no such alarms', () => {
  const empty = new History('proof24', PRECISE_KITS).test(1, GOOD);
  expect(codes(after({ ammonia: 0.4, temperature: 31, ph: 7.3 }, empty))).toEqual([]);
});
test('a worse reading never makes the word milder', () => {
  const RANK = ['actNow', 'watch', 'test', 'steady'];
  const rank = (readings: Readings) => RANK.indexOf(after({ ...GOOD, ...readings }).living?.word ?? '');
  const WORSE: readonly Readings[][] = [
    [0, 0.05, 0.3, 0.8, 3].map((ammonia) => ({ ammonia })),
    [25, 27, 28.5, 30.5, 33].map((temperature) => ({ temperature })),
    [25, 23, 22, 19, 15].map((temperature) => ({ temperature })),
    [35, 31.5, 29, 27, 20].map((salinity) => ({ salinity })),
    [8.1, 7.55, 7.3, 7].map((ph) => ({ ph })),
  ];
  for (const course of WORSE) {
    const ranks = course.map(rank);
    expect(ranks).toEqual([...ranks].sort((a, b) => b - a));
  }
});

test('the course of free ammonia: measured and reckoned by turns, oldest first, none older than asked', () => {
  const kits = [
    ...PRECISE_KITS,
    {
      ...PRECISE_KITS.find((k) => k.parameter === 'ammonia')!,
      id: 'kit-freeAmmonia',
      parameter: 'freeAmmonia' as const,
    },
  ];
  const h = new History('zeroZero', kits)
    .animal(-90, 'ocellaris-clownfish')
    .test(1, { ammonia: 1, ph: 8.1, temperature: 25, salinity: 35 })
    .test(5, { ammonia: 0.5, ph: 8.1, temperature: 25, salinity: 35 })
    .test(6, { freeAmmonia: 0.04 });
  const course = freeCourse(gatherEvidence(h.doc, 't', ms(7)), ms(4));
  expect(course.map((p) => p.atMs)).toEqual([ms(5), ms(6)]);
  // 5.20 % of the total at pH 8.1, 25 C, 35 ppt (science notes 2).
  expect(course[0]?.mgNPerL).toBeCloseTo(0.5 * 0.052, 4);
  expect(course[1]?.mgNPerL).toBeCloseTo(0.04, 9);
});

describe('the judgement as a whole', () => {
  test('steady names the oldest of what it rests on, and asks for nothing', () => {
    const { living } = judge(stocked().test(9.6, { ammonia: 0 }));
    expect(living).toMatchObject({
      word: 'steady',
      reason: { code: 'livingSteady', sinceMs: ms(9) },
      opens: { code: 'keepSteady' },
      plan: null,
      again: [],
      causes: [],
    });
  });
  test('while those who just came get a part of the food, how much that is for all', () => {
    const fed = (day: number) =>
      judge(
        stocked()
          .animal(10, 'ocellaris-clownfish')
          .test(day - 0.1, GOOD),
        day,
      ).living?.opens;
    expect(fed(10.2)).toMatchObject({ code: 'feedNewcomers', days: 7 });
    const { nowG, fullG } = fed(11.5) as StatementOf<'feedNewcomers'>;
    // By hand: all of those who settled long ago, a third of the one who came yesterday.
    const one = fed(10.2) as StatementOf<'feedNewcomers'>;
    expect(nowG).toBeCloseTo(one.nowG + 0.33 * (one.fullG - one.nowG), 2);
    expect(fullG).toBeCloseTo(one.fullG, 2);
    expect(fed(17.1)).toEqual({ code: 'keepSteady' });
  });
  test('the worst first, the rest after it in the order in which it kills; what is watched is read again', () => {
    const { living } = after({ alkalinity: 6, ph: 7.5, temperature: 28.2 }, stocked().test(9.9, {}));
    expect(living?.reason.code).toBe('tooWarm');
    expect(living?.also.map((f) => f.finding.code)).toEqual(['phLow', 'alkalinityWithAnimals']);
    expect(living?.again).toEqual([
      { parameter: 'temperature', hours: 10 },
      { parameter: 'ph', hours: 10 },
      { parameter: 'alkalinity', hours: 10 },
    ]);
  });
  test('what is to be acted on comes before what is watched, whatever kills faster', () => {
    const { living } = after({ temperature: 28.2, ph: 7.3 });
    expect([living?.reason.code, living?.also[0]?.finding.code]).toEqual(['phLow', 'tooWarm']);
    expect(living?.again[0]).toEqual({ parameter: 'ph', hours: 1 });
    expect(living?.plan?.steps.map((s) => s.code)).not.toContain('stepCool');
  });
  test('due: what is acted on an hour after it was read, what is watched after ten', () => {
    const hot = stocked().test(10, { temperature: 31 });
    expect(judge(hot, 10 + 0.9 / 24).due).not.toContain('temperature');
    expect(judge(hot, 10 + 1 / 24).due).toContain('temperature');
    const warm = stocked().test(10, { ph: 7.5 });
    expect(judge(warm, 10 + 9.9 / 24).due).not.toContain('ph');
    expect(judge(warm, 10 + 10.1 / 24).due).toContain('ph');
  });
  test('grazers that find too little film are spoken of beside a steady water, until a strip is left', () => {
    const film = (h: History, day: number, extent: number) =>
      h.event(day, { kind: 'film', film: 'brown', extent });
    const said = (h: History) => judge(h).living?.also.map((f) => f.finding.code);
    const few = (snails: number) =>
      film(film(stocked('turban-snail'), 7, 2).animal(1, 'turban-snail', snails), 9, 1);
    expect(said(few(1))).toContain('crewHungry');
    expect(judge(few(1)).living?.word).toBe('steady');
    expect(said(film(few(1), 9.5, 2))).not.toContain('crewHungry');
    expect(said(few(1).event(9.5, { kind: 'seaweed', areaCm2: 20, left: 'most' }))).not.toContain(
      'crewHungry',
    );
    expect(said(few(1).event(9.5, { kind: 'seaweed', areaCm2: 20, left: 'none' }))).toContain('crewHungry');
  });
  test('ammonia without a cause in the log: the filter is named first; a known cause needs no list', () => {
    expect(after({ ammonia: 1 }).living?.causes[0]?.code).toBe('causeFilter');
    expect(after({ ammonia: 1 }).living?.causes).toHaveLength(6);
    expect(after({ temperature: 31 }).living?.causes).toEqual([]);
    const spilt = (day: number) => stocked().event(day, { kind: 'incident', what: 'foodSpilled' });
    expect(after({ ammonia: 1 }, spilt(9.5)).living?.causes).toEqual([]);
    expect(after({ ammonia: 1 }, spilt(4.9)).living?.causes).toHaveLength(6);
    expect(after({ ammonia: 1 }, stocked().animal(9.5, 'neon-goby')).living?.causes).toEqual([]);
    expect(after({ ammonia: 1 }, stocked().dose(9.5, 1)).living?.causes).toEqual([]);
  });
  test('nobody lives in it: no judgement of living water', () =>
    expect(judge(new History('proof24', PRECISE_KITS).test(9, GOOD)).living).toBeNull());
});

describe('how fast it moves', () => {
  const heat = (from: number, to: number, hours: number) =>
    judge(
      stocked()
        .test(9.8, { temperature: from })
        .test(9.8 + hours / 24, { temperature: to }),
      9.81 + hours / 24,
    ).living;
  test.each<[number, number, number, string, string]>([
    [24, 25, 3, 'steady', 'livingSteady'],
    [24, 25.1, 3, 'watch', 'heatMoved'],
    [24, 25.1, 3.1, 'steady', 'livingSteady'],
    [24, 26.1, 3, 'actNow', 'heatMoved'],
    [26.4, 24, 2, 'actNow', 'heatMoved'],
    [26.4, 27.4, 2, 'watch', 'heatHeading'],
    [26.9, 27.4, 2, 'steady', 'livingSteady'],
  ])('%f to %f °C in %f h: %s %s', (from, to, hours, word, code) => {
    const living = heat(from, to, hours);
    expect([living?.word, living?.reason.code]).toEqual([word, code]);
  });
  test('two thermometers that differ are no movement', () => {
    const h = stocked();
    h.doc.kits.other = { ...h.doc.kits['kit-temperature']!, id: 'other', name: 'Other' };
    h.test(9.9, { temperature: 24 }).test(9.95, { temperature: 26.5 });
    const [last] = Object.values(h.doc.samples).slice(-1);
    h.doc.samples[last!.id] = {
      ...last!,
      readings: last!.readings.map((r) => ({ ...r, kitId: 'other' })),
    };
    expect(judge(h, 9.96).living?.word).toBe('steady');
  });
  const salt = (from: number, to: number, hours: number) =>
    judge(
      stocked()
        .test(9.5, { salinity: from })
        .test(9.5 + hours / 24, { salinity: to }),
      9.51 + hours / 24,
    ).living;
  test.each<[number, number, string]>([
    [34, 35, 'steady'],
    [34, 35.1, 'watch'],
    [33, 36, 'watch'],
    [32.9, 36, 'actNow'],
    [36.1, 33, 'actNow'],
  ])('%f to %f ppt within a day: %s', (from, to, word) => expect(salt(from, to, 8)?.word).toBe(word));
  test('a drift by the same meter is said a week before the limit, watched two days before', () => {
    const drift = (perDay: number, start: number) => {
      const h = new History('zeroZero', PRECISE_KITS).animal(-90, 'ocellaris-clownfish').test(3, GOOD);
      for (let day = 3; day <= 10; day += 1)
        h.test(day, { salinity: start + perDay * (day - 3), ammonia: 0, temperature: 25 });
      return judge(h).living;
    };
    // 34.3 + 7 x 0.3 = 36.4: two days to 37.
    expect(drift(0.31, 34.3)?.reason.code).toBe('saltDrifts');
    expect(drift(0.31, 34.3)?.word).toBe('watch');
    // 33.9 + 7 x 0.3 = 36: over three days to 37.
    expect(drift(0.3, 33.9)?.word).toBe('steady');
    expect(drift(0.3, 33.9)?.also.map((f) => f.finding.code)).toEqual(['saltDrifts']);
    expect(drift(0.09, 36.2)?.also).toEqual([]);
    expect(drift(-0.3, 35.2)?.also[0]?.finding).toMatchObject({ code: 'saltDrifts', limit: 32 });
  });
  test('alkalinity on its way out of its range is said and then watched before it is out', () => {
    const drift = (perDay: number, start: number) => {
      const h = new History('zeroZero', PRECISE_KITS).animal(-90, 'ocellaris-clownfish').test(3, GOOD);
      for (let day = 3; day <= 10; day += 1)
        h.test(day, { alkalinity: start + perDay * (day - 3), ammonia: 0, temperature: 25, salinity: 35 });
      return judge(h).living;
    };
    const { alarmLow, alarmHigh } = DEFAULT_TARGETS.alkalinity!;
    // A quarter of a dKH a day: 0.4 above the limit is under two days from it, 1 above four days.
    const falling = drift(-0.25, alarmLow + 0.4 + 7 * 0.25);
    expect(falling?.word).toBe('watch');
    expect(falling?.reason).toMatchObject({ code: 'alkalinityDrifts', limit: alarmLow });
    const slow = drift(-0.25, alarmLow + 1 + 7 * 0.25);
    expect(slow?.word).toBe('steady');
    expect(slow?.also.map((f) => f.finding.code)).toEqual(['alkalinityDrifts']);
    expect(drift(0.25, alarmHigh - 0.4 - 7 * 0.25)?.reason).toMatchObject({ limit: alarmHigh });
    expect(drift(-0.09, alarmLow + 0.2 + 7 * 0.09)?.also).toEqual([]);
  });
});

describe('aims of one’s own', () => {
  const aimed = (
    h: History,
    parameter: 'salinity' | 'temperature',
    range: [number, number, number, number],
  ) => {
    const [alarmLow, low, high, alarmHigh] = range;
    h.doc.targets = { g: { id: 'g', waterId: 't', parameter, alarmLow, low, high, alarmHigh } };
    return h;
  };
  test('a display is watched by them, and acted on all the same', () => {
    const cool = () => aimed(stocked(), 'temperature', [19, 21, 23, 24]);
    expect(judge(cool().test(10, { temperature: 24.5 })).living?.word).toBe('watch');
    expect(judge(cool().test(10, { temperature: 22.5 })).living?.word).toBe('steady');
    const wide = () => aimed(stocked(), 'temperature', [15, 18, 34, 36]);
    expect(judge(wide().test(10, { temperature: 29.5 })).living?.word).toBe('steady');
    expect(judge(wide().test(10, { temperature: 30.5 })).living?.word).toBe('actNow');
  });
  test('a treatment water follows its own limits', () => {
    const treated = (salinity: number) => {
      const h = aimed(stocked(), 'salinity', [11, 12, 14, 15]);
      const t = h.doc.waters.t!;
      h.doc.waters.t = {
        id: 't',
        name: t.name,
        startDay: null,
        size: t.size,
        sumpL: 0,
        rockKg: 0,
        sandKg: 0,
        hasLid: true,
        kind: 'quarantine',
        line: 'fish',
        filter: 'cycled',
        clockDays: 28,
        serves: [],
        runs: [{ openedDay: '2026-01-01', closedDay: null }],
      };
      h.doc.samples = {};
      return judge(h.test(9, { ...GOOD, salinity: 13 }).test(10, { salinity })).living?.word;
    };
    expect([treated(13.5), treated(15.5), treated(17.1)]).toEqual(['steady', 'watch', 'actNow']);
  });
});
