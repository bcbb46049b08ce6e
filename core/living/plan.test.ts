/** The plan of an Act now: which steps in which order, and each amount by a second way. */
import { DAY, displayEvidence, History, START_MS, type Readings } from '../testing/history';
import { PRECISE_KITS } from '../testing/precise';
import { afterMixing, freeAmmoniaFraction, FREE_AMMONIA, type MixedWater } from '../seawater';
import { changesFor, waterNow } from './change';
import type { Trouble } from './finding';
import { LIVING } from './limits';
import { actPlan } from './plan';

const NOW = START_MS + 10.5 * DAY;
const of = (readings: Readings, tell: (h: History) => History = (h) => h) =>
  displayEvidence(
    tell(new History('zeroZero', PRECISE_KITS).animal(-90, 'ocellaris-clownfish').test(10, readings)).doc,
    NOW,
  );
const BASE: Readings = { ammonia: 0, ph: 8.2, temperature: 25, salinity: 35, alkalinity: 8 };
const plan = (troubles: Trouble[], readings: Readings = BASE) =>
  actPlan(of({ ...BASE, ...readings }), new Set(troubles));
const codes = (troubles: Trouble[], readings?: Readings) => plan(troubles, readings).steps.map((s) => s.code);
const step = (troubles: Trouble[], code: string, readings?: Readings) =>
  plan(troubles, readings).steps.find((s) => s.code === code);

describe('the steps in their order', () => {
  test.each<[Trouble[], Readings, string[]]>([
    [
      ['ammonia'],
      { ammonia: 0.8 },
      [
        'stepPowerOff',
        'stepAir',
        'stepDeadOut',
        'stepChange',
        'stepBackOn',
        'stepChangeNext',
        'stepNoFood',
        'stepTestAt',
      ],
    ],
    [
      ['nitrite'],
      { nitrite: 6 },
      ['stepPowerOff', 'stepAir', 'stepChangeNitrite', 'stepBackOn', 'stepNoFood', 'stepTestAt'],
    ],
    [['hot'], { temperature: 31 }, ['stepHeaterOff', 'stepAir', 'stepCool', 'stepTestAt']],
    [['cold'], { temperature: 18 }, ['stepHeaterCheck', 'stepWarm', 'stepTestAt']],
    [['heatMoved'], { temperature: 27 }, ['stepHeaterCheck', 'stepHoldHeat', 'stepTestAt']],
    [['salty'], { salinity: 41 }, ['stepMeasureAgain', 'stepSaltDown', 'stepTestAt']],
    [['fresh'], { salinity: 27 }, ['stepMeasureAgain', 'stepSaltUp', 'stepTestAt']],
    [['saltMoved'], { salinity: 33 }, ['stepMeasureAgain', 'stepHoldSalt', 'stepTestAt']],
    [['phLow'], { ph: 7.3 }, ['stepAir', 'stepMeasureAgain', 'stepFreshAir', 'stepTestAt']],
    [['phHigh'], { ph: 9 }, ['stepStopDoser', 'stepMeasureAgain', 'stepTestAt']],
    [['oxygen'], { oxygen: 4 }, ['stepAir', 'stepDeadOut', 'stepNoFood', 'stepTestAt']],
    [['alkalinity'], { alkalinity: 4.5 }, ['stepMeasureAgain', 'stepBicarbonate', 'stepTestAt']],
    [
      ['hot', 'oxygen'],
      { temperature: 31 },
      ['stepHeaterOff', 'stepAir', 'stepDeadOut', 'stepCool', 'stepNoFood', 'stepTestAt'],
    ],
  ])('%p', (troubles, readings, expected) => expect(codes(troubles, readings)).toEqual(expected));

  test.each<[Trouble[], string[]]>([
    [['ammonia'], ['avoidRaising']],
    [['nitrite'], []],
    [['hot'], ['avoidIce']],
    [['cold'], []],
    [['phHigh'], ['avoidAcid']],
    [['phLow'], ['avoidBuffer']],
    [['salty'], ['avoidSaltIn']],
    [['fresh'], ['avoidSaltIn']],
    [['saltMoved'], ['avoidSaltIn']],
    [['alkalinity'], []],
    [
      ['ammonia', 'hot', 'phLow'],
      ['avoidRaising', 'avoidIce', 'avoidBuffer'],
    ],
  ])('what to avoid with %p', (troubles, expected) =>
    expect(plan(troubles).avoid.map((s) => s.code)).toEqual(expected),
  );
  test('where ammonia is found, nothing that raises its free share, whatever the trouble', () => {
    for (const trouble of ['phLow', 'cold', 'alkalinity'] as const)
      expect(plan([trouble], { ammonia: 0.3 }).avoid.map((s) => s.code)).toContain('avoidRaising');
    expect(plan(['hot'], { ammonia: 0.3 }).avoid.map((s) => s.code)).toEqual(['avoidIce']);
  });
  test('a way without water only where water is asked for', () => {
    expect(plan(['ammonia'], { ammonia: 1 }).without?.code).toBe('noWaterReady');
    expect(plan(['nitrite'], { nitrite: 6 }).without?.code).toBe('noWaterReady');
    expect(plan(['hot', 'salty', 'oxygen']).without).toBeNull();
  });
  test('what to read again, by what is wrong: in an hour, and half a day after that', () => {
    const asked = (...troubles: Trouble[]) => step(troubles, 'stepTestAt');
    expect(asked('ammonia', 'hot', 'fresh', 'phLow', 'oxygen', 'alkalinity')).toEqual({
      code: 'stepTestAt',
      parameters: ['ammonia', 'temperature', 'salinity', 'ph', 'oxygen', 'alkalinity'],
      atMs: NOW + 3_600_000,
      laterMs: NOW + 13 * 3_600_000,
    });
    for (const [trouble, parameter] of [
      ['nitrite', 'nitrite'],
      ['cold', 'temperature'],
      ['heatMoved', 'temperature'],
      ['salty', 'salinity'],
      ['saltMoved', 'salinity'],
      ['phHigh', 'ph'],
    ] as const)
      expect(asked(trouble)).toMatchObject({ parameters: [parameter] });
  });
});

