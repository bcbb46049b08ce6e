/** The edges of each limit, exactly on it and just beyond, and who lives in the water where that decides. */
import { freeAmmoniaFraction } from '../seawater';
import { DAY, History, START_MS, type Readings } from '../testing/history';
import { PRECISE_KITS } from '../testing/precise';
import { gatherEvidence } from '../evidence';
import { UTC } from '../time';
import { foodLimit, judgeLiving, type Living } from '.';

const KITS = [
  ...PRECISE_KITS,
  ...(['freeAmmonia', 'oxygen'] as const).map((parameter) => ({
    ...PRECISE_KITS.find((k) => k.parameter === 'ammonia')!,
    id: `kit-${parameter}`,
    parameter,
    basis: 'N' as const,
  })),
];
const GOOD: Readings = { ammonia: 0, nitrite: 0, salinity: 35, temperature: 25, alkalinity: 8.2, ph: 8.1 };
const stocked = (...species: string[]) =>
  [...species, 'ocellaris-clownfish']
    .reduce((h, id) => h.animal(-90, id), new History('zeroZero', KITS))
    .test(8, GOOD);
const judge = (h: History, day = 10.01): Living | null =>
  judgeLiving(gatherEvidence(h.doc, 't', START_MS + day * DAY), UTC, []);
const said = (h: History, day?: number) => {
  const living = judge(h, day);
  return [living?.word, living?.reason.code, living?.opens.code];
};
const read = (readings: Readings, ...species: string[]) => stocked(...species).test(10, readings);

describe('exactly on a limit and just beyond', () => {
  test.each<[Readings, string]>([
    [{ oxygen: 5.3 }, 'steady'],
    [{ oxygen: 5.299 }, 'watch'],
    [{ oxygen: 4.5 }, 'watch'],
    [{ oxygen: 4.499 }, 'actNow'],
    [{ alkalinity: 12 }, 'steady'],
    [{ alkalinity: 12.1 }, 'watch'],
    [{ alkalinity: 6.5 }, 'steady'],
    [{ nitrite: 0.1 }, 'steady'],
    [{ nitrite: 0.16 }, 'test'],
    [{ ph: 7.7 }, 'steady'],
    [{ ph: 8.5 }, 'steady'],
    [{ temperature: 27.5 }, 'steady'],
    [{ temperature: 30 }, 'watch'],
  ])('%p: %s', (readings, word) => expect(judge(read(readings))?.word).toBe(word));
  test('free ammonia exactly at 0.02 is watched, at 0.05 acted on', () => {
    const total = (free: number) => free / freeAmmoniaFraction(8.25, 25, 35);
    const at = (free: number) =>
      judge(read({ ammonia: total(free), ph: 8.25, temperature: 25, salinity: 35 }))?.word;
    expect([at(0.0199), at(0.0201), at(0.0499), at(0.0501)]).toEqual(['test', 'watch', 'watch', 'actNow']);
    const monitor = (freeAmmonia: number) => judge(read({ freeAmmonia }))?.word;
    expect([monitor(0.0199), monitor(0.02), monitor(0.0499), monitor(0.05)]).toEqual([
      'steady',
      'watch',
      'watch',
      'actNow',
    ]);
  });
  test('alkalinity of exactly 5 with corals is watched, below it acted on', () => {
    expect(judge(read({ alkalinity: 5 }, 'zoanthid'))?.word).toBe('watch');
    expect(judge(read({ alkalinity: 4.99 }, 'zoanthid'))?.word).toBe('actNow');
  });
});

test.each<[Readings, ReturnType<typeof foodLimit>]>([
  [GOOD, null],
  [{ temperature: 30 }, null],
  [{ ammonia: 0.1 }, 'little'],
  [{ nitrite: 0.6 }, null],
  [{ ammonia: 0.3, ph: 8.25, temperature: 25 }, 'half'],
  [{ ammonia: 0.3, ph: 8.25, temperature: 25, oxygen: 5.2 }, 'none'],
  [{ ammonia: 2 }, 'none'],
  [{ oxygen: 4.4 }, 'none'],
])('after %p as much food as the sentences say: %s', (readings, limit) =>
  expect(foodLimit(judge(read(readings)))).toBe(limit),
);
test('nitrite twice running halves it', () =>
  expect(foodLimit(judge(stocked().test(9.5, { nitrite: 0.6 }).test(10, { nitrite: 0.6 })))).toBe('half'));
