/** A filter that is ready and has nobody to live on is to be fed, and says when its proof counts no more. */
import { agendaOf, type AgendaItem } from '../agenda';
import { WISHED, type Document } from '../document';
import { gatherEvidence } from '../evidence';
import { DAY, History, provedHistory, START_MS } from '../testing/history';
import { UTC } from '../time';
import { assessWater, unfedFilter } from '.';

const at = (day: number) => START_MS + day * DAY;
const quiet = { ammonia: 0, nitrite: 0, nitrate: 10 };
const unfed = (h: History, day: number) =>
  unfedFilter(gatherEvidence(h.doc, 't', at(day)), assessWater(h.doc, 't', at(day)).gates);
const alarm = (h: History, day: number) =>
  assessWater(h.doc, 't', at(day)).alarms.find((a) => a.code === 'filterUnfed');

test('from the proof on: to be fed in two weeks, worth nothing after three', () => {
  const proved = provedHistory().water(41, quiet);
  expect(unfed(proved, 30)).toEqual({
    fedMs: at(28),
    dueMs: at(42),
    holdsUntilMs: at(49),
    fadesMs: at(49),
  });
  expect(alarm(proved, 41.9)).toBeUndefined();
  expect(alarm(proved, 42.1)).toEqual({ code: 'filterUnfed', fedMs: at(28), fadesMs: at(49) });
});

test('fed again it holds for as long again, not for ever', () => {
  const again = provedHistory().dose(41, 2).water(42, quiet);
  expect(unfed(again, 42.1)).toMatchObject({ dueMs: at(56), fadesMs: at(63) });
  const food = provedHistory().event(40, { kind: 'food', food: 'pellets', grams: 0.2 }).water(41, quiet);
  expect(unfed(food, 41.1)).toMatchObject({ fedMs: at(40) });
  const fish = (day: number) => assessWater(food.water(60.5, quiet).doc, 't', at(day)).fish;
  expect(fish(60.9).reason.code).not.toBe('proofFaded');
  expect(fish(61.1)).toMatchObject({
    word: 'wait',
    reason: { code: 'proofFaded', atMs: at(28), fedMs: at(40) },
  });
});

test('not with animals in, not before it is ready, and without a proof no day is named', () => {
  expect(unfed(provedHistory().animal(29, 'turban-snail', 3), 45)).toBeNull();
  expect(unfed(new History().water(0, quiet).dose(1, 2).test(2, { ammonia: 2 }), 20)).toBeNull();
  expect(unfed(provedHistory('zeroZero'), 45)).toMatchObject({ fedMs: at(27), fadesMs: null });
});

describe('on the agenda', () => {
  const items = (doc: Document, day: number): AgendaItem[] =>
    agendaOf(
      doc,
      {
        nowMs: at(day),
        local: UTC,
        evidenceOf: (id) => gatherEvidence(doc, id, at(day)),
        assessmentOf: (id) => assessWater(doc, id, at(day)),
      },
      '2100-01-01',
    ).filter((i) => i.says.code === 'feedFilter');
  /** A plan that lets the first in on a day. */
  const planned = (first: number): Document => {
    const doc = { ...provedHistory().doc };
    const move = { to: WISHED, at: new Date(at(20)).toISOString(), why: '' };
    doc.animals = {
      g: { id: 'g', homeId: 't', speciesId: 'neon-goby', count: 1, plannedDay: null, moves: [move] },
    };
    const steps = [{ animalId: 'g', buyDay: UTC.dayOf(at(first - 10)), releaseDay: UTC.dayOf(at(first)) }];
    doc.plans = {
      p: {
        id: 'p',
        waterId: 't',
        at: new Date(at(29)).toISOString(),
        which: 'likely',
        gate: null,
        coralGate: null,
        steps,
        leftOut: [],
        away: [],
      },
    };
    return doc;
  };
  test('two weeks after it was fed last, ahead of that day, too', () => {
    expect(items(provedHistory().doc, 30).map((i) => i.day)).toEqual([UTC.dayOf(at(42))]);
  });
  test('but where the first are planned while it holds; on the very day on which it fades it does not', () => {
    expect(items(planned(48), 30)).toEqual([]);
    expect(items(planned(49), 30)).toHaveLength(1);
    // A plan whose day has passed says nothing any more.
    expect(items(planned(35), 43)).toHaveLength(1);
  });
});
