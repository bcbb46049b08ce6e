import type { Task } from '../document';
import { History, START_MS, DAY } from '../testing/history';
import { UTC } from '../time';
import { openTasks } from '.';

const dayOf = (day: number): string => UTC.dayOf(START_MS + day * DAY);

/** A fish that joined on day 2, looks after it on days 3, 5 and 9, and a task of one's own. */
function joined(): History {
  const h = new History().animal(2, 'ocellaris-clownfish');
  const [animalId] = Object.keys(h.doc.animals);
  const put = (id: string, day: number, more: Partial<Task> = {}) => {
    h.doc.tasks[id] = { id, waterId: 't', day: dayOf(day), title: id, note: '', doneAt: null, ...more };
  };
  for (const day of [3, 5, 9]) put(`look ${day}`, day, { animalIds: [animalId!] });
  put('rinse', 1);
  return h;
}
const open = (h: History, day: number) => openTasks(h.doc, 't', dayOf(day)).map((t) => t.id);

test('a look that was missed stands until the next has come; a task of one’s own stands', () => {
  const h = joined();
  expect(open(h, 2)).toEqual(['rinse', 'look 3', 'look 5', 'look 9']);
  expect(open(h, 4)).toEqual(['rinse', 'look 3', 'look 5', 'look 9']);
  expect(open(h, 5)).toEqual(['rinse', 'look 5', 'look 9']);
  expect(open(h, 60)).toEqual(['rinse', 'look 9']);
});
test('once the newest is done the missed ones before it do not come back', () => {
  const h = joined();
  h.doc.tasks['look 5'] = { ...h.doc.tasks['look 5']!, doneAt: new Date(START_MS + 5 * DAY).toISOString() };
  expect(open(h, 6)).toEqual(['rinse', 'look 9']);
});
test('who has died or left is not looked after', () => {
  const h = joined();
  const [animal] = Object.values(h.doc.animals);
  animal!.moves.push({
    to: { kind: 'gone', reason: 'died' },
    at: new Date(START_MS + 4 * DAY).toISOString(),
    why: '',
  });
  expect(open(h, 5)).toEqual(['rinse']);
});
test('looks after another animal, and tasks of another water, are their own', () => {
  const h = joined();
  h.animal(3, 'turban-snail');
  const other = Object.keys(h.doc.animals)[1]!;
  h.doc.tasks['snail 4'] = { ...h.doc.tasks['look 3']!, id: 'snail 4', day: dayOf(4), animalIds: [other] };
  h.doc.tasks.elsewhere = { ...h.doc.tasks.rinse!, id: 'elsewhere', waterId: 'other' };
  expect(open(h, 5)).toEqual(['rinse', 'snail 4', 'look 5', 'look 9']);
});
