import type { Task, Water } from '../document';
import { NO_OWN_KINDS, SPECIES, speciesById } from '../species';
import { followUpsOf, followUpTasks } from '.';

const display = { id: 't', kind: 'display' } as Water;
const tasks = (speciesId: string, to: Water = display) => {
  let n = 0;
  return followUpTasks(NO_OWN_KINDS, [{ speciesId, count: 2 }], to, '2026-03-28', () => `k${n++}`).flatMap(
    (e) => ('put' in e ? [e.entity as Task] : []),
  );
};

test('a fish is looked after on days 1, 3, 7, 14 and 30, and offered food on the first', () => {
  const list = tasks('royal-gramma');
  expect(list.map((t) => t.day)).toEqual([
    '2026-03-29',
    '2026-03-31',
    '2026-04-04',
    '2026-04-11',
    '2026-04-27',
  ]);
  expect(list[0]?.note).toMatch(/^Offer a little food\. Does it eat\?/);
  expect(list[1]?.note).toMatch(/^Does it eat\?/);
  expect(list.every((t) => t.doneAt === null && t.waterId === 't')).toBe(true);
  expect(new Set(list.map((t) => t.id)).size).toBe(5);
});
test('snails are looked at after an hour, corals are asked about what corals show', () => {
  expect(tasks('turban-snail')[0]).toMatchObject({
    day: '2026-03-28',
    title: expect.stringMatching(/^In an hour: 2 ×/),
  });
  expect(tasks('toadstool-leather')[0]?.note).toMatch(/^Open\? Colour/);
});
test('into a quarantine or a bucket nothing is planned: there the daily look is', () => {
  expect(tasks('royal-gramma', { ...display, kind: 'quarantine' } as Water)).toEqual([]);
});
test('every species has its looks, with titles that fit', () => {
  for (const s of SPECIES)
    for (const f of followUpsOf(speciesById(s.id), 200)) expect(f.title.length).toBeLessThanOrEqual(80);
});
