import { IN } from '../document';
import { gatherEvidence } from '../evidence';
import { speciesById } from '../species';
import { dailyLoadMgN, EXCRETED_SHARE } from '../stocking/load';
import { DAY, History, START_MS } from '../testing/history';
import { ACT } from './acts';
import { fedLately, feedingActs } from './feeding';

const actsAt = (h: History, day: number) => {
  const e = gatherEvidence(h.doc, 't', START_MS + day * DAY);
  return feedingActs(e, (ms) => (ms - START_MS) / DAY);
};
/** Load at a day: the sum of what was added and taken. */
const loadOn = (h: History, day: number, nowDay = day) =>
  actsAt(h, nowDay)
    .filter((a) => a.code === ACT.load && a.day <= day)
    .reduce((sum, a) => sum + a.amount, 0);
const clown = speciesById('ocellaris-clownfish');
const oneClown = dailyLoadMgN(clown, clown.arrivalCm);

test('animals bring their load from the day they join to the day they leave', () => {
  const h = new History().animal(10, 'ocellaris-clownfish', 2);
  expect(loadOn(h, 9.9, 12)).toBe(0);
  expect(loadOn(h, 10, 12)).toBeCloseTo(2 * oneClown, 9);
  const [id, fish] = Object.entries(h.doc.animals)[0]!;
  h.doc.animals[id] = {
    ...fish,
    moves: [
      ...fish.moves,
      { to: { kind: 'gone', reason: 'died' }, at: new Date(START_MS + 14 * DAY).toISOString(), why: '' },
    ],
  };
  expect(loadOn(h, 13.9, 20)).toBeCloseTo(2 * oneClown, 9);
  expect(loadOn(h, 14, 20)).toBeCloseTo(0, 9);
});

test('animals that were moved to another water bring nothing here while they are there', () => {
  const h = new History().animal(10, 'ocellaris-clownfish');
  const [id, fish] = Object.entries(h.doc.animals)[0]!;
  const at = (day: number) => new Date(START_MS + day * DAY).toISOString();
  h.doc.animals[id] = {
    ...fish,
    moves: [...fish.moves, { to: IN('other'), at: at(12), why: '' }, { to: IN('t'), at: at(15), why: '' }],
  };
  expect(loadOn(h, 13, 20)).toBeCloseTo(0, 9);
  expect(loadOn(h, 16, 20)).toBeGreaterThan(0);
});

test('a young fish grows into more load month by month', () => {
  const h = new History().animal(0, 'ocellaris-clownfish');
  expect(loadOn(h, 29, 100)).toBeCloseTo(oneClown, 9);
  expect(loadOn(h, 31, 100)).toBeGreaterThan(1.05 * oneClown);
});

test('a logged meal counts in place of the ration for a day and a half; grazers go on', () => {
  const h = new History()
    .animal(10, 'ocellaris-clownfish')
    .animal(10, 'turban-snail', 4)
    .event(12, { kind: 'food', food: 'pellets', grams: 0.2 });
  const snails = 4 * dailyLoadMgN(speciesById('turban-snail'), 3);
  expect(loadOn(h, 11, 20)).toBeCloseTo(oneClown + snails, 9);
  expect(loadOn(h, 13, 20)).toBeCloseTo(snails, 9);
  expect(loadOn(h, 13.6, 20)).toBeCloseTo(oneClown + snails, 9);
});

test('food in an empty tank rots whole, eaten food is excreted in part: 6.25 x 0.092 (by hand: 57.5 %)', () => {
  expect(EXCRETED_SHARE).toBeCloseTo(0.575, 9);
  const meal = { kind: 'food', food: 'pellets', grams: 1 } as const;
  const food = (h: History) => actsAt(h, 20).filter((a) => a.code === ACT.food)[0]!.amount;
  const empty = food(new History().event(12, meal));
  const eaten = food(new History().animal(10, 'ocellaris-clownfish').event(12, meal));
  expect(eaten / empty).toBeCloseTo(0.575, 9);
});

test('food fed to the empty tank weeks ago does not silence the animals of today', () => {
  const h = new History()
    .event(2, { kind: 'food', food: 'pellets', grams: 0.5 })
    .animal(30, 'ocellaris-clownfish');
  expect(loadOn(h, 31, 40)).toBeCloseTo(oneClown, 9);
});

describe('feeding that goes on', () => {
  const daily = (lastDay: number) => {
    const h = new History().animal(10, 'ocellaris-clownfish');
    for (let day = 20; day <= lastDay; day++) h.event(day, { kind: 'food', food: 'pellets', grams: 0.1 });
    return h;
  };
  test('is the mean of the last ten days', () => {
    const one = actsAt(daily(20), 40).find((a) => a.code === ACT.food)!.amount;
    expect(fedLately(actsAt(daily(39), 39.9), 39.9)).toBeCloseTo((10 * one) / 9.9, 6);
    expect(fedLately(actsAt(daily(22), 22.5), 22.5)).toBeCloseTo((3 * one) / 2.5, 6);
  });
  test('ends once no meal stands for the ration: then the ration does', () => {
    expect(fedLately(actsAt(daily(22), 24), 24)).toBe(0);
    expect(loadOn(daily(22), 24)).toBeCloseTo(oneClown, 9);
    expect(loadOn(daily(22), 22.5)).toBeCloseTo(0, 9);
  });
});
