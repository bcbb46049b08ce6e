/** The problem that a log poses: in which order its wishes are wanted, and what days away do to a stay. */
import { asWanted, IN, WISHED, type Animal, type Display, type Document, type Place } from '../document';
import { gatherEvidence, isOfDisplay } from '../evidence';
import { assessWater } from '../readiness';
import { aQuarantine } from '../testing/display';
import { DAY, provedHistory, START_MS } from '../testing/history';
import { addDays, dayNumber, UTC } from '../time';
import { plannedAnimals, problemFor } from './fromDocument';
import { firstStepOn } from './problem';
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

test('after days away a stay goes on for as long as its clock wants it unbroken', () => {
  const { doc } = provedHistory();
  doc.waters.q = aQuarantine('fish', { id: 'q', size: { kind: 'volume', volumeL: 60 } });
  const times = { at: new Date(NOW + 20 * DAY).toISOString(), until: new Date(NOW + 26 * DAY).toISOString() };
  doc.events.away = { id: 'away', waterId: 't', kind: 'away', ...times, note: '' };
  const { problem } = askedOf(doc, goby('a', 0, IN('q')));
  expect(problem.quarantines[0]?.unbrokenDays).toBe(7);
  const [step] = stockingPlan(problem, () => true).steps;
  // Seven of its days do not count, and the clock is full on day 35; a week after the last of them it is day 34.
  expect(step?.releaseDay).toBe(addDays(TODAY, 35));
  const late = {
    ...times,
    at: new Date(NOW + 26 * DAY).toISOString(),
    until: new Date(NOW + 28 * DAY).toISOString(),
  };
  doc.events.away = { id: 'away', waterId: 't', kind: 'away', ...late, note: '' };
  const [later] = stockingPlan(askedOf(doc, goby('a', 0, IN('q'))).problem, () => true).steps;
  expect(later?.releaseDay).toBe(addDays(TODAY, 36));
});

describe('the day of corals', () => {
  const coral = (id: string, to: Place = WISHED, days = 1): Animal => ({
    ...goby(id, days, to),
    speciesId: 'zoanthid',
  });
  /** Days from the day of the history, as of some days later. */
  const gateOn = (
    later: number,
    more: readonly Animal[] = [],
    school: 'proof24' | 'coralsFirst' = 'proof24',
  ) => {
    const h = provedHistory(school);
    for (let day = 30; day <= 28 + later; day += 2) h.water(day, { ammonia: 0, nitrite: 0, nitrate: 10 });
    const { doc } = h;
    doc.animals = Object.fromEntries([coral('k'), ...more].map((a) => [a.id, a]));
    const nowMs = NOW + later * DAY;
    const e = gatherEvidence(doc, 't', nowMs);
    if (!isOfDisplay(e)) throw new Error('no display');
    const planned = plannedAnimals(doc, e.water, e, UTC.dayOf);
    const { coralGate } = problemFor(doc, e.water, e, assessWater(doc, 't', nowMs), planned, UTC.dayOf);
    return coralGate === null ? null : coralGate - dayNumber(TODAY);
  };
  test('stands: a fortnight after the water was clear, and from then on open', () => {
    const day = gateOn(0)!;
    expect(day).toBeGreaterThan(5);
    expect(day).toBeLessThanOrEqual(14);
    expect(gateOn(4)).toBe(day);
    expect(gateOn(day + 4)).toBe(day + 4);
  });
  test('a fortnight after a first piece too', () => {
    expect(gateOn(20, [coral('p', IN('t'), -18)])).toBe(18 + 14);
    expect(gateOn(40, [coral('p', IN('t'), -18)])).toBe(40);
  });
});

test('corals and cleaners without a quarantine are let in on the day they are bought', () => {
  const { doc } = provedHistory();
  const stocking = {
    which: 'likely' as const,
    shopDays: [],
    budget: 30,
    looksAWeek: 7,
    direct: 'from a friend',
  };
  doc.waters.t = { ...(doc.waters.t as Display), stocking };
  const dear = (id: string, price: number): Animal => ({
    ...goby(id, 1, WISHED, { price }),
    speciesId: 'zoanthid',
  });
  const { problem } = askedOf(doc, dear('a', 20), dear('b', 20));
  const { steps } = stockingPlan(problem, () => true);
  expect(steps).toHaveLength(2);
  for (const s of steps) expect(s.buyDay).toBe(s.releaseDay);
});

