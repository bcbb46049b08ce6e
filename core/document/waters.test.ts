/** Waters in their order and their times in use; animals moved, split and lost; what goes when a water goes. */
import fc from 'fast-check';
import { documents } from '../testing/arbitraries';
import { brokenReferences } from './checks';
import {
  applyChanges,
  changesOf,
  closedOn,
  emptyDocument,
  GONE,
  IN,
  inOrder,
  isComing,
  isOpen,
  lostFrom,
  moved,
  openedOn,
  placeOf,
  quarantinesOf,
  split,
  WISHED,
  type Animal,
  type Document,
  type Quarantine,
  type Water,
} from './index';
import { editsToRemoveWater } from './removal';

const size = { kind: 'volume' as const, volumeL: 60 };
const base = { startDay: '2026-01-01', size, sumpL: 0, rockKg: 0, sandKg: 0, hasLid: true };
const display = (id: string, startDay: string | null = '2026-01-01'): Water => ({
  ...base,
  id,
  name: id,
  startDay,
  kind: 'display',
  ammoniaSource: 'bottled',
  bacteriaSources: [],
  school: 'proof24',
});
const quarantine = (id: string, serves: string[], closedDay: string | null = null): Quarantine => ({
  ...base,
  id,
  name: id,
  kind: 'quarantine',
  line: 'fish',
  filter: 'cycled',
  clockDays: 28,
  serves,
  runs: [{ openedDay: '2026-01-01', closedDay }],
});
const at = (day: number): string => `2026-02-${String(day).padStart(2, '0')}T12:00:00.000Z`;
const animal = (id: string, homeId: string, ...to: Animal['moves'][number]['to'][]): Animal => ({
  id,
  homeId,
  speciesId: 'neon-goby',
  count: 3,
  moves: to.map((place, i) => ({ to: place, at: at(i + 1), why: '' })),
  plannedDay: null,
});
const by = <T extends { id: string }>(...list: T[]): Record<string, T> =>
  Object.fromEntries(list.map((e) => [e.id, e]));

test('displays stand first, then what serves them, what is out of use last; each by its start, the unfilled behind', () => {
  const waters: Water[] = [
    { ...base, id: 'bin', name: 'bin', kind: 'mixing' },
    quarantine('old', [], '2026-01-09'),
    quarantine('q', []),
    display('dry', null),
    display('b', '2026-02-01'),
    display('a', '2026-02-01'),
    display('first'),
  ];
  expect(inOrder(waters).map((w) => w.id)).toEqual(['first', 'a', 'b', 'dry', 'q', 'bin', 'old']);
});

test('a quarantine is closed and opened again; its past stands', () => {
  const closed = closedOn(quarantine('q', []), '2026-01-20');
  expect(isOpen(closed)).toBe(false);
  expect(() => closedOn(closed, '2026-01-21')).toThrow('closed already');
  const again = openedOn(closed, '2026-03-01');
  expect(again.runs).toEqual([
    { openedDay: '2026-01-01', closedDay: '2026-01-20' },
    { openedDay: '2026-03-01', closedDay: null },
  ]);
  expect(() => openedOn(again, '2026-03-02')).toThrow('open already');
  // A clock that was set back makes no run that ends before it begins.
  expect(closedOn(again, '2026-02-01').runs[1]).toEqual({ openedDay: '2026-03-01', closedDay: '2026-03-01' });
});

test('a move ends a plan once it is kept or void, and never stands before the one it follows', () => {
  const wished = { ...animal('a', 'home', WISHED), plannedDay: '2026-03-01' };
  expect(moved(wished, IN('q'), at(2)).plannedDay).toBe('2026-03-01');
  expect(moved(wished, IN('home'), at(2)).plannedDay).toBeNull();
  expect(moved(wished, GONE('died'), at(2)).plannedDay).toBeNull();
  expect(moved(wished, IN('q'), '2026-01-01T00:00:00.000Z').moves.map((m) => m.at)).toEqual([at(1), at(1)]);
  expect([isComing(wished), isComing(moved(wished, IN('q'), at(2)))]).toEqual([true, true]);
  expect(isComing(moved(wished, IN('home'), at(2)))).toBe(false);
  expect(isComing(moved(wished, GONE('died'), at(2)))).toBe(false);
});
test('a loss is told of the water it was in; nothing is lost from the wish list', () => {
  expect(lostFrom(animal('a', 'home', WISHED, IN('q'), GONE('eaten')))).toEqual({
    waterId: 'q',
    at: at(3),
    reason: 'eaten',
  });
  expect(lostFrom(animal('a', 'home', WISHED, GONE('notSaid')))).toBeNull();
  expect(lostFrom(animal('a', 'home', IN('home')))).toBeNull();
});
test('a split group goes on with its history in both parts, and no animal is made or lost', () => {
  const group = animal('a', 'home', WISHED, IN('home'));
  const { stay, go } = split(group, 1, 'b');
  expect([stay.count, go.count, go.splitFrom]).toEqual([2, 1, 'a']);
  expect([stay.moves, go.moves]).toEqual([group.moves, group.moves]);
  for (const bad of [0, 3, 1.5]) expect(() => split(group, bad, 'b')).toThrow('from 1 to 2');
});

describe('what goes with a water', () => {
  const doc: Document = {
    ...emptyDocument(),
    waters: by<Water>(
      display('one'),
      display('two'),
      quarantine('ours', ['one', 'two']),
      quarantine('mine', ['one']),
    ),
    animals: by(
      animal('resident', 'one', WISHED, IN('one')),
      animal('moved', 'two', IN('one'), IN('two')),
      animal('guest', 'two', IN('mine')),
      animal('watched', 'one', WISHED, IN('ours')),
    ),
    looks: by(
      { id: 'l', waterId: 'mine', day: '2026-02-02', result: 'clear', signs: [], note: '' },
      { id: 'k', waterId: 'ours', day: '2026-02-02', result: 'clear', signs: [], note: '' },
    ),
  };
  const after = (waterId: string) => applyChanges(doc, changesOf(doc, editsToRemoveWater(doc, waterId)));
  test('with a display: its animals, and the quarantine that served it alone', () => {
    const left = after('one');
    expect(Object.keys(left.waters)).toEqual(['two', 'ours']);
    expect(left.waters.ours).toMatchObject({ serves: ['two'] });
    expect(Object.keys(left.looks)).toEqual(['k']);
    expect(Object.keys(left.animals)).toEqual(['moved', 'guest']);
    expect(left.animals.moved?.moves.map((m) => m.to)).toEqual([IN('two')]);
    // Its only water is gone: it is wished for again, not forgotten.
    expect(placeOf(left.animals.guest!)).toEqual(WISHED);
  });
  test('with a quarantine nobody goes', () => {
    const left = after('ours');
    expect(Object.keys(left.animals)).toHaveLength(4);
    expect(left.animals.watched?.moves.map((m) => m.to)).toEqual([WISHED]);
    expect(quarantinesOf(left, 'one').map((q) => q.id)).toEqual(['mine']);
  });
  test('nothing is left that refers to it, whatever the document', () => {
    fc.assert(
      fc.property(documents, fc.nat(), (any, n) => {
        const ids = Object.keys(any.waters);
        const id = ids[n % ids.length] ?? '';
        const left = applyChanges(any, changesOf(any, editsToRemoveWater(any, id)));
        expect(brokenReferences(left)).toEqual([]);
        expect(left.waters[id]).toBeUndefined();
      }),
      { seed: 44, numRuns: 60 },
    );
  });
});
