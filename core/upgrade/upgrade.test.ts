import { GONE, IN, WISHED, type Animal, type Display, type Document, type Place } from '../document';
import { gatherEvidence, isOfDisplay } from '../evidence';
import { DAY, History, provedHistory, START_MS } from '../testing/history';
import { aQuarantine } from '../testing/display';
import { UTC } from '../time';
import { carriedOut, companyAfter, movePlan, targetOf, type Move } from '.';

const move = (more: Partial<Move> = {}): Move => ({
  oldNetL: 100,
  newNetL: 300,
  keptShare: 1,
  reusedShare: 0.5,
  loadMgN: 20,
  carriesMgN: 30,
  nitrate: 30,
  ...more,
});

test('water: half of 100 L again, 250 to be made; nitrate thinned to a sixth', () =>
  expect(movePlan(move())).toMatchObject({ reusedL: 50, newWaterL: 250, nitrate: 5 }));
test('never more old water than the new glass holds', () =>
  expect(movePlan(move({ newNetL: 40, reusedShare: 1 }))).toMatchObject({
    reusedL: 40,
    newWaterL: 0,
    nitrate: 30,
  }));
test('all rock and media carry four fifths: the load of before is borne; without them it is not', () => {
  const whole = movePlan(move());
  expect(whole.carriesMgN).toBeCloseTo(24, 9);
  expect(whole.borne).toBe('yes');
  // Nothing carried and 20 mg N a day into 300 L: a week makes 0.47 mg/L.
  const bare = movePlan(move({ keptShare: 0 }));
  expect(bare.totalMgN!).toBeGreaterThan(0.4);
  expect(bare.borne).toBe('ammoniaRises');
});
test('the less comes along the higher it goes', () => {
  const peaks = [1, 0.6, 0.3, 0.1, 0].map((keptShare) => movePlan(move({ keptShare })).totalMgN!);
  expect(peaks).toEqual([...peaks].sort((a, b) => a - b));
});
test('nothing proved, nothing predicted; wrong shares are refused by name', () => {
  expect(movePlan(move({ carriesMgN: null }))).toMatchObject({
    carriesMgN: null,
    freeMgN: null,
    borne: 'notProved',
  });
  expect(() => movePlan(move({ keptShare: 1.2 }))).toThrow('shares must be within 0 and 1');
  expect(() => movePlan(move({ newNetL: 0 }))).toThrow('"newNetL" and "oldNetL" must be above 0 L');
});
test('in much water two weeks stay low with no filter at all: it is not called borne', () => {
  // 4 mg N a day into 450 L: 0.12 mg/L in two weeks, and rising.
  const plan = movePlan(move({ newNetL: 450, loadMgN: 4, keptShare: 0 }));
  expect(plan.totalMgN).toBeCloseTo((14 * 4) / 450, 2);
  expect(plan.borne).toBe('littleFilter');
});
test('half of the load carried on the day is the least', () => {
  const borne = (carriesMgN: number) => movePlan(move({ loadMgN: 4, carriesMgN })).borne;
  expect([borne(2.51), borne(2.49)]).toEqual(['yes', 'littleFilter']);
});
test('a tank that is filled keeps its water; its animals and its filter count', () => {
  const standing = { loadMgN: 10, carriesMgN: 15, nitrate: 8 };
  expect(movePlan(move({ standing }))).toMatchObject({
    reusedL: 0,
    newWaterL: 0,
    loadMgN: 30,
    carriesMgN: 39,
    nitrate: 8,
  });
  expect(movePlan(move({ keptShare: 0, standing: { ...standing, carriesMgN: null } })).borne).not.toBe('yes');
});

describe('who may live in the new glass', () => {
  const { doc } = provedHistory();
  const old = doc.waters.t as Display;
  const at = '2026-05-02T08:00:00.000Z';
  const living = (id: string, speciesId: string, count: number, waterId = 't') => {
    const moves = [{ to: IN(waterId), at, why: '' }];
    return { id, homeId: waterId, speciesId, count, plannedDay: null, moves };
  };
  const withThese = (...animals: ReturnType<typeof living>[]) => ({
    ...doc,
    waters: { ...doc.waters, n: { ...old, id: 'n' } },
    animals: Object.fromEntries(animals.map((a) => [a.id, a])),
  });
  const codes = (to: Display | number, ...animals: ReturnType<typeof living>[]) => {
    const { no, barred } = companyAfter(withThese(...animals), old, to, '2026-05-20');
    return { codes: no.map((f) => f.says.code), barred };
  };
  test('five litres are no home for a goby or its three snails', () =>
    expect(codes(5, living('a', 'neon-goby', 1), living('b', 'turban-snail', 3))).toEqual({
      codes: ['tooLargeForTank', 'tooLargeForTank'],
      barred: 4,
    }));
  test('what was too large for the old glass, too, is said and bars nothing; with room nothing is said', () => {
    expect(codes(300, living('a', 'yellow-tang', 1))).toMatchObject({ barred: 0 });
    expect(codes(300, living('a', 'yellow-tang', 1)).codes).toContain('tooLargeForTank');
    expect(codes(60, living('a', 'yellow-tang', 1))).toMatchObject({ barred: 1 });
    expect(codes(1000, living('a', 'neon-goby', 1))).toEqual({ codes: [], barred: 0 });
  });
  test('who lives there already is met', () => {
    const there = { ...old, id: 'n', hasLid: true, size: { kind: 'volume' as const, volumeL: 1000 } };
    expect(codes(there, living('a', 'ocellaris-clownfish', 2))).toMatchObject({ barred: 0 });
    const met = codes(there, living('a', 'royal-gramma', 1), living('b', 'royal-gramma', 1, 'n'));
    expect(met).toEqual({ codes: ['tooManyOfKind'], barred: 1 });
  });
});

