/** Water with animals in it: the newest reading of each parameter by itself, just under and just over each limit. */
import { DAY, History, START_MS, type Readings } from '../testing/history';
import { PRECISE_KITS } from '../testing/precise';
import { gatherEvidence } from '../evidence';
import { assessWater } from '../readiness';
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
