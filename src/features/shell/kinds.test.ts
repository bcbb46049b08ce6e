import { NO_OWN_KINDS } from '../../../core/species';
import { METRIC } from '../../../core/units';
import { findKinds, noneWords } from './kinds';

const ids = (query: string) => findKinds(NO_OWN_KINDS, query).found.map((f) => f.species.id);

test.each([
  // As people write them.
  ['oscelaris', 'ocellaris-clownfish'],
  ['ocelaris clown', 'ocellaris-clownfish'],
  ['mandrin', 'mandarin-dragonet'],
  ['royal grama', 'royal-gramma'],
  ['zooanthids', 'zoanthid'],
  ['chrromis', 'green-chromis'],
  ['euphylia', 'torch'],
  ['nasarius', 'nassarius-snail'],
  ['anenome', 'bubble-tip-anemone'],
])('"%s" finds the nearest spellings, and says that they are', (query, id) => {
  expect(findKinds(NO_OWN_KINDS, query).near).toBe(true);
  expect(ids(query)).toContain(id);
});
test.each([
  ['hippo tang', 'regal-blue-tang', 'Hippo tang'],
  ['lawnmower', 'lawnmower-blenny', 'Lawnmower blenny'],
  ['Labridae', 'six-line-wrasse', 'Labridae'],
  ['surgeonfish', 'yellow-tang', 'Yellow surgeonfish'],
])('"%s" is found by another name, which is said', (query, id, as) => {
  const { found, near } = findKinds(NO_OWN_KINDS, query);
  expect(near).toBe(false);
  expect(found.find((f) => f.species.id === id)?.as).toBe(as);
});
test('whose own name it is comes first, whoever else is called so, too', () => {
  expect(ids('percula clownfish')).toEqual(['percula-clownfish', 'ocellaris-clownfish']);
  expect(ids('Percula')[0]).toBe('percula-clownfish');
  expect(ids('false percula clownfish')[0]).toBe('ocellaris-clownfish');
});
test('what it should do and where it should fit are asked in words', () => {
  expect(ids('eats algae for 60 L')).toContain('turban-snail');
  expect(ids('eats algae for 60 L')).not.toContain('yellow-tang');
  expect(ids('goby for 60 L').every((id) => id.endsWith('goby'))).toBe(true);
  expect(ids('goby for 60 L')).not.toContain('diamond-goby');
});
test('a group is asked for by its word; where nothing fits the glass the least that would is said', () => {
  const groups = (query: string) => [
    ...new Set(findKinds(NO_OWN_KINDS, query).found.map((f) => f.species.group)),
  ];
  expect(groups('fish for 60 L')).toEqual(['fish']);
  expect(groups('easy corals')).toEqual(['coral']);
  expect(ids('rabbitfish')).toContain('foxface-rabbitfish');
  expect(findKinds(NO_OWN_KINDS, 'yellow tang for 60 L')).toMatchObject({
    found: [],
    tooSmall: { glassL: 60, wantsL: 450 },
  });
  expect(findKinds(NO_OWN_KINDS, 'yellow tang for 600 L').tooSmall).toBeNull();
});
test.each([
  // Written in two words, in one, of many, in another order.
  ['clown fish', 'ocellaris-clownfish'],
  ['starfish', 'blue-linckia-star'],
  ['star fish', 'sand-star'],
  ['gobys', 'clown-goby'],
  ['gobies', 'yasha-goby'],
  ['watchman yellow', 'yellow-watchman-goby'],
  ['brain corals', 'favia-brain'],
])('"%s" is a name in use', (query, id) => {
  expect(findKinds(NO_OWN_KINDS, query).near).toBe(false);
  expect(ids(query)).toContain(id);
});
test('words apart count only where nobody bears them together, and the plainest names come first', () => {
  expect(ids('yellow tang')).toEqual(['yellow-tang']);
  expect(ids('yellow tang for 420 L')).toEqual([]);
  expect(ids('acan')[0]).toBe('acan-lord');
});
test.each([
  ['tang for 200 L', 200, 330],
  ['yellow tang, under 100 litres', 100, 450],
  ['tang for a 40-gallon tank', 151, 330],
  ['tang for a nano', 75, 330],
])('"%s" is no misspelling: none fits', (query, glassL, wantsL) => {
  expect(findKinds(NO_OWN_KINDS, query)).toEqual({
    found: [],
    near: false,
    tooSmall: { glassL: expect.closeTo(glassL, -1), wantsL },
    notSo: 0,
  });
});
test('a name that is known of which none is so is no misspelling either', () => {
  const finds = findKinds(NO_OWN_KINDS, 'reef safe porcupine puffer');
  expect(finds).toEqual({ found: [], near: false, tooSmall: null, notSo: 1 });
  expect(noneWords(finds, METRIC)).toEqual({
    title: 'None of them is so',
    text: '1 of that name is known here.',
  });
  expect(findKinds(NO_OWN_KINDS, 'peaceful dottyback').notSo).toBeGreaterThan(1);
});
test('nothing asked is all of them; nonsense is none', () => {
  expect(ids('').length).toBeGreaterThanOrEqual(160);
  expect(findKinds(NO_OWN_KINDS, 'qqzzxw')).toMatchObject({ found: [], near: false, tooSmall: null });
});
test('a kind of one’s own is found at once, also renamed', () => {
  const own = { id: 'mine', common: 'Spotted thing', likeId: 'tailspot-blenny', adultCm: 8 };
  expect(findKinds({ species: { mine: own } }, 'spotted thing').found[0]?.species.id).toBe('mine');
  const renamed = { species: { mine: { ...own, common: 'Striped thing' } } };
  expect(findKinds(renamed, 'striped thing').found[0]?.species.id).toBe('mine');
});
