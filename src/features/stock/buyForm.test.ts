import { METRIC } from '../../../core/units';
import { newBasket, readBuy, splitRow, withOneLess, withOneMore, type BuyTexts } from './buyForm';

const o = { units: METRIC, guarded: false, never: false };
const GOOD: BuyTexts = { ...newBasket(), rows: [{ speciesId: 'neon-goby', count: 1, waterId: 'q' }] };
const read = (over: Partial<BuyTexts>, more = {}) => readBuy({ ...GOOD, ...over }, { ...o, ...more });

test('the basket: one more, one less, and half of a kind to go elsewhere; nobody is lost on the way', () => {
  let rows = withOneMore([], 'a', 'q');
  for (let i = 0; i < 4; i++) rows = withOneMore(rows, 'a', 'elsewhere');
  expect(rows).toEqual([{ speciesId: 'a', count: 5, waterId: 'q' }]);
  rows = withOneMore(rows, 'b', 'q');
  const halves = splitRow(rows, 0);
  expect(halves.map((r) => [r.speciesId, r.count])).toEqual([
    ['a', 3],
    ['a', 2],
    ['b', 1],
  ]);
  expect(splitRow(halves, 2)).toEqual(halves);
  expect(withOneLess(halves, 2)).toHaveLength(2);
  expect(withOneLess(halves, 0)[0]?.count).toBe(2);
});
test('what was said is kept as it was said; what is left empty is not', () => {
  expect(read({})).toMatchObject({
    ok: true,
    said: { from: 'shop', price: null, quarantinedDays: null, bag: {} },
  });
  expect(
    read({ quarantinedDays: '14', treatedWith: ' copper ', ammonia: '2', ph: '7,1', price: '40' }),
  ).toMatchObject({
    ok: true,
    said: {
      quarantinedDays: 14,
      treatedWith: 'copper',
      price: 40,
      bag: { ph: 7.1, tanMgN: expect.closeTo(1.553, 3) },
    },
  });
});
test.each<[Partial<BuyTexts>, object, keyof BuyTexts, RegExp]>([
  [{ rows: [] }, {}, 'rows', /what was bought/],
  [{}, { never: true }, 'rows', /held copper/],
  [{}, { guarded: true }, 'why', /Say in your words/],
  [{ ph: '2' }, {}, 'ph', /must be/],
  [{ salinity: '60' }, {}, 'salinity', /must be/],
  [{ quarantinedDays: '2.5' }, {}, 'quarantinedDays', /whole/i],
  [{ price: 'cheap' }, {}, 'price', /not a number/],
])('%j %j is questioned', (over, more, field, says) => {
  const r = read(over, more);
  expect(r.ok ? {} : r.faults).toEqual({ [field]: expect.stringMatching(says) });
});
test('with a reason the guard is passed', () =>
  expect(read({ why: 'no other water' }, { guarded: true }).ok).toBe(true));
