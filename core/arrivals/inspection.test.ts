import fc from 'fast-check';
import { IN, type Animal, type Edit } from '../document';
import { editsToInspect, tallyOf, type OneFound } from '.';

const snails = (count: number): Animal => ({
  id: 'a',
  homeId: 't',
  speciesId: 'turban-snail',
  count,
  moves: [{ to: IN('q'), at: '2026-05-01T10:00:00.000Z', why: '' }],
  plannedDay: null,
});
const o = { at: '2026-05-01T12:00:00.000Z', today: '2026-05-01', asideId: 'b', deadId: 'c' };
const parts = (edits: readonly Edit[]) => edits.flatMap((e) => ('put' in e ? [e.entity as Animal] : []));

test('the count that goes on is the count that was sound; what was set aside is its own group; the dead are gone', () => {
  const [sound, dead, aside] = parts(
    editsToInspect(snails(20), { setAside: 3, dead: 2, found: ['eggs'] }, o),
  );
  expect(sound).toMatchObject({
    id: 'a',
    count: 15,
    inspection: { sound: 15, setAside: 3, dead: 2, found: ['eggs'] },
  });
  expect(sound?.asideSince).toBeUndefined();
  expect(dead).toMatchObject({ id: 'c', count: 2, splitFrom: 'a' });
  expect(dead?.moves[1]).toMatchObject({ to: { kind: 'gone', reason: 'died' }, why: 'dead on arrival' });
  expect(aside).toMatchObject({ id: 'b', count: 3, splitFrom: 'a', asideSince: '2026-05-01' });
});
test('all set aside, or all dead, is one group that keeps its identity', () => {
  expect(parts(editsToInspect(snails(4), { setAside: 4, dead: 0, found: [] }, o))).toMatchObject([
    { id: 'a', count: 4, asideSince: '2026-05-01' },
  ]);
  expect(parts(editsToInspect(snails(4), { setAside: 0, dead: 4, found: [] }, o))).toMatchObject([
    { id: 'a', count: 4, moves: [{}, { to: { kind: 'gone' } }] },
  ]);
});
test('a tally that does not add up is refused', () =>
  expect(() => editsToInspect(snails(3), { setAside: 2, dead: 2, found: [] }, o)).toThrow(
    'must add up to 3',
  ));
test('nobody is made or lost, whatever the tally', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 50 }), fc.nat(50), fc.nat(50), (count, setAside, dead) => {
      fc.pre(setAside + dead <= count);
      const list = parts(editsToInspect(snails(count), { setAside, dead, found: [] }, o));
      expect(list.reduce((sum, a) => sum + a.count, 0)).toBe(count);
      expect(new Set(list.map((a) => a.id)).size).toBe(list.length);
    }),
    { seed: 3 },
  );
});

test('one by one: the tally is what was found in each, and each is kept', () => {
  const each: OneFound[] = [
    { as: 'sound', found: [] },
    { as: 'setAside', found: ['eggs', 'weak'] },
    { as: 'dead', found: ['weak'] },
    { as: 'sound', found: [] },
  ];
  expect(tallyOf(each)).toMatchObject({ setAside: 1, dead: 1, found: ['eggs', 'weak'] });
  const [sound] = parts(editsToInspect(snails(4), tallyOf(each), o));
  expect(sound).toMatchObject({ count: 2, inspection: { sound: 2, each } });
  expect(() => editsToInspect(snails(5), tallyOf(each), o)).toThrow('"each" must hold 5 animals, got 4');
});
