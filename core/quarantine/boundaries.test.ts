/** Each threshold of the clock, just under and just over, and every field of what it says. */
import { emptyDocument, IN, WISHED, type Animal, type Look, type Place, type Quarantine } from '../document';
import { addDays } from '../time';
import { clockOf, quarantineClock, quarantineJoinDays } from './index';

const START = '2026-03-20';
const day = (offset: number): string => addDays(START, offset);
const look = (offset: number, result: 'clear' | 'sign' = 'clear', note = ''): Look => ({
  id: `l${offset}${result}`,
  waterId: 'q',
  day: day(offset),
  result,
  signs: result === 'sign' ? ['spots'] : [],
  note,
});
const clear = (from: number, to: number): Look[] =>
  Array.from({ length: to - from + 1 }, (_, i) => look(from + i));
const run = (looks: Look[], today: number, joins = [START], days = 28) =>
  quarantineClock(joins, looks, days, day(today));
const kinds = (clock: ReturnType<typeof run>) => clock.strings.map((s) => s.beads.map((b) => b.kind));

test('nothing joined yet: nothing is said to have happened', () => {
  const nothing = {
    status: 'empty',
    strings: [],
    clockDay: 0,
    clockDays: 28,
    addedDays: 0,
    releaseDay: null,
    lookedToday: false,
  };
  expect(run([look(0)], 3, [])).toEqual(nothing);
  expect(run([look(0)], 3, [day(4)])).toEqual(nothing);
});

test('the first day without a look is pending, not missed; a look makes it clear', () => {
  expect(run([], 0).strings).toEqual([
    { beads: [{ day: START, kind: 'pending', today: true }], broken: null },
  ]);
  expect(run([look(0)], 0).strings[0]?.beads).toEqual([{ day: START, kind: 'clear', today: true }]);
  expect(run([], 0)).toMatchObject({ status: 'running', clockDay: 1, lookedToday: false });
});

test('only today is pending; a day before it without a look is missed', () => {
  expect(run([look(0)], 2).strings[0]?.beads).toEqual([
    { day: day(0), kind: 'clear', today: false },
    { day: day(1), kind: 'missed', today: false },
    { day: day(2), kind: 'pending', today: true },
  ]);
});

test('a sign ends the string on its own day, with what was seen', () => {
  const clock = run([look(0), look(1, 'sign', 'two dots')], 1);
  expect(clock).toEqual({
    status: 'signPresent',
    strings: [
      {
        beads: [
          { day: day(0), kind: 'clear', today: false },
          { day: day(1), kind: 'sign', today: true },
        ],
        broken: { day: day(1), by: 'sign', signs: ['spots'], note: 'two dots' },
      },
    ],
    clockDay: 0,
    clockDays: 28,
    addedDays: 0,
    releaseDay: null,
    lookedToday: true,
  });
  expect(run([look(0), look(1, 'sign')], 2).lookedToday).toBe(false);
});

test('a sign on the very first day is a string of its own; days of the same sign add none', () => {
  expect(kinds(run([look(0, 'sign')], 0))).toEqual([['sign']]);
  expect(kinds(run([look(0), look(1, 'sign'), look(2, 'sign')], 3))).toEqual([['clear', 'sign']]);
  expect(kinds(run([look(0), look(1, 'sign'), look(3)], 3))).toEqual([['clear', 'sign'], ['clear']]);
});

test('a second outbreak breaks a second string', () => {
  const clock = run([look(0), look(1, 'sign'), look(2), look(3, 'sign')], 3);
  expect(kinds(clock)).toEqual([
    ['clear', 'sign'],
    ['clear', 'sign'],
  ]);
});

describe('a newcomer', () => {
  test('breaks the string of those before it, whatever order the days come in', () => {
    const clock = run(clear(0, 6), 6, [day(4), START, day(4)]);
    expect(kinds(clock)).toEqual([Array(4).fill('clear'), Array(3).fill('clear')]);
    expect(clock.strings[0]?.broken).toEqual({ day: day(4), by: 'joined', signs: [], note: '' });
    expect(clock).toMatchObject({ clockDay: 3, releaseDay: day(4 + 28) });
  });
  test('that joins while a sign lasts breaks nothing more', () => {
    expect(kinds(run([look(0), look(1, 'sign')], 4, [START, day(3)]))).toEqual([['clear', 'sign']]);
  });
  test('of tomorrow changes nothing today', () => {
    expect(run(clear(0, 6), 6, [START, day(7)])).toEqual(run(clear(0, 6), 6));
  });
});

