/** What asks for a test before any reading speaks, and what is free of an ammonia: just before and just after each edge. */
import { GONE, type Water } from '../document';
import { freeAmmoniaFraction } from '../seawater';
import { DAY, History, provedHistory, START_MS, type Readings } from '../testing/history';
import { PRECISE_KITS } from '../testing/precise';
import { gatherEvidence } from '../evidence';
import { freeAmmonia } from './freeAmmonia';
import { mishapFindings, riskFindings } from './risks';
import { movementOf } from './rates';

const HOUR = 1 / 24;
const ms = (day: number): number => START_MS + day * DAY;
const GOOD: Readings = { ammonia: 0, temperature: 25, salinity: 35 };
const stocked = () => new History('zeroZero', PRECISE_KITS).animal(-90, 'ocellaris-clownfish').test(9, GOOD);
const at = (h: History, day: number) => gatherEvidence(h.doc, 't', ms(day));
const codes = (h: History, day: number) => riskFindings(at(h, day)).map((f) => f.finding.code);

describe('what happened', () => {
  const look = (missing: string) =>
    ({ kind: 'observation', smell: 'sea', sound: 'usual', clarity: 'clear', missing }) as const;
  test('something not seen, until it is tested or seen', () => {
    const unseen = () => stocked().event(10, look('the goby'));
    expect(riskFindings(at(unseen(), 10.1))).toMatchObject([
      {
        word: 'test',
        finding: { code: 'missingAsksTest', missing: 'the goby' },
        opens: { parameters: ['ammonia'] },
      },
    ]);
    expect(codes(unseen().event(10.05, look('')), 10.1)).toEqual([]);
    expect(codes(unseen().test(10.05, { ammonia: 0 }), 10.1)).toEqual([]);
    expect(codes(stocked().event(10, { kind: 'note' }), 10.1)).toEqual([]);
  });
  test('a death is asked for three days long, a sale is not', () => {
    const gone = (reason: 'died' | 'rehomed' | 'returned' | 'eaten') => {
      const h = stocked().animal(-80, 'neon-goby');
      const goby = Object.values(h.doc.animals)[1]!;
      h.doc.animals[goby.id] = {
        ...goby,
        moves: [...goby.moves, { to: GONE(reason), at: h.at(10), why: '' }],
      };
      return h;
    };
    expect(codes(gone('died'), 13)).toContain('deathAsksTest');
    expect(codes(gone('died'), 13.001)).not.toContain('deathAsksTest');
    expect(codes(gone('eaten'), 10.1)).toEqual(['deathAsksTest']);
    expect([codes(gone('rehomed'), 10.1), codes(gone('returned'), 10.1)]).toEqual([[], []]);
    expect(mishapFindings(at(gone('died'), 10.1))).toHaveLength(1);
  });
  test('the day after begins eighteen hours later, and a test from then on answers it', () => {
    const cleaned = () =>
      stocked().event(10, { kind: 'incident', what: 'filterCleaned' }).test(10.1, { ammonia: 0 });
    expect(codes(cleaned(), 10 + 17.99 * HOUR)).toEqual([]);
    expect(codes(cleaned(), 10 + 18 * HOUR)).toEqual(['incidentDayAfter']);
    expect(codes(cleaned().test(10 + 17.99 * HOUR, { ammonia: 0 }), 11)).toEqual(['incidentDayAfter']);
    expect(codes(cleaned().test(10 + 18 * HOUR, { ammonia: 0 }), 11)).toEqual([]);
  });
  describe('more food than the filter keeps up with', () => {
    const meal = (day: number, grams: number, food: 'pellets' | 'frozen' | 'seafood' = 'pellets') =>
      stocked().event(day, { kind: 'food', food, grams });
    test('in 100 L as much as a first addition may bring is not asked about, more is, with amounts', () => {
      // 75 mg N/g x 6.25 x 0.092 is 43.125 mg N a gram; 0.1 mg N a litre is 10.
      expect(codes(meal(10, 0.231), 10.1)).toEqual([]);
      expect(riskFindings(at(meal(10, 0.24), 10.1))).toMatchObject([
        {
          word: 'test',
          finding: { code: 'fedAsksTest', madeMgN: expect.closeTo(10.35, 6), keptUpMgN: 10, isOut: false },
          opens: { parameters: ['ammonia'] },
        },
      ]);
    });
    test('meals of one day count together, frozen food by its water, raw seafood whole', () => {
      const two = (ago: number) =>
        meal(10 - ago, 0.15).event(10, { kind: 'food', food: 'pellets', grams: 0.15 });
      expect(codes(two(0.9), 10.1)).toEqual(['fedAsksTest']);
      expect(codes(two(1), 10.1)).toEqual([]);
      expect(codes(meal(10, 1.08, 'frozen'), 10.1)).toEqual([]);
      expect(codes(meal(10, 1.1, 'frozen'), 10.1)).toEqual(['fedAsksTest']);
    });
    test('raw seafood is watched while what rots of it in a day is more, until it is logged out; then it is tested for', () => {
      // 27.5 mg N/g, a quarter a day: 1 - exp(-0.25) is 0.2212, so 80 g make 487 mg in the first day, and 10 in the sixteenth.
      expect(riskFindings(at(meal(10, 80, 'seafood'), 10))).toMatchObject([
        {
          word: 'watch',
          finding: { code: 'seafoodRots', madeMgN: expect.closeTo(486.6, 1), keptUpMgN: 10 },
          opens: { code: 'seafoodOutNow' },
        },
      ]);
      expect(codes(meal(10, 1.6, 'seafood'), 10.01)).toEqual([]);
      expect(codes(meal(10, 1.7, 'seafood'), 10.01)).toEqual(['seafoodRots']);
      const tested = (day: number) => meal(10, 80, 'seafood').test(day - 0.1, GOOD);
      expect(codes(tested(25), 25)).toEqual(['seafoodRots']);
      expect(codes(tested(26), 26)).toEqual([]);
      const out = meal(10, 80, 'seafood').event(11, { kind: 'seafoodOut' });
      expect(riskFindings(at(out, 11.1))).toMatchObject([{ finding: { code: 'fedAsksTest', isOut: true } }]);
      const andPellets = out.event(11.05, { kind: 'food', food: 'pellets', grams: 0.3 });
      expect(riskFindings(at(andPellets, 11.1))).toMatchObject([
        { finding: { code: 'fedAsksTest', isOut: false } },
      ]);
      expect(codes(out.test(11.2, { ammonia: 0 }), 11.3)).toEqual([]);
    });
    test('twice what the animals eat is usual; so is what was proved near zero', () => {
      const many = meal(10, 0.3).animal(-80, 'ocellaris-clownfish', 30);
      expect(codes(many, 10.1)).toEqual([]);
      // Cleared at 2 mg/L some 29 mg N a day near zero, 5 % a day less without food.
      const proved = (grams: number) =>
        provedHistory()
          .animal(29, 'neon-goby')
          .test(29, GOOD)
          .event(29.5, { kind: 'food', food: 'pellets', grams });
      expect(codes(proved(0.5), 29.6)).toEqual([]);
      expect(codes(proved(0.7), 29.6)).toEqual(['fedAsksTest']);
    });
    test('a test after it and one the day after answer it', () => {
      const tested = meal(10, 1).test(10.2, { ammonia: 0 });
      expect(codes(tested, 10 + 17.9 * HOUR)).toEqual([]);
      expect(codes(tested, 10 + 18.1 * HOUR)).toEqual(['fedDayAfter']);
      expect(codes(tested.test(10.9, { ammonia: 0 }), 11)).toEqual([]);
    });
  });
  test('a monitor of free ammonia answers too', () => {
    const kits = [
      ...PRECISE_KITS,
      {
        ...PRECISE_KITS.find((k) => k.parameter === 'ammonia')!,
        id: 'kit-freeAmmonia',
        parameter: 'freeAmmonia' as const,
      },
    ];
    const h = new History('zeroZero', kits).animal(-90, 'ocellaris-clownfish').test(9, GOOD);
    h.event(10, { kind: 'incident', what: 'foodSpilled' }).test(10.1, { freeAmmonia: 0.001 });
    expect(codes(h, 10.2)).toEqual([]);
  });
  test('what lasted is followed from its end, and a power cut asks for the heat as well', () => {
    const cut = (until?: string) =>
      stocked().event(10, { kind: 'incident', what: 'powerCut', ...(until ? { until } : {}) });
    const h = cut(stocked().at(12));
    expect(codes(h, 14.9)).toContain('incidentAsksTest');
    expect(codes(cut(), 14.9)).not.toContain('incidentAsksTest');
    expect(riskFindings(at(cut(), 10.1))).toMatchObject([
      { opens: { parameters: ['temperature', 'ammonia'] } },
    ]);
  });
});

