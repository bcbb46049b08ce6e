import { demo, onScreen, press, says, submit, type, choose } from '../shell/testing';
import { KindScreen } from './KindScreen';

const params = (more: Record<string, string> = {}) => ({ waterId: 'north-window', ...more });

test('a kind the list does not hold: name, size and relative are needed, the rest is assumed and said', async () => {
  const { doc, went } = onScreen(<KindScreen />, {
    doc: demo(),
    params: params({ name: 'spotted thing' }),
  });
  await submit('Keep the kind');
  expect(says(/^Say how large it grows/)).toBe(true);
  expect(says(/^Choose its nearest relative/)).toBe(true);
  expect(doc().species).toEqual({});
  type(/^Grows to/, '12');
  type('Relative', 'tailspot');
  press('Tailspot blenny');
  expect(says(/^Assumed as of Tailspot blenny: .*least tank/)).toBe(true);
  choose('Yes');
  await submit('Keep the kind');
  expect(Object.values(doc().species)).toMatchObject([
    { common: 'spotted thing', likeId: 'tailspot-blenny', adultCm: 12, jumps: true },
  ]);
  const [kept] = Object.keys(doc().species);
  expect(went().at(-1)).toBe(`/water/north-window/stock/add?species=${kept}`);
});

test('sizes that contradict each other are questioned, and a kind in use is not removed', async () => {
  const doc = demo();
  doc.species = { mine: { id: 'mine', common: 'Mine', likeId: 'tailspot-blenny', adultCm: 12 } };
  const [animal] = Object.values(doc.animals);
  doc.animals = { ...doc.animals, [animal!.id]: { ...animal!, speciesId: 'mine' } };
  onScreen(<KindScreen />, { doc, params: params({ kind: 'mine' }) });
  type(/^Bought at/, '15');
  await submit('Keep the kind');
  expect(says('It is not bought larger than it grows.')).toBe(true);
  expect(says(/^One group is of this kind/)).toBe(true);
});