describe('release', () => {
  test.each([
    [27, 'running'],
    [28, 'complete'],
    [29, 'complete'],
  ] as const)('after %i days looked at every day: %s', (today, status) => {
    expect(run(clear(0, today), today).status).toBe(status);
  });
  test.each([
    ['today', [...clear(0, 26), look(28)], 'complete'],
    ['yesterday', clear(0, 27), 'complete'],
    ['neither day', clear(0, 26), 'running'],
    ['tomorrow only', [...clear(0, 26), look(29)], 'running'],
  ] as const)('on the day itself with the last look %s', (_when, looks, status) => {
    expect(run([...looks], 28).status).toBe(status);
  });
  test.each([
    [7, 0],
    [8, 1],
    [9, 2],
  ])('%i of 28 days missed add %i', (missed, added) => {
    // Missed days first, then a look every day up to the release.
    const clock = run([look(0), ...clear(missed + 1, 28 + added)], 28 + added);
    expect(clock).toMatchObject({ addedDays: added, releaseDay: day(28 + added), status: 'complete' });
    expect(run([look(0), ...clear(missed + 1, 27 + added)], 27 + added).status).toBe('running');
  });
  test('a shorter clock bears fewer missed days', () => {
    expect(run([look(0), ...clear(6, 10)], 10, [START], 16)).toMatchObject({ addedDays: 1, clockDays: 16 });
  });
});

describe('the days on which animals joined', () => {
  const quarantine = (...runs: Quarantine['runs']): Quarantine => ({
    id: 'q',
    name: 'Q',
    kind: 'quarantine',
    startDay: '2026-03-01',
    size: { kind: 'volume', volumeL: 60 },
    sumpL: 0,
    rockKg: 0,
    sandKg: 0,
    hasLid: true,
    line: 'fish',
    filter: 'cycled',
    clockDays: 28,
    serves: ['t'],
    runs,
  });
  const animal = (...moves: [Place, string][]): Animal => ({
    id: `a${moves[0]?.[1] ?? ''}`,
    homeId: 't',
    speciesId: 's',
    count: 1,
    moves: moves.map(([to, at]) => ({ to, at: `${at}T20:00:00.000Z`, why: '' })),
    plannedDay: null,
  });
  const dayOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);
  const open = quarantine({ openedDay: '2026-03-01', closedDay: null });
  test('are those of moves into it, also of animals that left since', () => {
    const animals = [
      animal([WISHED, '2026-03-02'], [IN('q'), '2026-03-05'], [IN('t'), '2026-04-05']),
      animal([IN('other'), '2026-03-09']),
      animal([IN('q'), '2026-03-11']),
    ];
    expect(quarantineJoinDays(open, animals, dayOf)).toEqual(['2026-03-05', '2026-03-11']);
  });
  test('none while nobody has joined', () => {
    expect(quarantineJoinDays(open, [animal([IN('other'), '2026-03-09'])], dayOf)).toEqual([]);
  });
  test('of the present time in use alone: what was before it was closed is past', () => {
    const again = quarantine(
      { openedDay: '2026-01-01', closedDay: '2026-02-20' },
      { openedDay: '2026-03-06', closedDay: null },
    );
    const animals = [
      animal([IN('q'), '2026-01-04'], [IN('t'), '2026-02-10']),
      animal([IN('q'), '2026-03-05']),
      animal([IN('q'), '2026-03-06']),
    ];
    expect(quarantineJoinDays(again, animals, dayOf)).toEqual(['2026-03-06']);
  });
  test('the clock of a document counts the looks of this quarantine, and stands where it was closed', () => {
    const doc = {
      ...emptyDocument(),
      waters: { q: quarantine({ openedDay: '2026-03-01', closedDay: '2026-03-24' }) },
      animals: { a: animal([IN('q'), START]) },
      looks: {
        mine: look(2, 'sign'),
        theirs: { ...look(3, 'sign'), waterId: 'other' },
        later: look(3),
      },
    };
    const at = (ms: number) => clockOf(doc, doc.waters.q, ms, dayOf);
    expect(at(Date.parse('2026-06-01T12:00:00Z'))).toMatchObject({ status: 'running', clockDay: 2 });
    const inUse = { ...doc, waters: { q: open } };
    expect(clockOf(inUse, open, Date.parse('2026-03-22T12:00:00Z'), dayOf).status).toBe('signPresent');
  });
});
