/** Rules of company at their edges, on kinds made for it: what a comparison turned round would change. */
import { speciesById, type Species } from '../species';
import { liftWords } from '../words/company';
import { companyOf, type Member, type Tank } from '.';

const tank: Tank = {
  glassL: 1000,
  lengthCm: 300,
  hasLid: true,
  sandKg: 20,
  rockKg: 20,
  ageDays: 1000,
  tempC: 25,
  carriesMgN: null,
  food: null,
};
const plain = speciesById('neon-goby');
/** A harmless small fish, and what makes it differ. */
const kind = (id: string, more: Partial<Species>): Species => ({
  ...plain,
  id,
  common: id,
  scientific: `${id} made`,
  rivalKey: null,
  rivalGenus: false,
  territory: 'none',
  temperament: 'gentle',
  sensitivities: [],
  eats: [],
  is: ['fish'],
  jumps: false,
  minTankAgeDays: 0,
  hardiness: 'hardy',
  exit: 'easy',
  ...more,
});
const member = (species: Species, stage: Member['stage'] = 'here', count = 1): Member => ({
  id: species.id,
  species,
  count,
  stage,
});
const found = (members: Member[], t: Partial<Tank> = {}) => companyOf({ ...tank, ...t }, members);
const codes = (members: Member[], t: Partial<Tank> = {}) =>
  found(members, t)
    .filter((f) => f.severity !== 'note')
    .map((f) => f.says.code);

describe('rivals', () => {
  const ground = (id: string, more: Partial<Species> = {}) =>
    member(kind(id, { rivalKey: 'ledge', minTankL: 100, minTankCm: 50, ...more }));
  test('the same ground; of another ground, or of none, there is no fight', () => {
    expect(codes([ground('a'), ground('b')])).toEqual(['rival']);
    expect(codes([ground('a'), ground('b', { rivalKey: 'cave' })])).toEqual([]);
    expect(codes([ground('a', { rivalKey: null }), ground('b', { rivalKey: null })])).toEqual([]);
  });
  test('a glass for both asks only for care; a litre less, or one of them territorial, is a no', () => {
    const severity = (glassL: number, more: Partial<Species> = {}) =>
      found([ground('a'), ground('b', more)], { glassL }).find((f) => f.says.code === 'rival')?.severity;
    // 200 L asked for both, nine tenths of it water.
    expect([severity(180), severity(179)]).toEqual(['onlyIf', 'no']);
    expect(severity(1000, { temperament: 'territorial' })).toBe('no');
  });
  test('of clownfish no glass is large enough for two kinds, and nothing is said to lift it but one less', () => {
    const clown = (id: string) => ground(id, { rivalKey: 'clownfish' });
    const [rival] = found([clown('a'), clown('b')], { glassL: 2000 });
    expect(rival).toMatchObject({ severity: 'no', says: { code: 'rival', anywhere: true } });
    expect(liftWords(rival!.says)).toBe('One of them.');
    const [room] = found([ground('a'), ground('b')], { glassL: 2000 });
    expect(liftWords(room!.says)).toMatch(/^A glass large enough/);
  });
  test('the same genus only where both are such', () => {
    const of = (id: string, genus: string, rivalGenus: boolean) =>
      member(kind(id, { scientific: `${genus} ${id}`, rivalGenus }));
    expect(codes([of('a', 'Zoaria', true), of('b', 'Zoaria', true)])).toEqual(['sameGenus']);
    expect(codes([of('a', 'Zoaria', true), of('b', 'Zoaria', false)])).toEqual([]);
    expect(codes([of('a', 'Zoaria', false), of('b', 'Zoaria', true)])).toEqual([]);
    expect(codes([of('a', 'Zoaria', true), of('b', 'Other', true)])).toEqual([]);
  });
});

