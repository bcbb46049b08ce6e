import { IN, WISHED, type Animal } from '../document';
import { DAY, History, START_MS } from '../testing/history';
import { animalMoney, jumpersWithoutLid, monthMoney, setUpMoney } from '.';

const NOW = START_MS + 40 * DAY;
const monthOf = (ms: number) => new Date(ms).toISOString().slice(0, 7);
function world() {
  const h = new History()
    .event(10, { kind: 'waterChange', litres: 20 })
    .event(30, { kind: 'waterChange', litres: 20 });
  const animal = (id: string, speciesId: string, to: Animal['moves'][0]['to'], price?: number): Animal => ({
    id,
    homeId: 't',
    speciesId,
    count: 1,
    moves: [{ to, at: h.at(1), why: '' }],
    plannedDay: null,
    ...(price === undefined ? {} : { wish: { price } }),
  });
  h.doc.animals = {
    fish: animal('fish', 'firefish', IN('t')),
    snail: animal('snail', 'turban-snail', IN('t')),
    wish: animal('wish', 'royal-gramma', WISHED, 40),
    other: animal('other', 'neon-goby', WISHED),
  };
  const purchase = (id: string, day: number, price: number | null, animalIds: string[]) => ({
    id,
    waterId: 't',
    at: h.at(day),
    from: 'shop' as const,
    fromWhom: '',
    price,
    quarantinedDays: null,
    treatedWith: '',
    bag: {},
    note: '',
    animalIds,
  });
  h.doc.purchases = {
    a: purchase('a', 1, 30, ['fish', 'snail']),
    b: purchase('b', 39, 12, []),
    c: purchase('c', 39, null, []),
  };
  const water = h.doc.waters.t!;
  if (water.kind !== 'display') throw new Error('a display');
  return { doc: h.doc, water };
}

test('animals: all that was paid, this month’s, and what the wishes would cost', () => {
  const { doc, water } = world();
  const was = animalMoney(doc, water, NOW, monthOf);
  expect(was).toMatchObject({ spent: 42, spentUnpriced: 0, wished: 40, unpriced: 1 });
  expect(was.spentThisMonth).toBe(monthOf(START_MS + DAY) === monthOf(NOW) ? 42 : 12);
});
test('whoever came without a price, or in no purchase, is counted', () => {
  const { doc, water } = world();
  const gone = doc.purchases.a!;
  doc.purchases = { ...doc.purchases, a: { ...gone, price: null, animalIds: ['fish'] } };
  expect(animalMoney(doc, water, NOW, monthOf)).toMatchObject({ spent: 12, spentUnpriced: 2 });
});
test('put in so far: equipment of this water and all purchases; a loan costs nothing', () => {
  const { doc, water } = world();
  const part = (id: string, price: number | null, more = {}) => ({
    ...{ id, waterId: 't', name: id, kind: 'pump' as const, where: '', sinceDay: '2026-01-01', price },
    ...{ monthly: null, watts: null, breakInDays: 0, serviceEveryDays: null, services: [], settings: [] },
    ...{ loan: null, endedDay: null },
    ...more,
  });
  doc.equipment = {
    a: part('a', 100),
    gone: part('gone', 20, { endedDay: '2026-02-01' }),
    free: part('free', null),
    lent: part('lent', 500, { loan: { from: 'club', dueDay: '2026-06-01', returnedDay: null } }),
    other: part('other', 70, { waterId: 'u' }),
  };
  expect(setUpMoney(doc, water)).toEqual({ equipment: 120, unpriced: 1, animals: 42, all: 162 });
});
test('a month: nothing is guessed where its price is not said', () => {
  const { doc, water } = world();
  expect(monthMoney(doc, water, 100, NOW)).toEqual({
    current: null,
    stated: 0,
    salt: null,
    tests: null,
    changedL: 20,
  });
  doc.equipment = {
    p: {
      id: 'p',
      waterId: 't',
      name: 'Pump',
      kind: 'pump',
      where: '',
      sinceDay: '2026-01-01',
      price: 50,
      monthly: 3,
      watts: 10,
      breakInDays: 0,
      serviceEveryDays: null,
      services: [],
      settings: [],
      loan: null,
      endedDay: null,
    },
  };
  const costs = { perKWh: 0.3, saltPerKg: 4, testsAMonth: 6 };
  const month = monthMoney(doc, { ...water, costs }, 100, NOW);
  // By hand: 10 W all day for 30 days 7.2 kWh; 20 L of 38 g/L 0.76 kg.
  expect(month.current).toBeCloseTo(2.16, 9);
  expect(month.stated).toBe(3);
  expect(month.salt).toBeCloseTo(3.04, 9);
  expect(month.tests).toBe(6);
});
test('the planned change counts before what was logged', () => {
  const { doc, water } = world();
  const planned = { tempC: null, alkalinityDkh: null, change: { share: 0.1, everyDays: 10 } };
  expect(monthMoney(doc, { ...water, planned }, 100, NOW).changedL).toBeCloseTo(30, 9);
});
test('without a lid the jumpers are named with their worth: half of what the two cost, and the wish', () => {
  const { doc, water } = world();
  expect(jumpersWithoutLid(doc, { ...water, hasLid: false })).toEqual({ ids: ['fish', 'wish'], worth: 55 });
  expect(jumpersWithoutLid(doc, { ...water, hasLid: true }).ids).toEqual([]);
});