describe('what the log of the new tank says', () => {
  const asked = (h: History, days: number, more: Partial<Display> = {}) => {
    const doc = { ...h.doc, waters: { ...h.doc.waters, t: { ...(h.doc.waters.t as Display), ...more } } };
    const e = gatherEvidence(doc, 't', START_MS + days * DAY);
    if (!isOfDisplay(e)) throw new Error('no display');
    return targetOf(doc, e, UTC.dayOf(e.nowMs));
  };
  test('ammonia and nitrite of its newest tests, not of those before', () => {
    const proved = provedHistory();
    expect(asked(proved, 28).found).toEqual([]);
    const dosed = new History('zeroZero').test(1, { ammonia: 2, nitrite: 0 });
    expect(asked(dosed, 2).found).toEqual(['ammonia 2 mg/L NH₄']);
    expect(asked(dosed.test(3, { ammonia: 0, nitrite: 1 }), 4).found).toEqual(['nitrite 1 mg/L NO₂']);
  });
  test('a dose that nobody tested since is in it, whatever was read before', () => {
    const h = new History('zeroZero').test(1, { ammonia: 0, nitrite: 0 });
    expect(asked(h, 2).found).toEqual([]);
    expect(asked(h.dose(2, 2), 3).found).toEqual(['ammonia dosed and not tested since']);
    expect(asked(h.test(4, { ammonia: 0, nitrite: 0 }), 5).found).toEqual([]);
  });
  test('filled it keeps its water, with the filter that was proved in it; an empty glass is none', () => {
    expect(asked(provedHistory(), 28).standing?.carriesMgN).toBeGreaterThan(0);
    expect(asked(new History('zeroZero'), 1, { startDay: null }).standing).toBeNull();
  });
});

describe('once all are over', () => {
  const { doc: before } = provedHistory();
  const old = { ...(before.waters.t as Display), name: 'Old Reef' };
  const to: Display = { ...old, id: 'n', name: 'Great Reef' };
  const at = '2026-05-02T08:00:00.000Z';
  const animal = (id: string, place: Place, homeId = 't'): Animal => ({
    id,
    homeId,
    speciesId: 'neon-goby',
    count: 1,
    plannedDay: null,
    moves: [{ to: place, at, why: '' }],
  });
  const quarantine = (id: string, serves: string[]) => aQuarantine('fish', { id, serves });
  const doc: Document = {
    ...before,
    waters: {
      t: old,
      n: to,
      q: quarantine('q', ['t']),
      both: quarantine('both', ['t', 'n']),
      other: quarantine('other', ['n']),
    },
    animals: {
      there: animal('there', IN('t')),
      inQuarantine: animal('inQuarantine', IN('q')),
      wished: animal('wished', WISHED),
      dead: animal('dead', GONE('died')),
      others: animal('others', WISHED, 'n'),
    },
  };
  const told = (d: Document) => carriedOut(d, old, to, { at, id: 'rock' });

  test('rock and media are told of, and whoever was to come into the old tank is to come into the new one', () => {
    expect(told(doc)).toEqual([
      {
        put: 'events',
        entity: {
          id: 'rock',
          waterId: 'n',
          at,
          note: 'Of Old Reef',
          kind: 'bacteria',
          seed: 'oldTank',
          mL: null,
        },
      },
      { put: 'animals', entity: { ...doc.animals.inQuarantine, homeId: 'n' } },
      { put: 'animals', entity: { ...doc.animals.wished, homeId: 'n' } },
      { put: 'waters', entity: { ...doc.waters.q, serves: ['n'] } },
      { put: 'waters', entity: { ...doc.waters.both, serves: ['n'] } },
    ]);
  });

  test('but once', () => {
    const rock = {
      id: 'r',
      waterId: 'n',
      at,
      note: '',
      kind: 'bacteria',
      seed: 'oldTank',
      mL: null,
    } as const;
    expect(told({ ...doc, events: { ...doc.events, r: rock } })).toEqual(told(doc).slice(1));
  });
});
