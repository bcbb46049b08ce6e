import { screen } from '@testing-library/react';
import { WISHED, type Document } from '../../../core/document';
import { allText, demo, onScreen, says, tick } from '../shell/testing';
import { CompanyScreen } from './CompanyScreen';
import { StockScreen } from './StockScreen';

const withWish = (speciesId: string): Document => {
  const doc = demo();
  const at = Object.values(doc.animals)[0]!.moves[0]!.at;
  doc.animals = {
    ...doc.animals,
    more: {
      id: 'more',
      homeId: 'north-window',
      speciesId,
      count: 1,
      moves: [{ to: WISHED, at, why: '' }],
      plannedDay: null,
    },
  };
  return doc;
};
const params = { waterId: 'north-window' };
const title = () => screen.getByRole('heading', { level: 1 }).textContent;

test('those of the demo may live together; an empty tank says where to begin', () => {
  onScreen(<CompanyScreen />, { doc: demo(), params });
  expect(title()).toBe('They may live together');
  expect(allText()).not.toMatch(/NaN|undefined|Infinity/);
  document.body.innerHTML = '';
  const doc = demo();
  doc.animals = {};
  onScreen(<CompanyScreen />, { doc, params });
  expect(says('Nobody yet')).toBe(true);
});
test('a wish no day is right for is named with its reason and what would lift it; without it the rest fits', () => {
  onScreen(<CompanyScreen />, { doc: withWish('valentini-puffer'), params });
  expect(title()).toBe('Not all of them together');
  expect(says(/^The fewest without whom the rest fits: Valentini puffer/)).toBe(true);
  expect(allText()).toMatch(/Valentini puffer may eat or harass (5 × )?Chestnut turban snail/);
  tick(/^Valentini puffer/);
  expect(title()).toBe('They may live together');
  expect(says('That would be gone')).toBe(true);
  tick(/^Valentini puffer/);
  tick(/^Toadstool leather/);
  expect(title()).toBe('Not all of them together');
});
test('the stock says the gravest in a line', () => {
  onScreen(<StockScreen />, { doc: withWish('yellow-tang'), params });
  expect(says(/^Yellow tang grows to 20 cm and wants a glass of 450 L/)).toBe(true);
  // Too large and too long is still one of them.
  expect(says('Who lives with whom')).toBe(true);
});
test('and how many would have to go', () => {
  const doc = withWish('yellow-tang');
  doc.animals.second = { ...doc.animals.more!, id: 'second', speciesId: 'lyretail-anthias' };
  onScreen(<StockScreen />, { doc, params });
  expect(says('Who lives with whom: 2 would have to go')).toBe(true);
});
test('what is said of several in the same words is said once', () => {
  const doc = demo();
  const [first] = Object.values(doc.animals);
  const wish = (id: string, speciesId: string) => ({
    ...{ id, homeId: 'pantry-cube', speciesId, count: 1, plannedDay: null },
    moves: [{ to: WISHED, at: first!.moves[0]!.at, why: '' }],
  });
  doc.animals = { a: wish('a', 'neon-goby'), b: wish('b', 'clown-goby') };
  onScreen(<CompanyScreen />, { doc, params: { waterId: 'pantry-cube' } });
  expect(screen.getAllByText(/^No lid is noted for this tank\./)).toHaveLength(1);
});
