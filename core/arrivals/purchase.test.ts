import { addDays } from '../time';
import type { Animal, Edit, Purchase, Water } from '../document';
import { editsToBuy, stagesOf, type Risk } from '.';

const display = { id: 't', kind: 'display', name: 'North Window' } as Water;
const quarantine = { id: 'q', kind: 'quarantine', name: 'Spare tank' } as Water;
const PURCHASE: Omit<Purchase, 'animalIds'> = {
  id: 'p',
  waterId: 't',
  at: '2026-03-20T16:00:00.000Z',
  from: 'shop',
  fromWhom: '',
  price: 40,
  quarantinedDays: 14,
  treatedWith: 'said to be copper, two weeks',
  bag: { ph: 7.1, hours: 2 },
  note: '',
};
const EARLY: Risk = { code: 'riskNoQuarantine' };
const buy = (to: Water, risks: Risk[], why = '') =>
  editsToBuy([{ animalId: 'a', speciesId: 'royal-gramma', count: 2, to, risks }], PURCHASE, why);
const animal = (edits: readonly Edit[]) => (edits[0] as { entity: Animal }).entity;

test('several kinds in one act, what was said of them kept as it was said', () => {
  const edits = editsToBuy(
    ['royal-gramma', 'turban-snail', 'toadstool-leather', 'neon-goby'].map((speciesId, i) => ({
      animalId: `a${i}`,
      speciesId,
      count: i + 1,
      to: quarantine,
      risks: [],
    })),
    PURCHASE,
    '',
  );
  expect(edits).toHaveLength(5);
  expect(edits[4]).toMatchObject({
    put: 'purchases',
    entity: {
      animalIds: ['a0', 'a1', 'a2', 'a3'],
      treatedWith: 'said to be copper, two weeks',
      quarantinedDays: 14,
    },
  });
  // It belongs to the display it is meant for, and is in the quarantine.
  expect(animal(edits)).toMatchObject({ homeId: 't', moves: [{ to: { kind: 'water', waterId: 'q' } }] });
});
test('into a display against the guard only with a reason, kept with it; into copper never', () => {
  expect(() => buy(display, [EARLY])).toThrow('"why"');
  expect(() => buy(display, [EARLY], '  ')).toThrow('"why"');
  expect(animal(buy(display, [EARLY], 'no other water today')).moves[0]).toMatchObject({
    why: 'no other water today',
    against: ['riskNoQuarantine'],
  });
  expect(animal(buy(display, [])).moves[0]).toEqual({
    to: { kind: 'water', waterId: 't' },
    at: PURCHASE.at,
    why: '',
  });
  expect(() => buy(quarantine, [{ code: 'riskCopper', name: 'Spare tank' }], 'all the same')).toThrow(
    'copper',
  );
});

test('a wish that is met is the animal now; one that is met in part goes on', () => {
  const wish: Animal = {
    id: 'w',
    homeId: 't',
    speciesId: 'royal-gramma',
    count: 2,
    moves: [{ to: { kind: 'wish' }, at: '2026-03-01T10:00:00.000Z', why: '' }],
    plannedDay: '2026-03-22',
  };
  const of = (count: number) =>
    editsToBuy(
      [{ animalId: 'a', speciesId: 'royal-gramma', count, to: quarantine, risks: [], wish }],
      PURCHASE,
      '',
    ).flatMap((e) => ('put' in e && e.put === 'animals' ? [e.entity as Animal] : []));
  expect(of(2)).toMatchObject([
    { id: 'w', count: 2, plannedDay: null, moves: [{}, { to: { waterId: 'q' } }] },
  ]);
  expect(of(1)).toMatchObject([
    { id: 'a', count: 1, moves: [{ to: { waterId: 'q' } }] },
    { id: 'w', count: 1, plannedDay: '2026-03-22' },
  ]);
});

describe('the walk from purchase to month one', () => {
  const o = {
    displayIds: new Set(['t']),
    release: '2026-04-17',
    today: '2026-03-25',
    dayOfMs: (ms: number) => new Date(ms).toISOString().slice(0, 10),
    addDays,
  };
  const whole = { ...PURCHASE, animalIds: ['a'] };
  const stages = (a: Animal, more = {}) => stagesOf(a, whole, { ...o, ...more });
  test('in quarantine: bought is done, the release is foretold, the month cannot be yet', () => {
    expect(stages(animal(buy(quarantine, [])))).toEqual([
      { id: 'bought', done: true, day: '2026-03-20' },
      { id: 'inspected', done: false, day: null },
      { id: 'quarantined', done: false, day: '2026-04-17' },
      { id: 'released', done: false, day: '2026-04-17' },
      { id: 'monthOne', done: false, day: null },
    ]);
  });
  test('in the display since: the month counts from there', () => {
    const a = animal(buy(quarantine, []));
    const released: Animal = {
      ...a,
      inspection: { day: '2026-03-20', sound: 2, setAside: 0 },
      moves: [...a.moves, { to: { kind: 'water', waterId: 't' }, at: '2026-04-17T10:00:00.000Z', why: '' }],
    };
    expect(stages(released, { today: '2026-05-17' })).toEqual([
      { id: 'bought', done: true, day: '2026-03-20' },
      { id: 'inspected', done: true, day: '2026-03-20' },
      { id: 'quarantined', done: true, day: '2026-04-17' },
      { id: 'released', done: true, day: '2026-04-17' },
      { id: 'monthOne', done: true, day: '2026-05-17' },
    ]);
    expect(stages(released, { today: '2026-05-16' })[4]).toMatchObject({ done: false, day: '2026-05-17' });
  });
  test('straight into the display there was no quarantine to pass', () =>
    expect(stages(animal(buy(display, []))).map((s) => s.id)).toEqual([
      'bought',
      'inspected',
      'released',
      'monthOne',
    ]));
});
