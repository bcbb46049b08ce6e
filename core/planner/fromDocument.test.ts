/** The problem that a log poses: in which order its wishes are wanted, and what days away do to a stay. */
import { asWanted, IN, WISHED, type Animal, type Display, type Document, type Place } from '../document';
import { gatherEvidence, isOfDisplay } from '../evidence';
import { assessWater } from '../readiness';
import { aQuarantine } from '../testing/display';
import { DAY, provedHistory, START_MS } from '../testing/history';
import { addDays, UTC } from '../time';
import { plannedAnimals, problemFor } from './fromDocument';
import { stockingPlan } from '.';

const NOW = START_MS + 28.1 * DAY;
const TODAY = UTC.dayOf(NOW);

function askedOf(doc: Document, ...animals: readonly Animal[]) {
  doc.animals = Object.fromEntries(animals.map((a) => [a.id, a]));
  const e = gatherEvidence(doc, 't', NOW);
  if (!isOfDisplay(e)) throw new Error('no display');
  const planned = plannedAnimals(doc, e.water, e, UTC.dayOf);
  return {
    planned,
    problem: problemFor(doc, e.water, e, assessWater(doc, 't', NOW), planned, UTC.dayOf),
  };
}
const goby = (id: string, days: number, to: Place = WISHED, wish?: Animal['wish']): Animal => ({
  id,
  homeId: 't',
  speciesId: 'neon-goby',
  count: 1,
  plannedDay: null,
  moves: [{ to, at: new Date(NOW - days * DAY).toISOString(), why: '' }],
  ...(wish ? { wish } : {}),
});

test('whoever is in no order yet is wanted last; where nobody is, all alike, the first wished for first', () => {
  const asked = (...animals: Animal[]) => {
    const { planned, problem } = askedOf(provedHistory().doc, ...animals);
    const priorityOf = new Map(problem.wishes.map((w) => [w.id, w.priority]));
    return asWanted(planned.animals).map((a) => `${a.id}${priorityOf.get(a.id) ?? ''}`);
  };
  const later = goby('a', 1);
  const sooner = goby('b', 3);
  expect(asked(later, sooner)).toEqual(['b1', 'a1']);
  const first = goby('d', 1, WISHED, { priority: 1 });
  const second = goby('c', 2, WISHED, { priority: 2 });
  expect(asked(later, sooner, second, first)).toEqual(['d1', 'c2', 'b3', 'a3']);
});

test('a single meal far too large does not let the load grow by as much', () => {
  const snails: Animal = { ...goby('s', 200, IN('t')), speciesId: 'turban-snail', count: 4 };
  const asked = (grams: number) => {
    const h = provedHistory().event(28.05, { kind: 'food', food: 'pellets', grams });
    return askedOf(h.doc, snails, goby('a', 1)).problem.displayLoadMgN;
  };
  expect(asked(5)).toBe(asked(0.001));
});

describe('days away in a stay that has begun', () => {
  const releasedOn = (from: number | null, until: number, filter: 'cycled' | 'uncycled') => {
    const { doc } = provedHistory();
    doc.waters.q = aQuarantine('fish', { id: 'q', size: { kind: 'volume', volumeL: 60 }, filter });
    if (from !== null)
      doc.events.away = {
        id: 'away',
        waterId: 't',
        kind: 'away',
        at: new Date(NOW + from * DAY).toISOString(),
        until: new Date(NOW + until * DAY).toISOString(),
        note: '',
      };
    const { problem } = askedOf(doc, goby('a', 0, IN('q')));
    return stockingPlan(problem, () => true).steps[0]?.releaseDay;
  };
  const free = addDays(TODAY, 28);
  test('do not count where it has a filter, be they begun already', () => {
    expect(releasedOn(null, 0, 'cycled')).toBe(free);
    expect(releasedOn(5, 8, 'cycled')).toBe(addDays(free, 4));
    expect(releasedOn(-3, 3, 'cycled')).toBe(addDays(free, 4));
  });
});

test('fewer looks a week lengthen a stay that has begun, too; who came today may still be joined', () => {
  const releasedOn = (looksAWeek: number) => {
    const { doc } = provedHistory();
    const stocking = { which: 'likely' as const, shopDays: [], budget: null, looksAWeek, direct: null };
    doc.waters.t = { ...(doc.waters.t as Display), stocking };
    doc.waters.q = aQuarantine('fish', { id: 'q', size: { kind: 'volume', volumeL: 60 } });
    const { problem } = askedOf(
      doc,
      { ...goby('z', 20, IN('t')), speciesId: 'tailspot-blenny' },
      goby('a', 0, IN('q')),
      { ...goby('b', 0), speciesId: 'clown-goby' },
    );
    const { steps } = stockingPlan(problem, () => true);
    return steps.map((s) => [s.buyDay, s.releaseDay]);
  };
  expect(releasedOn(7)).toEqual(Array(2).fill([TODAY, addDays(TODAY, 28)]));
  expect(releasedOn(4)).toEqual(Array(2).fill([TODAY, addDays(TODAY, 49)]));
});