describe('amounts', () => {
  test('31 to 26 °C at one an hour, above 32 at two; from 18 to 24 at one', () => {
    expect(step(['hot'], 'stepCool', { temperature: 31 })).toMatchObject({
      tempC: 31,
      toC: 26,
      perHour: 1,
      hours: 5,
    });
    expect(step(['hot'], 'stepCool', { temperature: 33 })).toMatchObject({ perHour: 2, hours: 4 });
    expect(step(['hot'], 'stepCool', { temperature: 32 })).toMatchObject({ perHour: 1, hours: 6 });
    expect(step(['cold'], 'stepWarm', { temperature: 18 })).toMatchObject({ toC: 24, perHour: 1, hours: 6 });
    expect(step(['heatMoved'], 'stepHoldHeat', { temperature: 27.2 })).toMatchObject({ tempC: 27.2 });
  });
  test('41 ppt: 1 of 41 parts swapped for fresh water today, five days to 36', () => {
    const down = step(['salty'], 'stepSaltDown', { salinity: 41 });
    expect(down).toMatchObject({ toToday: 40, salinity: 36, days: 5 });
    // By mass: what is left of 41 in 100 L after the swap makes 40.
    expect(down && 'litres' in down && (41 * (100 - down.litres)) / 100).toBeCloseTo(40, 9);
    expect(step(['salty'], 'stepSaltDown', { salinity: 36.4 })).toMatchObject({ toToday: 36, days: 1 });
  });
  test('27 ppt: a ninth swapped for 36 today, six days to 33', () => {
    const up = step(['fresh'], 'stepSaltUp', { salinity: 27 });
    expect(up).toMatchObject({ incoming: 36, toToday: 28, salinity: 33, days: 6 });
    expect(up && 'litres' in up && (27 * (100 - up.litres) + 36 * up.litres) / 100).toBeCloseTo(28, 9);
    expect(step(['fresh'], 'stepSaltUp', { salinity: 32.7 })).toMatchObject({ toToday: 33, days: 1 });
  });
  test('alkalinity 4.5: 1 dKH in 100 L is 2.996 g bicarbonate a day, three days to 7', () => {
    const raise = step(['alkalinity'], 'stepBicarbonate', { alkalinity: 4.5 });
    expect(raise).toMatchObject({ rise: 1, days: 3 });
    expect(raise && 'grams' in raise && raise.grams).toBeCloseTo(2.996, 9);
  });
});