test('after far too much food none is given, and little until the day after has been seen', () => {
  const fed = () => stocked().event(10, { kind: 'food', food: 'pellets', grams: 3 });
  expect(foodLimit(judge(fed(), 10.1))).toBe('none');
  expect(foodLimit(judge(fed().test(10.2, { ammonia: 0 }), 10.9))).toBe('little');
});
test('where nobody lives nothing is said of food', () => expect(foodLimit(null)).toBeNull());

describe('what to do, by which way it is wrong', () => {
  test.each<[Readings, string, string]>([
    [{ temperature: 28 }, 'tooWarm', 'coolSlowly'],
    [{ temperature: 22 }, 'tooCold', 'warmSlowly'],
    [{ alkalinity: 13 }, 'alkalinityWithAnimals', 'letAlkalinityFall'],
    [{ alkalinity: 6 }, 'alkalinityWithAnimals', 'raiseAlkalinity'],
    [{ ph: 7.5 }, 'phLow', 'freshAir'],
    [{ ph: 8.7 }, 'phHigh', 'stopDosing'],
  ])('%p', (readings, code, opens) => expect(said(read(readings)).slice(1)).toEqual([code, opens]));
  test('too fresh is raised, too salty is lowered', () => {
    const steps = (salinity: number) => judge(read({ salinity }))?.plan?.steps.map((s) => s.code);
    expect(steps(27)).toContain('stepSaltUp');
    expect(steps(41)).toContain('stepSaltDown');
  });
  test('rising too fast is cooled, falling too fast is warmed', () => {
    const from = (a: number, b: number) =>
      said(stocked().test(9.9, { temperature: a }).test(10, { temperature: b }));
    expect(from(24.5, 26)).toEqual(['watch', 'heatMoved', 'coolSlowly']);
    expect(from(26, 24.5)).toEqual(['watch', 'heatMoved', 'warmSlowly']);
    expect(from(24, 26)).toEqual(['watch', 'heatHeading', 'coolSlowly']);
    expect(from(26, 24)).toEqual(['watch', 'heatHeading', 'warmSlowly']);
  });
});

describe('who lives in it', () => {
  test('one delicate animal among fish is enough', () => {
    const old = (...species: string[]) =>
      [...species, 'ocellaris-clownfish']
        .reduce((h, id) => h.animal(-90, id), new History('zeroZero', KITS))
        .test(10, { ...GOOD, salinity: 29.5 });
    expect(judge(old())?.word).toBe('watch');
    expect(judge(old('turban-snail'))?.word).toBe('actNow');
    expect(judge(read({ alkalinity: 4 }, 'zoanthid'))?.word).toBe('actNow');
  });
});

describe('readings that follow one another', () => {
  const two = (a: Readings, aDay: number, b: Readings) => judge(stocked().test(aDay, a).test(10, b))?.word;
  test('ammonia twice within three days is borne out; a zero between, or longer ago, it is a first one', () => {
    expect(two({ ammonia: 0.15 }, 9, { ammonia: 0.15 })).toBe('watch');
    expect(two({ ammonia: 0.15 }, 6.99, { ammonia: 0.15 })).toBe('test');
    expect(
      judge(stocked().test(9, { ammonia: 0.15 }).test(9.5, { ammonia: 0 }).test(10, { ammonia: 0.15 }))?.word,
    ).toBe('test');
  });
  test('nitrite twice over the limit; one of them on it is once', () => {
    expect(two({ nitrite: 0.2 }, 9, { nitrite: 0.2 })).toBe('watch');
    expect(two({ nitrite: 0.1 }, 9, { nitrite: 0.2 })).toBe('test');
    expect(
      judge(
        new History('zeroZero', KITS).animal(-90, 'ocellaris-clownfish').test(10, { ...GOOD, nitrite: 0.2 }),
      )?.word,
    ).toBe('test');
  });
  test('a monitor outweighs an older total, a later total outweighs the monitor', () => {
    expect(two({ ammonia: 1, ph: 8.3 }, 9, { freeAmmonia: 0.001 })).toBe('steady');
    expect(two({ freeAmmonia: 0.001 }, 9, { ammonia: 1, ph: 8.3 })).toBe('actNow');
    // Three days old it says nothing any more.
    expect(
      judge(
        stocked()
          .test(10, { freeAmmonia: 0.08 })
          .test(12.9, { ...GOOD, ammonia: 0 }),
        13.01,
      )?.word,
    ).toBe('steady');
  });
});

