import { speciesById } from '../species';
import { ofTheStay, type Member, type Tank } from '.';

const glass: Tank = {
  glassL: 60,
  lengthCm: 60,
  hasLid: true,
  sandKg: null,
  rockKg: null,
  ageDays: 30,
  tempC: 25,
  carriesMgN: null,
  food: null,
};
const said = (ids: string[], glassL = 60) => {
  const members = ids.map((id, i): Member => ({
    id: `${i}`,
    species: speciesById(id),
    count: 1,
    stage: 'coming',
  }));
  return ofTheStay({ ...glass, glassL }, members).map(({ says }) => says);
};
const fight = (name: string, ...others: string[]) => [{ code: 'stayTogether', name, others, eats: false }];

test('eater and eaten, whoever comes first', () => {
  const eaten = [
    { code: 'stayTogether', name: 'Longnose hawkfish', others: ['Neon cleaner goby'], eats: true },
  ];
  expect(said(['longnose-hawkfish', 'neon-goby'])).toEqual(eaten);
  expect(said(['neon-goby', 'longnose-hawkfish'])).toEqual(eaten);
});
test('rivals, until the glass is large enough for both', () => {
  expect(said(['firefish', 'purple-firefish'])).toEqual(fight('Fire dartfish', 'Purple firefish'));
  // By hand: they want 75 and 110 L.
  expect(said(['firefish', 'purple-firefish'], 185)).toEqual([]);
  expect(said(['firefish', 'purple-firefish'], 150)).toHaveLength(1);
});
test('a territorial fish with any other fish, the bold one named first; not with a shrimp', () => {
  expect(said(['banggai-cardinalfish', 'azure-damselfish'])).toEqual(
    fight('Azure damselfish', 'Banggai cardinalfish'),
  );
  expect(said(['banggai-cardinalfish', 'azure-damselfish', 'firefish'])).toEqual(
    fight('Azure damselfish', 'Banggai cardinalfish', 'Fire dartfish'),
  );
  expect(said(['azure-damselfish', 'cleaner-shrimp'])).toEqual([]);
});
test('of one kind, and of those who bear each other, nothing is said', () => {
  expect(said(['banggai-cardinalfish', 'banggai-cardinalfish'])).toEqual([]);
  expect(said(['banggai-cardinalfish', 'yellow-watchman-goby', 'neon-goby'])).toEqual([]);
});
