import type { Forecast, Shown } from './forecast';
import { nextTest, volumeDoubt } from './teaching';
import { ACT, type Act } from './acts';
import { READ, type Observation, type Timeline } from './timeline';

const HORIZON = 40;
/** Two hundred futures: half get ready on day 5, half on day 30; what a kit would show of nitrite tells them apart from a day on. */
function shownFrom(tellsFrom: number, futures = 200): Shown {
  const early = (i: number) => i % 2 === 0;
  const ready = Float64Array.from({ length: futures }, (_, i) => (early(i) ? 5 : 30) + (i % 7) / 10);
  const days = HORIZON + 1;
  const ammonia = new Float64Array(days * futures);
  const nitrite = Float64Array.from({ length: days * futures }, (_, at) => {
    const day = Math.floor(at / futures);
    return day >= tellsFrom && !early(at % futures) ? 2 : 0;
  });
  const volume = Float64Array.from({ length: futures }, (_, i) => (early(i) ? 0.9 : 1.1) + (i % 9) / 1000);
  const nothing = new Float64Array(days * futures);
  return { futures, ready, ammonia, nitrite, nitrate: nothing, alkalinity: nothing, volume };
}
const forecast = { horizonDays: HORIZON, bands: [] as unknown } as Forecast;
const cells = { edges: [0.1, 0.3, 0.6, 1.2], share: 0.12, floor: 0.03 };
const reading = (day: number, what: 0 | 1, mid: number): Observation => ({
  day,
  what,
  low: 0,
  mid,
  high: 1,
  share: 0.1,
  floor: 0.03,
});
const timeline = (patch: Partial<Timeline> = {}): Timeline => ({
  startMs: 0,
  nowDay: 10,
  acts: [{ day: 1, code: ACT.ammonia, amount: 100 }],
  observations: [reading(10, READ.ammonia, 0), reading(10, READ.nitrite, 1)],
  believedL: 100,
  volumeSdShare: 0.1,
  tempC: 25,
  zeroAmmonia: 0.1,
  zeroNitrite: 0.05,
  animalsIn: false,
  joinedDay: null,
  cells: { ammonia: cells, nitrite: cells, nitrate: null, alkalinity: null },
  ...patch,
});

test('the parameter that tells the futures apart, on the first day on which it does', () => {
  const n = nextTest(forecast, shownFrom(2), timeline());
  expect(n).toMatchObject({ parameters: ['nitrite'], day: 2, why: 'teaches' });
  expect(n?.widthNow).toBeGreaterThan(24);
  // Either kind is known within half a day by then: what is left is the spread within each.
  expect(n?.widthThen).toBeLessThan(2);
});
test('where one future in five never gets there, the middle half is told, and a test still teaches', () => {
  const shown = shownFrom(2);
  for (let i = 0; i < shown.futures; i += 5) shown.ready[i] = Infinity;
  const n = nextTest(forecast, shown, timeline());
  expect(n).toMatchObject({ parameters: ['nitrite'], day: 2, of: 'half', why: 'teaches' });
  expect(n?.widthNow).toBeGreaterThan(24);
  expect(n?.widthNow).toBeLessThan(26);
});
test.each([
  [9, 'eightTenths'],
  [11, 'half'],
  [24, 'half'],
  [26, 'eightTenths'],
] as const)('with %i of 100 that never get there the band told is: %s', (never, of) => {
  const shown = shownFrom(2, 100);
  for (let i = 0; i < never; i++) shown.ready[i] = Infinity;
  expect(nextTest(forecast, shown, timeline())?.of).toBe(of);
  expect(volumeDoubt(shown, HORIZON).of).toBe(of);
});
test('alkalinity and nitrate are weighed for who reads them, nitrate only in water without nitrite', () => {
  /** Futures told apart by what is not ammonia or nitrite. */
  const told = (what: 'alkalinity' | 'nitrate', nitrite = 0): Shown => {
    const s = shownFrom(99);
    const by = s.ammonia.map((_, at) => ((at % s.futures) % 2 === 0 ? 0 : 2));
    return { ...s, nitrite: s.nitrite.map(() => nitrite), [what]: by };
  };
  const owns = { ammonia: cells, nitrite: cells, nitrate: cells, alkalinity: cells };
  for (const what of ['alkalinity', 'nitrate'] as const) {
    expect(nextTest(forecast, told(what), timeline({ cells: owns }))).toMatchObject({
      parameters: [what],
      why: 'teaches',
    });
    expect(nextTest(forecast, told(what), timeline())?.why).toBe('safe');
  }
  expect(nextTest(forecast, told('nitrate', 1), timeline({ cells: owns }))?.why).toBe('safe');
});
test('never later than may be waited, even when a later day would teach more', () => {
  const n = nextTest(forecast, shownFrom(9), timeline());
  expect(n).toMatchObject({ day: 4, why: 'safe', parameters: ['ammonia', 'nitrite'] });
});
test.each<[string, Partial<Timeline>, number]>([
  ['only nitrite left: four days', {}, 4],
  [
    'ammonia still there: two',
    { observations: [reading(10, READ.ammonia, 1), reading(10, READ.nitrite, 1)] },
    2,
  ],
  [
    'a dose since the last test: two',
    {
      acts: [{ day: 10, code: ACT.ammonia, amount: 100 } as Act].map((a) => ({ ...a, day: 10.01 })),
      nowDay: 10.02,
    },
    1.98,
  ],
  [
    'a dose into clear water is a proof: one day after it',
    {
      observations: [reading(9, READ.ammonia, 0), reading(9, READ.nitrite, 0)],
      acts: [{ day: 10, code: ACT.ammonia, amount: 100 }],
    },
    1,
  ],
  ['animals since yesterday: the third day after', { joinedDay: 9, animalsIn: true }, 2],
])('how long one may go without: %s', (_, patch, days) =>
  expect(nextTest(forecast, shownFrom(99), timeline(patch))?.day).toBe(Math.floor(days)),
);
test('not twice within half a day', () => {
  const n = nextTest(forecast, shownFrom(0), timeline({ nowDay: 10.3 }));
  expect(n?.day).toBe(1);
  expect(nextTest(forecast, shownFrom(0), timeline({ nowDay: 11 }))?.day).toBe(0);
});
test('the doubt of the volume is what is left of the date once it is known', () => {
  const doubt = volumeDoubt(shownFrom(99), HORIZON);
  expect(doubt.widthNow).toBeGreaterThan(24);
  // A fifth of the futures is at the edge between both kinds; the rest are of one kind.
  expect(doubt.widthThen).toBeLessThan(0.3 * doubt.widthNow);
});
