import { acclimate, quarantine } from './arrivals';
import { InputError } from './input';

const BAG = {
  bag: { litres: 1.5, salinity: 35, tempC: 25, ph: 7, tanMgNPerL: 2, alkalinityUmolPerKg: 2500 },
  water: { salinity: 35, tempC: 25, alkalinityUmolPerKg: 2600, dicUmolPerKg: 2250 },
  roomTempC: 25,
  floating: true,
  containerL: 3,
  pourToL: 1.5,
  dripLPerHour: 1.5,
  co2PerHour: 1,
  minutes: 120,
};
const bag = (over: object) => acclimate(JSON.stringify({ ...BAG, ...over })) as Record<string, unknown>;
const refused = (run: () => unknown): string => {
  try {
    run();
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
  return 'not refused';
};

describe('acclimate', () => {
  test('the check value: 2 mg N/L at 1.5 L/h peaks at 0.027 after 65 minutes', () => {
    const out = bag({});
    expect(Math.abs((out.peakFreeMgNPerL as number) - 0.027)).toBeLessThan(0.0006);
    expect(Math.abs((out.peakAtMinute as number) - 65)).toBeLessThanOrEqual(1);
    expect(out).toMatchObject({ doneAtMinute: 0, advice: 'temperatureOnly' });
    expect((out.series as object[]).length).toBe(121);
    expect((out.series as object[])[60]).toMatchObject({ minute: 60, litres: 1.5, salinity: 35 });
    expect(out.because).toMatch(/nothing to drip for: it would only let free ammonia rise from 0\.011/);
  });
  test('the water by its pH is the water by its carbon: 8.08 is 2250', () => {
    const { dicUmolPerKg: _, ...water } = BAG.water;
    const byPh = bag({ water: { ...water, ph: 8.08 } }).peakFreeMgNPerL as number;
    expect(byPh).toBeCloseTo(bag({}).peakFreeMgNPerL as number, 4);
  });
  test('a clean bag with a gap is dripped; for a coral less may be moved at once', () => {
    const clean = { ...BAG.bag, ph: 8, tanMgNPerL: 0.1, salinity: 32.5 };
    expect(bag({ bag: clean }).advice).toBe('slowDrip');
    const dirty = { ...BAG.bag, ph: 7, tanMgNPerL: 9, salinity: 33.2 };
    expect(bag({ bag: dirty }).because).toMatch(/may be taken at once/);
    expect(bag({ bag: dirty, animal: 'coral' }).because).not.toMatch(/may be taken at once/);
  });
  test.each<[string, object]>([
    ['"bag.salinity" must be between', { bag: { ...BAG.bag, salinity: 50 } }],
    ['"bag.ph" must be between', { bag: { ...BAG.bag, ph: 2 } }],
    ['"bag.litres" must be above 0', { bag: { ...BAG.bag, litres: 0 } }],
    ['"bag.tempC": Invalid input', { bag: { ...BAG.bag, tempC: 'warm' } }],
    ['"water" must have one of', { water: { ...BAG.water, ph: 8 } }],
    ['"water.ph" must be between', { water: { salinity: 35, tempC: 25, alkalinityUmolPerKg: 2600, ph: 2 } }],
    ['"containerL" must be more than', { containerL: 1 }],
    ['"pourToL" must be less than', { pourToL: 4 }],
    ['"minutes" must be between', { minutes: -1 }],
    ['Unrecognized key', { moon: 'full' }],
  ])('%s', (says, over) => expect(refused(() => bag(over))).toContain(says));
  test('no JSON is said to be none', () => expect(refused(() => acclimate('{'))).toMatch(/is not JSON/));
});

describe('quarantine', () => {
  const TANK = {
    loadMgNPerDay: 10,
    netL: 60,
    ph: 8.1,
    tempC: 25,
    salinity: 35,
    totalLimitMgNPerL: 0.3,
    everyDays: 1,
  };
  const tank = (over: object) => quarantine(JSON.stringify({ ...TANK, ...over }));
  test('the check values of a bare tank', () => {
    expect(tank({})).toMatchObject({
      fraction: expect.closeTo(0.556, 3),
      feasible: true,
      firstReachedDays: expect.closeTo(1.8, 6),
    });
    expect(tank({ everyDays: 2 })).toMatchObject({
      fraction: expect.closeTo(1.11, 2),
      feasible: false,
      litresPerWeek: null,
    });
    expect(tank({ loadMgNPerDay: 0 })).toMatchObject({ fraction: 0, firstReachedDays: null });
  });
  test('a free limit goes through the free share of Bell', () => {
    const { totalLimitMgNPerL: _, ...rest } = TANK;
    const free = quarantine(JSON.stringify({ ...rest, freeLimitMgNPerL: 0.3 * 0.052 })) as {
      fraction: number;
    };
    expect(free.fraction).toBeCloseTo(0.556, 2);
  });
  test.each<[string, object]>([
    ['"netL" must be above 0', { netL: 0 }],
    ['one of "freeLimitMgNPerL" and "totalLimitMgNPerL"', { freeLimitMgNPerL: 0.02 }],
    ['"everyDays" must be between', { everyDays: 0 }],
    ['"salinity" must be between', { salinity: 70 }],
    ['"loadMgNPerDay": Invalid input', { loadMgNPerDay: null }],
  ])('%s', (says, over) => expect(refused(() => tank(over))).toContain(says));

  const CLOCK = {
    clockDays: 7,
    joins: ['2026-03-01'],
    looks: [
      { day: '2026-03-01', result: 'clear' },
      { day: '2026-03-03', result: 'sign' },
      { day: '2026-03-05', result: 'healed' },
      { day: '2026-03-06', result: 'clear' },
    ],
    today: '2026-03-06',
  };
  const clock = (over: object) => quarantine(JSON.stringify({ ...CLOCK, ...over }));
  test('a clock by dates and the same by numbers', () => {
    expect(clock({})).toEqual({
      status: 'running',
      clockDay: 2,
      releaseDay: '2026-03-12',
      restarts: [{ day: '2026-03-05', because: 'all were healed after the sign of day 2026-03-03' }],
      missedDays: ['2026-03-02', '2026-03-04'],
    });
    const looks = CLOCK.looks.map((l) => ({ ...l, day: Number(l.day.slice(-2)) }));
    expect(clock({ joins: [1], looks, today: 6 })).toMatchObject({ releaseDay: 12, missedDays: [2, 4] });
  });
  test.each<[string, object]>([
    ['"looks[0].day" lies in the future', { looks: [{ day: '2026-03-09', result: 'clear' }] }],
    ['"looks[0].result"', { looks: [{ day: '2026-03-01', result: 'fine' }] }],
    ['"today"', { today: 'soon' }],
    ['must all be dates', { today: 6 }],
    ['"joins"', { joins: [] }],
  ])('%s', (says, over) => expect(refused(() => clock(over))).toContain(says));
});