describe('after a change', () => {
  const changed = (readings: Readings, litres: number, at = 10.02) =>
    read({ ...GOOD, ...readings }).event(at, { kind: 'waterChange', litres, salinity: 35, tempC: 25 });
  test('what a monitor showed is thinned out and tested, or still acted on', () => {
    expect(said(changed({ freeAmmonia: 0.09 }, 60), 10.03)).toEqual([
      'test',
      'freeMeasuredWatch',
      'testThese',
    ]);
    expect(said(changed({ freeAmmonia: 0.09 }, 40), 10.03).slice(0, 2)).toEqual([
      'actNow',
      'freeMeasuredAct',
    ]);
  });
  test('total and free are both asked: a low pH leaves the one, a high pH the other', () => {
    // 1.7 halved is 0.85: over the total at any pH.
    expect(said(changed({ ammonia: 1.7, ph: 7.7 }, 50), 10.03).slice(0, 2)).toEqual([
      'actNow',
      'stillTooMuch',
    ]);
    // 0.7 after the change is under it, and burns at pH 8.4.
    expect(said(changed({ ammonia: 1.4, ph: 8.4 }, 50), 10.03).slice(0, 2)).toEqual([
      'actNow',
      'stillTooMuch',
    ]);
    expect(said(changed({ ammonia: 1, ph: 8.1 }, 50), 10.03).slice(0, 2)).toEqual(['test', 'ammoniaChanged']);
  });
  test('the test comes an hour after the change', () => {
    const opens = (day: number) => judge(changed({ ammonia: 1, ph: 8.1 }, 60), day)?.opens;
    expect(opens(10.05)).toEqual({ code: 'testAmmoniaAt', atMs: START_MS + (10.02 + 1 / 24) * DAY });
    expect(opens(10.02 + 1 / 24 + 1e-6)).toEqual({ code: 'testThese', parameters: ['ammonia'] });
  });
});

describe('a drift of salinity', () => {
  const drift = (
    days: readonly number[],
    perDay: number,
    at10: number,
    kits: (day: number) => string = () => 'kit-salinity',
  ) => {
    const h = new History('zeroZero', KITS)
      .animal(-90, 'ocellaris-clownfish')
      .test(2.9, { ...GOOD, salinity: 35 });
    h.doc.kits.other = { ...h.doc.kits['kit-salinity']!, id: 'other', name: 'Other' };
    for (const day of days) {
      h.test(day, { salinity: at10 + perDay * (day - 10), ammonia: 0, temperature: 25 });
      const [last] = Object.values(h.doc.samples).slice(-1);
      h.doc.samples[last!.id] = {
        ...last!,
        readings: last!.readings.map((r) => (r.parameter === 'salinity' ? { ...r, kitId: kits(day) } : r)),
      };
    }
    const living = judge(h, 10.001);
    return [living?.reason.code, ...(living?.also ?? []).map((f) => f.finding.code)];
  };
  test('four readings over half a week show it, three do not, nor a shorter time', () => {
    expect(drift([4, 6, 8, 10], 0.3, 36)).toContain('saltDrifts');
    expect(drift([4, 7, 10], 0.3, 36)).not.toContain('saltDrifts');
    expect(drift([6.6, 7.5, 8.5, 10], 0.3, 36)).not.toContain('saltDrifts');
  });
  test('not by two instruments, and not out of noise', () => {
    expect(drift([4, 6, 8, 10], 0.3, 36, (day) => (day > 7 ? 'kit-salinity' : 'other'))).not.toContain(
      'saltDrifts',
    );
    const h = new History('zeroZero', KITS)
      .animal(-90, 'ocellaris-clownfish')
      .test(2.9, { ...GOOD, salinity: 36 });
    for (const [day, salinity] of [
      [4, 36.4],
      [6, 35.9],
      [8, 36.6],
      [10, 36.5],
    ] as const)
      h.test(day, { salinity, ammonia: 0, temperature: 25 });
    expect(judge(h, 10.001)?.also).toEqual([]);
  });
});