describe('who eats whom', () => {
  const hunter = (more: Partial<Species> = {}) =>
    member(
      kind('hunter', {
        eats: ['smallFish'],
        adultCm: 30,
        reefSafe: 'caution',
        minTankL: 100,
        minTankCm: 50,
        ...more,
      }),
    );
  const prey = (adultCm: number) =>
    member(kind('prey', { is: ['fish', 'smallFish'], adultCm, minTankL: 50 }));
  const severity = (h: Member, p: Member) => found([h, p]).find((f) => f.says.code === 'eats')?.severity;
  test('a small fish three times as short is swallowed; a little longer it is watched', () => {
    const times = 30;
    const most = [10, 9, 8, 7, 6, 5].find((cm) => severity(hunter({ adultCm: times }), prey(cm)) === 'no')!;
    expect(most).toBeGreaterThan(4);
    expect(severity(hunter(), prey(most + 1))).not.toBe('no');
    expect(severity(hunter(), prey(most))).toBe('no');
  });
  test('any fish is a mouthful to one three times as long: watched, and a no by one that is not reef safe', () => {
    const fish = (adultCm: number) => member(kind('fish', { adultCm, minTankL: 50 }));
    expect(severity(hunter(), fish(10))).toBe('onlyIf');
    expect(severity(hunter(), fish(10.1))).toBeUndefined();
    expect(severity(hunter({ reefSafe: 'no' }), fish(10))).toBe('no');
    expect(severity(hunter({ eats: ['snails'] }), fish(5))).toBeUndefined();
  });
  test('one that is not reef safe is a no whatever the size, and who eats nothing of ours is none', () => {
    expect(severity(hunter({ reefSafe: 'no' }), prey(25))).toBe('no');
    expect(severity(hunter({ eats: [] }), prey(5))).toBeUndefined();
    expect(severity(hunter({ eats: ['snails'] }), prey(5))).toBeUndefined();
  });
  test('a clownfish, and a shrimp of anemones, are safe in one; others are not', () => {
    const anemone = member(
      kind('anemone', { is: ['anemone'], group: 'coral', eats: ['smallFish', 'shrimp'], adultCm: 40 }),
    );
    const guest = (more: Partial<Species>) =>
      member(kind('guest', { is: ['fish', 'smallFish'], adultCm: 5, ...more }));
    const eats = (g: Member) => found([anemone, g]).some((f) => f.says.code === 'eats');
    expect(eats(guest({ rivalKey: 'clownfish' }))).toBe(false);
    expect(eats(guest({ is: ['shrimp'], group: 'invertebrate', common: 'Anemone shrimp' }))).toBe(false);
    expect(eats(guest({}))).toBe(true);
  });
});

describe('order', () => {
  const bold = (stage: Member['stage'], id = 'bold') =>
    member(kind(id, { temperament: 'territorial' }), stage);
  const meek = (stage: Member['stage']) => member(kind('meek', {}), stage);
  const order = (...members: Member[]) =>
    found(members).flatMap((f) => (['lateComer', 'firstThen'].includes(f.says.code) ? [f.says.code] : []));
  test('a bold one at home makes it hard for whoever comes; of two to come the meek is first', () => {
    expect(order(bold('here'), meek('wish'))).toEqual(['lateComer']);
    expect(order(bold('coming'), meek('wish'))).toEqual(['lateComer']);
    expect(order(bold('wish'), meek('wish'))).toEqual(['firstThen']);
    expect(order(bold('wish'), meek('here'))).toEqual([]);
    expect(order(bold('here'), meek('here'))).toEqual([]);
  });
  test('of two bold ones only the one at home matters to the other', () => {
    expect(order(bold('here'), bold('wish', 'other'))).toEqual(['lateComer']);
    expect(order(bold('wish'), bold('wish', 'other'))).toEqual([]);
  });
  test('a snail is never told of it', () =>
    expect(
      order(bold('here'), member(kind('snail', { group: 'invertebrate', is: ['snail'] }), 'wish')),
    ).toEqual([]));
});

test('two that live on pods want a glass for each: a litre less is spoken of', () => {
  const eater = (id: string) => member(kind(id, { sensitivities: ['needs pods'] }));
  const shared = (glassL: number) =>
    found([eater('a'), eater('b')], { glassL }).some((f) => f.says.code === 'podsShared');
  expect([shared(399), shared(400)]).toEqual([true, false]);
  expect(
    found([eater('a'), member(kind('b', {}))], { glassL: 100 }).some((f) => f.says.code === 'podsShared'),
  ).toBe(false);
});
test('water that suits both has a width: ranges that only touch have none', () => {
  const warm = (id: string, tempC: [number, number]) => member(kind(id, { tempC }));
  const apart = (a: [number, number], b: [number, number]) =>
    found([warm('a', a), warm('b', b)]).some((f) => f.says.code === 'noCommonWater');
  expect(apart([22, 25], [25, 28])).toBe(true);
  expect(apart([22, 25.1], [25, 28])).toBe(false);
  expect(apart([25, 28], [22, 25])).toBe(true);
});