describe('much of the water changed', () => {
  const changed = (litres: number) => stocked().event(10, { kind: 'waterChange', litres });
  test('over three tenths, for three days or until it is read', () => {
    expect(codes(changed(29.9), 10.1)).toEqual([]);
    expect(riskFindings(at(changed(30.1), 10.1))).toMatchObject([
      { finding: { code: 'changedSinceTest', parameters: ['salinity', 'temperature'] } },
    ]);
    expect(codes(changed(60), 13)).toEqual(['changedSinceTest']);
    expect(codes(changed(60), 13.001)).toEqual([]);
    expect(riskFindings(at(changed(60).test(10.1, { salinity: 35 }), 10.2))).toMatchObject([
      { finding: { parameters: ['temperature'] } },
    ]);
  });
  test('what was never read is not asked for because of a change', () => {
    const h = new History('zeroZero', PRECISE_KITS)
      .animal(-90, 'ocellaris-clownfish')
      .test(9, { ammonia: 0, temperature: 25 });
    h.event(10, { kind: 'waterChange', litres: 60 });
    expect(riskFindings(at(h, 10.1))[0]).toMatchObject({ finding: { parameters: ['temperature'] } });
  });
});

describe('too long without a test', () => {
  const silent = (joined: number, readings: Readings = GOOD) =>
    new History('zeroZero', PRECISE_KITS).animal(joined, 'ocellaris-clownfish').test(9, readings);
  const asked = (h: History, day: number) =>
    riskFindings(at(h, day)).flatMap((f) => ('parameters' in f.finding ? f.finding.parameters : []));
  test('ammonia: four days in the month after an addition, fourteen later', () => {
    expect([asked(silent(0), 13), asked(silent(0), 13.001)]).toEqual([[], ['ammonia']]);
    expect(asked(silent(-90), 23)).not.toContain('ammonia');
    expect(asked(silent(-90), 23.001)).toContain('ammonia');
    // The month ends on its thirtieth day.
    expect(asked(silent(-17), 13)).toEqual([]);
    expect(asked(silent(-17.001), 13.5)).toEqual([]);
    expect(asked(silent(-16.4), 13.5)).toEqual(['ammonia']);
  });
  test('temperature seven days, salinity fourteen', () => {
    expect(asked(silent(-90), 16)).toEqual([]);
    expect(asked(silent(-90), 16.001)).toEqual(['temperature']);
    expect(asked(silent(-90), 23.001)).toEqual(['ammonia', 'temperature', 'salinity']);
  });
  test('never read is said as never; a doubted or too coarse reading is none', () => {
    expect(riskFindings(at(silent(-90, { temperature: 25 }), 9.1))).toMatchObject([
      { finding: { code: 'neverTested', parameters: ['ammonia', 'salinity'] } },
    ]);
    const coarse = PRECISE_KITS.map((k) =>
      k.parameter === 'ammonia'
        ? { ...k, basis: 'ion' as const, scale: { kind: 'steps' as const, steps: [0, 1], topOpen: true } }
        : k,
    );
    const h = new History('zeroZero', coarse).animal(0, 'ocellaris-clownfish').test(5, GOOD).test(9.5, GOOD);
    expect(asked(h, 9.6)).toContain('ammonia');
  });
  const serving = (water: object) => {
    const h = silent(-90);
    const t = h.doc.waters.t!;
    const base = {
      id: 't',
      name: 'T',
      startDay: null,
      size: t.size,
      sumpL: 0,
      rockKg: 0,
      sandKg: 0,
      hasLid: true,
    };
    h.doc.waters.t = { ...base, runs: [{ openedDay: '2026-01-01', closedDay: null }], ...water } as Water;
    return h;
  };
  const quarantine = { kind: 'quarantine', line: 'fish', clockDays: 28, serves: [] } as const;
  test('little bare water: two days; cycled media as long as a display', () => {
    for (const bare of [{ kind: 'holding' } as const, { ...quarantine, filter: 'uncycled' } as const]) {
      expect(asked(serving(bare), 11)).toEqual([]);
      expect(asked(serving(bare), 11.001)).toEqual(['ammonia']);
    }
    expect(asked(serving({ ...quarantine, filter: 'cycled' }), 12)).toEqual([]);
  });
});

