import { speciesById } from '../species';
import { firstCorals, lackedBy, ofTheStay, type Member, type Tank } from '.';

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

describe('what is to be seen to before some come', () => {
  const member = (id: string, count = 1, stage: Member['stage'] = 'wish'): Member => ({
    id,
    species: speciesById(id),
    count,
    stage,
  });
  test('sand and warmth are; a lid and the age of the tank the plan waits for by itself', () => {
    const lacks = (tank: Partial<Tank>, id: string) =>
      lackedBy({ ...glass, glassL: 400, lengthCm: 150, ...tank }, [member(id)]).map((f) => f.says.code);
    expect(lacks({ sandKg: 0 }, 'yellow-watchman-goby')).toEqual(['wantsSand']);
    expect(lacks({ sandKg: 10 }, 'yellow-watchman-goby')).toEqual([]);
    expect(lacks({ tempC: 31 }, 'banggai-cardinalfish')).toEqual(['tooWarmFor']);
    expect(lacks({ hasLid: false }, 'firefish')).toEqual([]);
    expect(lacks({ sandKg: 10 }, 'mandarin-dragonet')).toEqual([]);
  });
  test('several corals at once where none lives yet: one first', () => {
    const of = (there: Member[], ...coming: Member[]) => firstCorals(there, coming).map(({ says }) => says);
    expect(of([], member('zoanthid', 2), member('toadstool-leather'))).toEqual([
      { code: 'firstCorals', pieces: 3 },
    ]);
    expect(of([], member('zoanthid'), member('neon-goby', 2))).toEqual([]);
    expect(of([member('duncan', 1, 'here')], member('zoanthid', 3))).toEqual([]);
    expect(of([member('bubble-tip-anemone', 1, 'here')], member('zoanthid', 3))).toHaveLength(1);
  });
});
