/** What cleaners would find to live on, as the company of a tank says it. */
import { speciesById } from '../species';
import { foodOfBatch, ofTheFood } from './food';
import type { Food, Member } from './member';

const PLENTY: Food = { grazersAtOnce: 6, fallsMgN: 10, sandCm2: 3000 };
const member = (id: string, speciesId: string, count: number, stage: Member['stage'] = 'wish'): Member => ({
  id,
  species: speciesById(speciesId),
  count,
  stage,
});
const codes = (members: Member[], food: Partial<Food> = {}) =>
  ofTheFood({ food: { ...PLENTY, ...food } }, members).map((f) => f.says.code);

test('grazers are fed by film alone, and by so much of it at once', () => {
  // 4 cm each: as many snails as heads.
  const six = member('a', 'turban-snail', 6);
  expect(codes([six])).toEqual([]);
  expect(codes([six, member('b', 'turban-snail', 1)])).toEqual(['crewInSteps']);
  expect(codes([six], { grazersAtOnce: 0 })).toEqual(['littleToGraze']);
  // Those at home have theirs already, and one by itself is no crowd.
  expect(codes([member('a', 'turban-snail', 20, 'here')], { grazersAtOnce: 0 })).toEqual([]);
  expect(codes([member('u', 'black-longspine-urchin', 1)])).toEqual([]);
});
test('scavengers want 0.35 mg N of food each: 28 find it where 10 falls, 29 do not; those at home eat of it, too', () => {
  expect(codes([member('n', 'nassarius-snail', 28)])).toEqual([]);
  expect(codes([member('n', 'nassarius-snail', 29)])).toEqual(['littleFalls']);
  expect(codes([member('h', 'nassarius-snail', 20, 'here'), member('n', 'nassarius-snail', 9)])).toEqual([
    'littleFalls',
  ]);
});
test('a conch of 10 cm wants 1,000 cm² of open sand', () => {
  expect(codes([member('c', 'fighting-conch', 3)])).toEqual([]);
  expect(codes([member('c', 'fighting-conch', 4)])).toEqual(['littleSand']);
  expect(codes([member('c', 'fighting-conch', 4)], { sandCm2: null })).toEqual([]);
});
test('nothing is said of a tank nobody has looked into', () =>
  expect(ofTheFood({ food: null }, [member('a', 'turban-snail', 40)])).toEqual([]));
test('a batch is held against what those before it leave; the film of a day far off is not known', () => {
  const members = [
    member('a', 'nassarius-snail', 20),
    member('b', 'nassarius-snail', 9),
    member('s', 'turban-snail', 2),
  ];
  const said = (ids: string[], before: string[], daysAhead: number, food: Partial<Food> = {}) =>
    foodOfBatch({ food: { ...PLENTY, ...food } }, members, {
      ids: new Set(ids),
      before: new Set(before),
      daysAhead,
    }).map((f) => f.says.code);
  expect(said(['b'], [], 3)).toEqual([]);
  expect(said(['b'], ['a'], 3)).toEqual(['littleFalls']);
  expect(said(['s'], [], 14, { grazersAtOnce: 0 })).toEqual(['littleToGraze']);
  expect(said(['s'], [], 15, { grazersAtOnce: 0 })).toEqual([]);
});