describe('how much to change', () => {
  const changes = (readings: Readings, byFree = true) => changesFor(of({ ...BASE, ...readings }), byFree);
  const fresh = (now: MixedWater): MixedWater => ({ ...now, totalMgN: 0, ph: 8.2, alkalinityDkh: 8.5 });

  test('each change is what mixing makes of it, one after the other', () => {
    const now = waterNow(of({ ...BASE, ammonia: 2 }));
    let water: MixedWater = now;
    const planned = changes({ ammonia: 2 });
    expect(planned.length).toBeGreaterThan(1);
    for (const c of planned) {
      const after = afterMixing(water, fresh(now), c.litres / 100);
      expect(c.fromMgN).toBeCloseTo(water.totalMgN, 9);
      expect(c.toMgN).toBeCloseTo(after.totalMgN, 9);
      expect(c.toFreeMgN).toBeCloseTo(after.freeMgN, 9);
      expect(c.toFreeMgN).toBeLessThan(c.fromFreeMgN);
      expect([c.netL, c.salinity, c.tempC]).toEqual([100, 35, 25]);
      water = after;
    }
  });
  test('the smallest share that does it in one, by trying them all', () => {
    const [only, ...more] = changes({ ammonia: 0.4, ph: 8.2 });
    expect(more).toEqual([]);
    const now = waterNow(of({ ...BASE, ammonia: 0.4 }));
    const enough = Array.from({ length: 15 }, (_, i) => 0.2 + i * 0.05).find(
      (share) => afterMixing(now, fresh(now), share).freeMgN <= FREE_AMMONIA.longTerm,
    );
    expect((only?.litres ?? 0) / 100).toBeCloseTo(enough ?? 0, 9);
  });
  test('half where that is kind; three quarters where half would still burn, or in an emergency', () => {
    expect(changes({ ammonia: 0.8 })[0]?.litres).toBeCloseTo(50, 9);
    expect(changes({ ammonia: 1.6 })[0]?.litres).toBeCloseTo(75, 9);
    expect(changes({ ammonia: 4 })[0]?.litres).toBeCloseTo(75, 9);
    expect(changes({ ammonia: 4 })).toHaveLength(3);
  });
  test('acid water full of ammonium: half would raise the free share, so it is nine tenths at once', () => {
    const acid = { ammonia: 3, ph: 7.2, alkalinity: 5.2 };
    const now = waterNow(of({ ...BASE, ...acid }));
    expect(afterMixing(now, fresh(now), 0.5).freeMgN).toBeGreaterThan(
      afterMixing(now, fresh(now), 0).freeMgN,
    );
    const [first] = changes(acid);
    expect((first?.litres ?? 0) / 100).toBeGreaterThanOrEqual(0.85);
    expect(first?.toFreeMgN).toBeLessThan(first?.fromFreeMgN ?? 0);
  });
  test('where even that would raise it the animals are moved', () => {
    const worse = { ammonia: 3, ph: 6.6, alkalinity: 3 };
    expect(changes(worse)).toEqual([]);
    expect(codes(['ammonia'], worse)).toEqual([
      'stepAir',
      'stepDeadOut',
      'stepMoveOut',
      'stepNoFood',
      'stepTestAt',
    ]);
    expect(step(['ammonia'], 'stepMoveOut', worse)).toMatchObject({ salinity: 35, tempC: 25 });
  });
  test('water off the scale of the constants is not reckoned with', () => {
    expect(changes({ ammonia: 2, salinity: 15 })).toEqual([]);
    expect(changes({ ammonia: 2, salinity: 19 }).length).toBeGreaterThan(0);
    expect(changes({ ammonia: 2, temperature: 36 })).toEqual([]);
  });
  test('nitrite is halved', () => {
    expect(changes({ nitrite: 6 }, false)).toMatchObject([
      { species: 'nitrite', litres: 50, fromMgN: 6, toMgN: 3, netL: 100 },
    ]);
  });
});

describe('the water as it is now', () => {
  test('what was not read is taken on the careful side', () => {
    expect(waterNow(of({ ammonia: 1 }))).toEqual({
      totalMgN: 1,
      ph: LIVING.assumedPh,
      alkalinityDkh: LIVING.assumedAlkalinity,
      salinity: LIVING.assumedSalinity,
      tempC: LIVING.assumedTempC,
    });
  });
  test('a change since the reading is mixed in', () => {
    const e = of({ ...BASE, ammonia: 2 }, (h) => h.event(10.2, { kind: 'waterChange', litres: 25 }));
    expect(waterNow(e).totalMgN).toBeCloseTo(1.5, 9);
  });
  test('a monitor of free ammonia that was read last says what the total must be', () => {
    const kits = [
      ...PRECISE_KITS,
      {
        ...PRECISE_KITS.find((k) => k.parameter === 'ammonia')!,
        id: 'kit-freeAmmonia',
        parameter: 'freeAmmonia' as const,
      },
    ];
    const h = new History('zeroZero', kits)
      .animal(-90, 'ocellaris-clownfish')
      .test(9, { ...BASE, ammonia: 0.1 })
      .test(10, { freeAmmonia: 0.1, ph: 8.2 });
    const share = freeAmmoniaFraction(8.2, 25, 35);
    expect(waterNow(displayEvidence(h.doc, NOW)).totalMgN).toBeCloseTo(0.1 / share, 6);
    h.test(10.2, { ammonia: 0.3 });
    expect(waterNow(displayEvidence(h.doc, NOW)).totalMgN).toBeCloseTo(0.3, 9);
  });
});