test('whoever is wished for brings as much as by its release, and what starves carries less by then', () => {
  const { doc } = provedHistory();
  doc.waters.q = aQuarantine('fish', { id: 'q', size: { kind: 'volume', volumeL: 60 } });
  const cardinals: Animal = { ...goby('a', 1), speciesId: 'banggai-cardinalfish' };
  const { problem } = askedOf(doc, cardinals);
  const bought = askedOf(doc, {
    ...cardinals,
    moves: [{ to: IN('q'), at: new Date(NOW).toISOString(), why: '' }],
  });
  expect(problem.wishes[0]?.loadMgN).toBeCloseTo(bought.problem.wishes[0]?.loadMgN ?? 0, 2);
  const day = (n: number) => firstStepOn(problem, dayNumber(TODAY) + n);
  // As proved until its release, in four weeks, with a fortnight unfed; then nearer to half of it.
  expect(problem.fades).toMatchObject({ from: dayNumber(TODAY) + 28, perDay: 0.05 });
  expect(day(28)).toBeCloseTo(Math.min(day(0), problem.fades!.ofMgN), 6);
  expect(day(60)).toBeLessThan(day(28) + 1e-9);
  expect(day(400)).toBeCloseTo(day(0) / 2, 2);
});

test('the plan of a day before is handed over, that of today is not', () => {
  const { doc } = provedHistory();
  doc.waters.q = aQuarantine('fish', { id: 'q', size: { kind: 'volume', volumeL: 60 } });
  const said = (id: string, at: number, release: number) => ({
    id,
    waterId: 't',
    at: new Date(NOW + at * DAY).toISOString(),
    which: 'likely' as const,
    gate: null,
    coralGate: null,
    steps: [{ animalId: 'a', buyDay: addDays(TODAY, 3), releaseDay: addDays(TODAY, release) }],
    leftOut: [],
    away: [],
  });
  doc.plans = { one: said('one', -2, 40), two: said('two', -1, 41), three: said('three', 0, 42) };
  expect(askedOf(doc, goby('a', 1)).problem.told).toEqual([
    { wish: 0, buy: dayNumber(TODAY) + 3, release: dayNumber(TODAY) + 41 },
  ]);
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

describe('fewer looks a week than seven, as the days go by', () => {
  /** Who came so many days ago and was seen on so many of the days since, with the day its purchase was reckoned back to when the plan was told. */
  const releasedIn = (
    seen: readonly number[],
    toldBuy: number | null,
    away: [number, number] | null = null,
    came = 13,
  ) => {
    const { doc } = provedHistory();
    const stocking = { which: 'likely' as const, shopDays: [], budget: null, looksAWeek: 5, direct: null };
    doc.waters.t = { ...(doc.waters.t as Display), stocking };
    doc.waters.q = aQuarantine('fish', { id: 'q', size: { kind: 'volume', volumeL: 60 } });
    const looks = seen.map((d) => ({
      id: `l${d}`,
      waterId: 'q',
      day: addDays(TODAY, d),
      result: 'clear' as const,
      signs: [],
      note: '',
    }));
    doc.looks = Object.fromEntries(looks.map((l) => [l.id, l]));
    if (toldBuy !== null)
      doc.plans = {
        p: {
          id: 'p',
          waterId: 't',
          at: new Date(NOW - 3 * DAY).toISOString(),
          which: 'likely',
          gate: null,
          coralGate: null,
          steps: [
            { animalId: 'a', buyDay: addDays(TODAY, toldBuy), releaseDay: addDays(TODAY, toldBuy + 40) },
          ],
          leftOut: [],
          away: away ? [[addDays(TODAY, away[0]), addDays(TODAY, away[1])]] : [],
        },
      };
    const { problem } = askedOf(doc, goby('a', came, IN('q')));
    return (problem.fixed[0]?.buy ?? NaN) + 40 - dayNumber(TODAY);
  };
  const days = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);
  const two = days(-12, -1).filter((d) => d % 7 !== 0 && d % 7 !== -1);
  const none = releasedIn(two, null);

  test('what was told stays while no more looks are missing, or made besides, than a week may lack', () => {
    expect(none).toBeGreaterThan(20);
    for (const by of [-2, -1, 0, 1, 2]) expect(releasedIn(two, none - 40 + by)).toBe(none + by);
    expect(releasedIn(two, none - 40 + 3)).toBe(none);
    expect(releasedIn(two, none - 40 - 3)).toBe(none);
  });
  test('in its last days, seen on each, nothing is added any more, and nobody is let in before the clock is over', () => {
    const seen = days(-25, -1);
    const left = releasedIn(seen, null, null, 25);
    expect(left).toBe(3);
    expect(releasedIn(seen, left - 40 - 2, null, 25)).toBe(left);
    expect(releasedIn(seen, left - 40 + 2, null, 25)).toBe(left + 2);
  });
  test('the days of an absence that were left out of it have passed', () => {
    expect(releasedIn(two, none - 40 - 4, [-3, -1])).toBe(none - 1);
    expect(releasedIn(two, none - 40 - 4)).toBe(none);
  });
});

test('after the first load of all the plan lets a week pass, however long ago that was', () => {
  const settles = (days: number, speciesId = 'tailspot-blenny') =>
    askedOf(provedHistory().doc, { ...goby('z', days, IN('t')), speciesId }, goby('a', 1)).problem
      .firstSettleDays;
  expect(settles(20)).toBe(14);
  expect(settles(31)).toBe(7);
  // Two snails are no load to settle.
  expect(settles(31, 'nerite-snail')).toBe(14);
});