describe('what is free of an ammonia', () => {
  const kits = [
    ...PRECISE_KITS,
    {
      ...PRECISE_KITS.find((k) => k.parameter === 'ammonia')!,
      id: 'kit-freeAmmonia',
      parameter: 'freeAmmonia' as const,
    },
  ];
  const told = () => new History('zeroZero', kits);
  const free = (h: History, day = 11) => freeAmmonia(at(h, day));
  test('the newer of monitor and total counts, of one time the higher', () => {
    const share = freeAmmoniaFraction(8.1, 25, 35);
    const base = { ph: 8.1, temperature: 25, salinity: 35 };
    expect(
      free(
        told()
          .test(9, { ...base, ammonia: 1 })
          .test(10, { freeAmmonia: 0.01 }),
      ),
    ).toMatchObject({
      measured: true,
      mgNPerL: 0.01,
    });
    const older = free(
      told()
        .test(9, { ...base, freeAmmonia: 0.01 })
        .test(10, { ammonia: 1 }),
    );
    expect(older).toMatchObject({ measured: false, phAssumed: false, ph: 8.1 });
    expect(older?.mgNPerL).toBeCloseTo(share, 9);
    expect(free(told().test(10, { ...base, ammonia: 1, freeAmmonia: 0.2 }))).toMatchObject({
      measured: true,
    });
    expect(free(told().test(10, { ...base, ammonia: 1, freeAmmonia: 0.01 }))).toMatchObject({
      measured: false,
    });
    expect(free(told().test(10, { freeAmmonia: 0 }))?.mgNPerL).toBe(0);
  });
  test('a pH of the same half day; else the highest of the week; else one on the careful side', () => {
    const read = (...phs: [number, number][]) => {
      const h = told();
      for (const [day, ph] of phs) h.test(day, { ph });
      return free(h.test(10, { ammonia: 1 }));
    };
    expect(read([7, 8.4], [9.6, 8])).toMatchObject({ ph: 8, phAssumed: false });
    expect(read([7, 8.4], [9.49, 8])).toMatchObject({ ph: 8.4 });
    expect(read([3, 8.4])).toMatchObject({ ph: 8.4 });
    expect(read([2.99, 8.4])).toMatchObject({ ph: 8.3, phAssumed: true });
  });
  test('off the scale of the formula nothing is reckoned, monitor or not', () => {
    expect(free(told().test(10, { ammonia: 1, temperature: 36 }))).toBeNull();
    expect(free(told().test(10, { freeAmmonia: 0.1, temperature: 36 }))).toBeNull();
  });
});

describe('movement', () => {
  const moved = (h: History, sinceDay = 0) => movementOf(at(h, 11), 'salinity', 24, ms(sinceDay));
  test('the largest change within the time, by the same instrument', () => {
    const h = stocked()
      .test(10, { salinity: 35.5 })
      .test(10.3, { salinity: 34.6 })
      .test(10.6, { salinity: 35.1 });
    expect(moved(h)?.by).toBeCloseTo(0.5, 9);
    expect(moved(h)?.hours).toBeCloseTo(0.3 * 24, 6);
    expect(moved(h, 10.61)).toBeNull();
    expect(moved(h, 10.6)).not.toBeNull();
  });
  test('none without a second reading', () => {
    expect(moved(stocked())).toBeNull();
    expect(movementOf(at(stocked(), 11), 'oxygen', 24, 0)).toBeNull();
  });
});
