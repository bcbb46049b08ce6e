/** A glass whose animals, rock and media went into another lets nobody in, whatever its gates were. */
import { agendaOf } from '../agenda';
import { IN, type Display, type Document, type School } from '../document';
import { gatherEvidence, proofState } from '../evidence';
import { provedCapacity } from '../stocking';
import { DAY, provedHistory, START_MS } from '../testing/history';
import { UTC } from '../time';
import { assessWater, unfedFilter } from '.';

const ms = (day: number) => START_MS + day * DAY;
const iso = (day: number) => new Date(ms(day)).toISOString();

/** Proved on day 28, snails since day 29, moved on day 40 into another tank. @param told when that is told to have taken in a whole old tank */
function moved(school: School, told: number | null, back = false): Document {
  const { doc } = provedHistory(school).animal(29, 'turban-snail', 3);
  const [snails] = Object.values(doc.animals);
  if (!snails) throw new Error('no snails');
  const moves = [...snails.moves, { to: IN('n'), at: iso(40), why: '' }];
  if (back) moves.push({ to: IN('t'), at: iso(41), why: '' });
  const rock = { id: 'rock', waterId: 'n', at: iso(told ?? 0), note: '' };
  return {
    ...doc,
    waters: { ...doc.waters, n: { ...(doc.waters.t as Display), id: 'n', name: 'Great Reef' } },
    animals: { ...doc.animals, [snails.id]: { ...snails, moves } },
    events:
      told === null
        ? doc.events
        : { ...doc.events, rock: { ...rock, kind: 'bacteria', seed: 'oldTank', mL: null } },
  };
}

const gone = {
  word: 'wait',
  reason: { code: 'filterMoved', atMs: ms(40), into: 'Great Reef' },
  opens: { code: 'enterItAnew' },
};

test.each(['proof24', 'zeroZero', 'firstFish', 'coralsFirst'] as const)('%s', (school) => {
  const doc = moved(school, 40);
  const now = assessWater(doc, 't', ms(42));
  expect(now).toMatchObject({ fish: gone, crew: gone, coral: gone, others: gone, alarms: [], due: [] });
  expect(now.gates.filter((g) => g.status === 'here').map((g) => g.finding)).toEqual([gone.reason]);
  const e = gatherEvidence(doc, 't', ms(42));
  expect(e.emptied).toEqual({ atMs: ms(40), intoId: 'n', into: 'Great Reef' });
  expect([proofState(e).status, provedCapacity(e), unfedFilter(e, now.gates)]).toEqual(['none', null, null]);
  // Not before that day, and not of the tank they went into.
  expect(gatherEvidence(doc, 't', ms(39)).emptied).toBeNull();
  expect(assessWater(doc, 't', ms(39)).fish.reason.code).not.toBe('filterMoved');
  expect(gatherEvidence(doc, 'n', ms(42)).emptied).toBeNull();
});

test('told some days before or after it is the same move; told long before, or not at all, the rock stayed', () => {
  const emptied = (doc: Document) => gatherEvidence(doc, 't', ms(60)).emptied;
  expect(emptied(moved('proof24', 33))).not.toBeNull();
  expect(emptied(moved('proof24', 47))).not.toBeNull();
  expect(emptied(moved('proof24', 32.9))).toBeNull();
  expect(emptied(moved('proof24', 47.1))).toBeNull();
  expect(emptied(moved('proof24', null))).toBeNull();
  // What is logged for later does not count yet.
  expect(gatherEvidence(moved('proof24', 47), 't', ms(42)).emptied).toBeNull();
});

test('no test of it is planned ahead', () => {
  const planned = (doc: Document) =>
    agendaOf(
      doc,
      {
        nowMs: ms(42),
        local: UTC,
        evidenceOf: (id) => gatherEvidence(doc, id, ms(42)),
        assessmentOf: (id) => assessWater(doc, id, ms(42)),
      },
      '2100-01-01',
    ).filter((i) => i.waterId === 't' && (i.says.code === 'tests' || i.says.code === 'testsAhead'));
  expect(planned(moved('proof24', 40))).toEqual([]);
  expect(planned(moved('proof24', null))).not.toEqual([]);
});

test('somebody lives in it again: judged as ever', () => {
  const doc = moved('proof24', 40, true);
  expect(gatherEvidence(doc, 't', ms(42)).emptied).toBeNull();
  expect(assessWater(doc, 't', ms(42)).living).not.toBeNull();
});

test('a proof given since counts', () => {
  const doc = moved('proof24', 40);
  const events = {
    ...doc.events,
    again: {
      id: 'again',
      waterId: 't',
      at: iso(50),
      note: '',
      kind: 'ammoniaDose' as const,
      mgN: 200,
      mL: null,
    },
  };
  const e = gatherEvidence({ ...doc, events }, 't', ms(50.5));
  expect(proofState(e)).toMatchObject({ status: 'running', doseAtMs: ms(50), before: null });
});
