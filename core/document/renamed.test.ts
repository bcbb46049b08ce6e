import { emptyDocument, IN, renamed, type Animal, type Task } from '.';
import { editsToRemoveAnimal } from './removal';

const A: Animal = {
  id: 'a',
  homeId: 't',
  speciesId: 'yellow-watchman-goby',
  count: 1,
  provisional: true,
  moves: [{ to: IN('t'), at: '2026-03-01T10:00:00.000Z', why: '' }],
  plannedDay: null,
};
test('under its right name the old one is kept, and it is no longer for the time being', () => {
  const right = renamed(A, 'diamond-goby', '2026-03-05T10:00:00.000Z', false);
  expect(right).toMatchObject({
    speciesId: 'diamond-goby',
    takenFor: [{ speciesId: 'yellow-watchman-goby', until: '2026-03-05T10:00:00.000Z' }],
  });
  expect(right.provisional).toBeUndefined();
  expect(renamed(right, 'neon-goby', '2026-03-06T10:00:00.000Z', true)).toMatchObject({
    provisional: true,
    takenFor: [{ speciesId: 'yellow-watchman-goby' }, { speciesId: 'diamond-goby' }],
  });
});
test('confirmed as what it was taken for, nothing is noted', () =>
  expect(renamed(A, A.speciesId, '2026-03-05T10:00:00.000Z', false)).toEqual({
    ...A,
    provisional: undefined,
  }));
test('an animal that is removed is named nowhere any more; what was due of others stays', () => {
  const task = (id: string, ...animalIds: string[]): Task => ({
    id,
    waterId: 't',
    day: '2026-03-09',
    title: 'Look',
    note: '',
    doneAt: null,
    animalIds,
  });
  const doc = {
    ...emptyDocument(),
    animals: { a: A },
    tasks: { one: task('one', 'a', 'b'), two: task('two', 'b') },
  };
  expect(editsToRemoveAnimal(doc, 'a')).toEqual([
    { put: 'tasks', entity: task('one', 'b') },
    { remove: 'animals', id: 'a' },
  ]);
});
