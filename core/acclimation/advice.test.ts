import { adviceFor, mayMove } from './advice';
import type { BagInput } from './bag';

const bag = (over: Partial<BagInput['bag']>, water: Partial<BagInput['water']> = {}): BagInput => ({
  bag: { litres: 1, salinity: 35, tempC: 24, ph: 7.9, tanMgNPerL: 0.1, alkalinityUmolPerKg: 2400, ...over },
  water: { salinity: 35, tempC: 25, alkalinityUmolPerKg: 2600, dicUmolPerKg: 2250, ...water },
  roomTempC: 21,
  floating: true,
  containerL: 3,
  pourToL: 1,
  dripLPerHour: 1,
  co2PerHour: 3,
  minutes: 120,
});
const JOURNEY = { ph: 6.9, tanMgNPerL: 5 };

test.each<[string, BagInput, string, string]>([
  ['no gap: the bag after a journey is moved', bag(JOURNEY), 'temperatureOnly', 'noGap'],
  ['no gap: a clean bag is moved as well', bag({}), 'temperatureOnly', 'noGap'],
  ['a gap in a clean bag is dripped', bag({ salinity: 32.5 }), 'slowDrip', 'cleanBag'],
  ['a gap downwards in a clean bag, too', bag({ salinity: 37 }, { salinity: 33 }), 'slowDrip', 'cleanBag'],
  [
    'a small gap after a journey is moved',
    bag({ ...JOURNEY, salinity: 33.2 }),
    'temperatureOnly',
    'gapMayBeMoved',
  ],
  [
    'a larger one goes over clean water',
    bag({ ph: 6.8, tanMgNPerL: 9, salinity: 32.2 }),
    'temperatureOnly',
    'cleanWaterFirst',
  ],
  [
    'more than three parts are never raised in one session',
    bag({ salinity: 30 }),
    'temperatureOnly',
    'cleanWaterFirst',
  ],
])('%s', (_, input, way, code) => {
  const advice = adviceFor(input);
  expect([advice.way, advice.because.code]).toEqual([way, code]);
});

test('a drip that is too slow for its bag is dripped quickly where that keeps under the limit', () => {
  const between = Array.from({ length: 24 }, (_, i) =>
    adviceFor(bag({ ph: 7, tanMgNPerL: 2 + i / 2, salinity: 32.2 })),
  );
  const quick = between.filter((a) => a.way === 'quickDrip');
  expect(quick.length).toBeGreaterThan(0);
  for (const a of quick) {
    expect(a.slow.peakFreeMgNPerL).toBeGreaterThanOrEqual(0.05);
    expect(a.quick.peakFreeMgNPerL).toBeLessThan(0.05);
  }
  // The worse the bag, the further from the slow drip.
  const order = ['slowDrip', 'quickDrip', 'temperatureOnly'];
  const ways = between.map((a) => order.indexOf(a.way));
  expect(ways).toEqual([...ways].sort());
});

test('invertebrates and corals bear one part either way, fish two up', () => {
  expect([mayMove(2, 'fish'), mayMove(2.1, 'fish'), mayMove(-3, 'fish')]).toEqual([true, false, true]);
  for (const animal of ['invertebrate', 'coral'] as const)
    expect([mayMove(1, animal), mayMove(1.1, animal), mayMove(-1, animal), mayMove(-1.1, animal)]).toEqual([
      true,
      false,
      true,
      false,
    ]);
  const gap = bag({ ...JOURNEY, salinity: 33.2 });
  expect(adviceFor(gap, 'fish').because.code).toBe('gapMayBeMoved');
  expect(adviceFor(gap, 'invertebrate').because.code).not.toBe('gapMayBeMoved');
});

test('the days over clean water are those of one part a day', () =>
  expect(adviceFor(bag({ salinity: 30 })).because).toMatchObject({ code: 'cleanWaterFirst', days: 5 }));
