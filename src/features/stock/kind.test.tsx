import { screen, waitFor } from '@testing-library/react';
import { speciesOf } from '../../../core/species';
import { allText, choose, demo, onScreen, press, says, submit, type } from '../shell/testing';
import { AnimalScreen } from './AnimalScreen';
import { BuyScreen } from './BuyScreen';
import { KindScreen } from './KindScreen';
import { SpeciesFacts } from './SpeciesFacts';

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

test('where an animal is another kind that no list holds, it is added there and the animal is that', async () => {
  const before = demo();
  const goby = before.animals['north-cardinals']!;
  const { doc } = onScreen(<AnimalScreen />, { doc: before, params: params({ animalId: goby.id }) });
  press('It is another kind');
  type('The right kind', 'glass thing');
  press('Not here: add it');
  expect(screen.getByLabelText<HTMLInputElement>('What it is called').value).toBe('glass thing');
  type(/^Grows to/, '6');
  type('Relative', 'banggai');
  press('Banggai cardinalfish');
  await submit('Keep the kind');
  const [kind] = Object.values(doc().species);
  expect(kind).toMatchObject({ common: 'glass thing', likeId: goby.speciesId, adultCm: 6 });
  expect(doc().animals[goby.id]).toMatchObject({ speciesId: kind!.id });
});
test('what came home and is in no list is added without losing the basket', async () => {
  const { doc } = onScreen(<BuyScreen />, { doc: demo(), params: params() });
  await waitFor(() => press('One Yellow watchman goby'));
  type('Search', 'zzqx');
  expect(says(/^None by that name/)).toBe(true);
  press('Not here: add it');
  type(/^Grows to/, '6');
  type('Relative', 'tailspot');
  press('Tailspot blenny');
  await submit('Keep the kind');
  expect(Object.values(doc().species)).toMatchObject([{ common: 'zzqx', likeId: 'tailspot-blenny' }]);
  await waitFor(() => press('One zzqx'));
  expect(allText()).toMatch(/Yellow watchman goby[^]*zzqx/);
});
test('a kind of one’s own can be corrected from what is said of it', () => {
  const doc = demo();
  doc.species = { mine: { id: 'mine', common: 'Mine', likeId: 'tailspot-blenny', adultCm: 12 } };
  onScreen(<SpeciesFacts species={speciesOf(doc, 'mine')} />, { doc, params: params() });
  expect(screen.getByRole('link', { name: 'What you know of it, corrected' }).getAttribute('href')).toBe(
    '/water/north-window/stock/kind?kind=mine',
  );
});
