/** The clock as the document has it: who joined, who was lost, which looks are its own, what hides signs. */
import {
  emptyDocument,
  GONE,
  IN,
  WISHED,
  type Animal,
  type Look,
  type Place,
  type Quarantine,
  type Treatment,
} from '../document';
import { addDays } from '../time';
import { clockOf, everHeldCopper, quarantineJoinDays, quarantineLossDays } from './index';

const START = '2026-03-20';
const day = (offset: number): string => addDays(START, offset);
const look = (offset: number, result: Look['result'] = 'clear'): Look => ({
  id: `l${offset}${result}`,
  waterId: 'q',
  day: day(offset),
  result,
  signs: result === 'sign' ? ['spots'] : [],
  note: '',
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
  test('a group that is split counts once, and one that comes back joins again', () => {
    const back = animal([IN('q'), '2026-03-05'], [IN('t'), '2026-03-20'], [IN('q'), '2026-03-25']);
    expect(quarantineJoinDays(open, [back], dayOf)).toEqual(['2026-03-05', '2026-03-25']);
    const stayed = animal([IN('q'), '2026-03-05'], [IN('q'), '2026-03-09']);
    expect(quarantineJoinDays(open, [stayed], dayOf)).toEqual(['2026-03-05']);
  });
  test('deaths and missing animals are losses; who was given back or lives elsewhere is none', () => {
    const gone = (reason: Parameters<typeof GONE>[0], day: string, from = 'q') =>
      animal([IN(from), '2026-03-04'], [GONE(reason), day]);
    const animals = [
      gone('died', '2026-03-08'),
      gone('missing', '2026-03-09'),
      gone('returned', '2026-03-10'),
      gone('rehomed', '2026-03-11'),
      gone('died', '2026-03-12', 'other'),
    ];
    expect(quarantineLossDays(open, animals, dayOf)).toEqual(['2026-03-08', '2026-03-09']);
  });
  test('the clock of a document counts the looks of this quarantine, and stands where it was closed', () => {
    const doc = {
      ...emptyDocument(),
      waters: { q: quarantine({ openedDay: '2026-03-01', closedDay: '2026-03-24' }) },
      animals: { a: animal([IN('q'), START]) },
      looks: {
        mine: look(2, 'sign'),
        theirs: { ...look(3, 'sign'), waterId: 'other' },
        later: look(3, 'healed'),
      },
    };
    const at = (ms: number) => clockOf(doc, doc.waters.q, ms, dayOf);
    expect(at(Date.parse('2026-06-01T12:00:00Z'))).toMatchObject({ status: 'running', clockDay: 1 });
    const inUse = { ...doc, waters: { q: open } };
    expect(clockOf(inUse, open, Date.parse('2026-03-22T12:00:00Z'), dayOf).status).toBe('signPresent');
  });
  const treatment = (more: Partial<Treatment>): Treatment => ({
    id: 'm',
    waterId: 'q',
    product: 'Pond blue',
    says: 'as the label has it',
    holds: 'other',
    hides: [],
    startDay: day(2),
    endDay: day(4),
    per: null,
    given: [],
    filtersOff: false,
    filtersOnAt: null,
    ...more,
  });
  const treated = (more: Partial<Treatment>, quarantine = open) => ({
    ...emptyDocument(),
    waters: { q: quarantine },
    animals: { a: animal([IN('q'), START]) },
    looks: Object.fromEntries(Array.from({ length: 8 }, (_, i) => [`l${i}`, look(i)])),
    treatments: { m: treatment(more) },
  });
  const clockDay = (doc: ReturnType<typeof treated>) =>
    clockOf(doc, doc.waters.q, Date.parse(`${day(7)}T12:00:00Z`), dayOf).clockDay;
  test('days under a treatment that may hide signs do not count; others do, unless the school leaves them out', () => {
    expect(clockDay(treated({ hides: ['signs'] }))).toBe(5);
    expect(clockDay(treated({ hides: ['ammonia'] }))).toBe(8);
    expect(clockDay(treated({}, { ...open, treatmentDaysCount: false }))).toBe(5);
    expect(clockDay(treated({ hides: ['signs'], endDay: null }))).toBe(2);
    expect(clockDay(treated({ hides: ['signs'], waterId: 'other' }))).toBe(8);
  });
  test('copper is remembered for life, of its own water alone', () => {
    expect(everHeldCopper(treated({ holds: 'copper' }), 'q')).toBe(true);
    expect(everHeldCopper(treated({ holds: 'copper' }), 't')).toBe(false);
    expect(everHeldCopper(treated({ holds: 'antibiotic' }), 'q')).toBe(false);
  });
});
