import { emptyDocument, IN, type Animal, type Quarantine, type Treatment } from '../document';
import { amountFor, asksOf, conflictsOf } from './index';

const Q: Quarantine = {
  id: 'q',
  name: 'Spare tank',
  kind: 'quarantine',
  startDay: '2026-03-01',
  size: { kind: 'volume', volumeL: 60 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  line: 'fish',
  filter: 'uncycled',
  clockDays: 28,
  serves: [],
  runs: [{ openedDay: '2026-03-01', closedDay: null }],
};
const T: Treatment = {
  id: 'm',
  waterId: 'q',
  product: 'Pond blue',
  says: 'as on the label',
  holds: 'other',
  hides: [],
  startDay: '2026-03-02',
  endDay: '2026-03-12',
  per: { amount: 5, unit: 'mL', litres: 40 },
  given: [{ at: '2026-03-02T12:00:00.000Z', amount: 7.5, note: '' }],
  filtersOff: true,
  filtersOnAt: null,
};
const animal = (speciesId: string): Animal => ({
  id: 'a',
  homeId: 't',
  speciesId,
  count: 1,
  moves: [{ to: IN('q'), at: '2026-03-01T12:00:00.000Z', why: '' }],
  plannedDay: null,
});
const doc = (speciesId = 'royal-gramma') => ({
  ...emptyDocument(),
  waters: { q: Q },
  animals: { a: animal(speciesId) },
});

test('the label’s amount is carried over to the water there is (by hand: 5 mL for 40 L, 7.5 for 60)', () => {
  expect(amountFor(T, 60)).toBeCloseTo(7.5, 9);
  expect(amountFor({ per: null }, 60)).toBeNull();
});

test('what speaks against it: copper, antibiotics, hidden ammonia', () => {
  const of = (t: Partial<Treatment>, q: Partial<Quarantine> = {}, speciesId?: string) =>
    conflictsOf(doc(speciesId), { ...Q, ...q }, { ...T, ...t });
  expect(of({})).toEqual([]);
  expect(of({ holds: 'copper' })).toEqual([]);
  expect(of({ holds: 'copper' }, {}, 'turban-snail')).toEqual(['copperWithInvertebrates']);
  expect(of({ holds: 'copper' }, { filter: 'cycled' })).toEqual(['copperWithMedia']);
  expect(of({ holds: 'copper' }, { rockKg: 3 })).toEqual(['copperWithMedia']);
  expect(of({ holds: 'antibiotic' }, { filter: 'cycled' })).toEqual(['antibioticWithFilter']);
  expect(of({ holds: 'antibiotic' })).toEqual([]);
  expect(of({ hides: ['ammonia'] })).toEqual(['ammoniaHidden']);
});

describe('what it asks for', () => {
  const change = (day: string, litres: number) => ({ atMs: Date.parse(`${day}T18:00:00Z`), litres });
  test('a change after the last amount asks about the share that went', () => {
    expect(
      asksOf(T, [change('2026-03-01', 30), change('2026-03-03', 20), change('2026-03-04', 10)], '2026-03-05'),
    ).toEqual([{ code: 'redose', litres: 30, amount: 3.75 }]);
    expect(asksOf(T, [change('2026-03-01', 30)], '2026-03-05')).toEqual([]);
    expect(asksOf({ ...T, given: [] }, [change('2026-03-03', 30)], '2026-03-05')).toEqual([]);
  });
  test('its last day, and the filters afterwards, until they are on again', () => {
    expect(asksOf(T, [], '2026-03-12')).toEqual([{ code: 'endDay' }]);
    expect(asksOf(T, [], '2026-03-13')).toEqual([{ code: 'filtersOn' }]);
    expect(asksOf({ ...T, filtersOnAt: '2026-03-13T08:00:00.000Z' }, [], '2026-03-14')).toEqual([]);
    expect(asksOf({ ...T, filtersOff: false }, [], '2026-03-14')).toEqual([]);
    // Over, no change asks for more.
    expect(asksOf({ ...T, filtersOff: false }, [change('2026-03-14', 30)], '2026-03-15')).toEqual([]);
  });
});
