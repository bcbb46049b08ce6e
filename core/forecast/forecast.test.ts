import fc from 'fast-check';
import type { Document } from '../document';
import { gatherEvidence } from '../evidence';
import { History, provedHistory, START_MS, DAY } from '../testing/history';
import { OTHER_START, otherTank } from '../testing/otherTank';
import {
  answer,
  answerFrom,
  answerNow,
  defaultPlan,
  forecast,
  gainOf,
  inferIsland,
  pooled,
  read,
  timelineOf,
  type Question,
} from '.';
import { QUICK_FIT } from '../testing/quickFit';
import { luckOf } from './forecast';
import { logChance } from './likelihood';
import { advance, planSteps, runPlan, S, startState, STATE_SIZE, WEEKS, type TankParams } from './kernel';
import { emptyParams } from './prior';
import { ACT, type Act } from './acts';
import { STEP_DAYS, type Observation } from './timeline';

const params = (patch: Partial<TankParams> = {}): TankParams => ({
  ...emptyParams(),
  x0: 0.1,
  y0: 0.05,
  muA: 0.6,
  muN: 0.45,
  ka: 0.3,
  kn: 0.3,
  rotFood: 0.3,
  rotSlow: 0.2,
  alkalinity: 9,
  ...patch,
});
const quiet = new Float64Array(2 * WEEKS).fill(1);
const total = (s: Float64Array) =>
  [S.food, S.slow, S.ammonia, S.nitrite, S.nitrate].reduce<number>((sum, k) => sum + (s[k] ?? 0), 0);
const d = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('the kernel', () => {
  test('conserves nitrogen to 1e-9 in the closed tank and never goes negative', () => {
    fc.assert(
      fc.property(d(0, 5), d(0, 5), d(0, 3), d(0.001, 5), d(0.001, 5), (food, ammonia, nitrite, x, y) => {
        const s = Float64Array.from([food, 0.3, ammonia, nitrite, 0, x, y, 9, 0, 0, 0, 0]);
        const before = total(s);
        advance(s, 0.125, 480, params(), 1, 1, 1);
        expect(Math.abs(total(s) - before)).toBeLessThan(1e-9);
        for (const v of s.subarray(0, S.sinceSeed)) expect(v).toBeGreaterThanOrEqual(0);
      }),
      { seed: 1, numRuns: 100 },
    );
  });
  /** The same equations in plain form, integrated by the classic Runge-Kutta rule: a twin that shares no code. */
  function rk4(start: number[], h: number, days: number): number[] {
    const p = params({ max: 9, decay: 0.04 });
    const f = ([a = 0, n = 0, x = 0, y = 0, kh = 0]: number[]): number[] => {
      const b = (kh * kh) / (kh * kh + 2.25);
      const held = 64 / (64 + a * a);
      const qa = (b * x * a) / (p.ka + a);
      const qn = (b * held * y * n) / (p.kn + n);
      return [
        -qa,
        qa - qn,
        p.muA * qa * (1 - x / p.max) - p.decay * x,
        p.muN * qn * (1 - y / p.max) - p.decay * y,
        -0.4 * qa,
      ];
    };
    const add = (u: number[], v: number[], k: number) => u.map((z, i) => z + k * (v[i] ?? 0));
    let u = start;
    for (let i = 0; i < Math.round(days / h); i++) {
      const k1 = f(u);
      const k2 = f(add(u, k1, h / 2));
      const k3 = f(add(u, k2, h / 2));
      const k4 = f(add(u, k3, h));
      u = u.map((z, j) => z + (h / 6) * ((k1[j] ?? 0) + 2 * (k2[j] ?? 0) + 2 * (k3[j] ?? 0) + (k4[j] ?? 0)));
    }
    return u;
  }
  test('a Runge-Kutta twin is of fourth order, and the kernel comes to it at its own step', () => {
    const start = [1.5, 0.2, 0.3, 0.1, 9];
    const fine = rk4(start, 1 / 1024, 6);
    const off = (h: number) => Math.abs((rk4(start, h, 6)[1] ?? 0) - (fine[1] ?? 0));
    const order = Math.log2(off(1 / 16) / off(1 / 32));
    expect(order).toBeGreaterThan(3.4);
    expect(order).toBeLessThan(4.8);
    const s = Float64Array.from([0, 0, 1.5, 0.2, 0, 0.3, 0.1, 9, 0, 0, 0, 0]);
    const p = params({ max: 9, decay: 0.04 });
    advance(s, STEP_DAYS, 6 / STEP_DAYS, p, 1, 1, 1);
    expect(Math.abs((s[S.ammonia] ?? 0) - (fine[0] ?? 0))).toBeLessThan(0.02);
    // Below the first step of a nitrite chart, 0.076 mg N/L.
    expect(Math.abs((s[S.nitrite] ?? 0) - (fine[1] ?? 0))).toBeLessThan(0.05);
    expect(Math.abs((s[S.x] ?? 0) - (fine[2] ?? 0)) / (fine[2] ?? 1)).toBeLessThan(0.02);
  });
  test('acts count from their exact moment, wherever the steps fall', () => {
    const run = (acts: Act[]) => {
      const s = new Float64Array(STATE_SIZE);
      const p = params();
      startState(s, p);
      runPlan(s, planSteps(acts, [], 0, 10), p, quiet, 0, { believedL: 100, tempC: 25 }, null);
      return s;
    };
    const one = run([{ day: 3.0601, code: ACT.ammonia, amount: 155 }]);
    const two = run([
      { day: 3.0601, code: ACT.ammonia, amount: 100 },
      { day: 3.0601, code: ACT.ammonia, amount: 55 },
    ]);
    expect(total(one)).toBeCloseTo(1.55, 9);
    expect(two[S.ammonia]).toBeCloseTo(one[S.ammonia] ?? NaN, 9);
  });
  test('a reading at the moment of a dose is compared before it', () => {
    const o: Observation = { day: 2, what: 0, low: 0, mid: 0, high: 0.1, share: 0.1, floor: 0.05 };
    const p = params();
    const s = new Float64Array(STATE_SIZE);
    startState(s, p);
    let seen = NaN;
    runPlan(
      s,
      planSteps([{ day: 2, code: ACT.ammonia, amount: 155 }], [o], 0, 3),
      p,
      quiet,
      0,
      { believedL: 100, tempC: 25 },
      (state) => {
        seen = state[S.ammonia] ?? NaN;
      },
    );
    expect(seen).toBeLessThan(0.01);
  });
});

describe('what a kit says of the truth', () => {
  const o: Observation = { day: 0, what: 0, low: 0.5, mid: 0.75, high: 1, share: 0.1, floor: 0.05 };
  test('most likely inside its step, less and less outside, never impossible', () => {
    expect(logChance(o, 0.75)).toBeGreaterThan(logChance(o, 1.2));
    expect(logChance(o, 1.2)).toBeGreaterThan(logChance(o, 1.6));
    expect(logChance(o, 50)).toBeGreaterThan(-10);
  });
  test('over the top step anything above is as likely', () => {
    const top = { ...o, low: 2, high: Infinity };
    expect(logChance(top, 10)).toBeCloseTo(logChance(top, 30), 3);
  });
});

const question = (patch: Partial<Question> = {}): Question => ({
  waterId: 't',
  atMs: START_MS + 20 * DAY,
  seed: 3,
  horizonDays: 60,
  plan: 'asSoFar',
  loadMgN: 12,
  options: QUICK_FIT,
  ...patch,
});
const middle = () =>
  new History()
    .test(0, { ammonia: 0, nitrite: 0 })
    .dose(1, 2)
    .test(2, { ammonia: 2, nitrite: 0 })
    .test(8, { ammonia: 1, nitrite: 0.5 })
    .test(12, { ammonia: 0.25, nitrite: 2 })
    .test(15, { ammonia: 0, nitrite: 5 })
    .test(18, { ammonia: 0, nitrite: 2 });

describe('the answer', () => {
  const ask = (doc: Document, patch: Partial<Question> = {}) => answerNow(doc, question(patch));
  test('is the same for the same seed, and ordered', () => {
    const one = ask(middle().doc);
    expect(ask(middle().doc)).toEqual(one);
    if (one.status !== 'ok') throw new Error('no answer');
    for (const b of one.forecast.bands)
      for (const band of [b.ammonia, b.nitrite, b.nitrate, b.alkalinity]) {
        expect(band[0]).toBeLessThanOrEqual(band[1]);
        expect(band[1]).toBeLessThanOrEqual(band[2]);
        expect(band[0]).toBeGreaterThanOrEqual(0);
      }
    const q = one.forecast.nitriteClear;
    expect(q.p50 ?? Infinity).toBeGreaterThanOrEqual(q.p10 ?? Infinity);
    expect(one.fit.length).toBeGreaterThan(10);
  });
  test('another plan with the fit handed back says what a fit anew would say', () => {
    const run = answer(middle().doc, question());
    let next = run.next();
    while (!next.done) next = run.next();
    const { posterior } = next.value;
    const asked = read(middle().doc, question());
    if ('status' in asked || !posterior) throw new Error('no fit');
    for (const plan of ['wait', 'bottle'] as const)
      expect(answerFrom(asked, posterior, plan)).toEqual(ask(middle().doc, { plan }));
  });
  test.each<[string, History]>([
    [
      'all over the top step, where only 2 mg/L was dosed',
      [2, 4, 6, 8, 10, 12].reduce(
        (h, day) => h.test(day, { ammonia: 8, nitrite: 5 }),
        new History().dose(1, 2),
      ),
    ],
    [
      'to and fro from test to test',
      [2, 3, 4, 5, 6, 7].reduce(
        (h, day) => h.test(day, day % 2 ? { ammonia: 8, nitrite: 0 } : { ammonia: 0, nitrite: 5 }),
        new History().dose(1, 2),
      ),
    ],
    ['ammonia that came from nothing', new History().test(2, { ammonia: 4, nitrite: 0 })],
  ])('readings that fit no course are not forecast from: %s', (_, h) => {
    const a = ask(h.doc, { atMs: START_MS + 12.5 * DAY });
    expect(a.status === 'cannotSay' && a.because.code).toBe('readingsContradict');
  });
  test('what is logged later does not count', () => {
    const later = middle().test(25, { ammonia: 4, nitrite: 5 }).dose(24, 2);
    expect(ask(later.doc)).toEqual(ask(middle().doc));
  });
  test('a passed proof is no forecast any more', () => {
    const a = ask(provedHistory().doc, { atMs: START_MS + 28.5 * DAY });
    expect(a.status === 'ok' && [a.proved, a.forecast.ready.p50]).toEqual([true, 0]);
  });
  test('dosing again comes sooner than waiting', () => {
    const dose = ask(middle().doc, { plan: 'dose' });
    const wait = ask(middle().doc, { plan: 'wait' });
    if (dose.status !== 'ok' || wait.status !== 'ok') throw new Error('no answer');
    expect(wait.forecast.neverShare).toBeGreaterThan(dose.forecast.neverShare);
    const gain = gainOf(wait.forecast, dose.forecast);
    expect(gain.reachesMore).toBeGreaterThan(0);
  });
  test('with animals in nobody doses ammonia', () => {
    const h = provedHistory().animal(29, 'ocellaris-clownfish');
    const t = timelineOf(gatherEvidence(h.doc, 't', START_MS + 31 * DAY), 0.05);
    const water = h.doc.waters.t;
    if (water?.kind !== 'display') throw new Error('no display');
    for (const choice of ['asSoFar', 'dose', 'feed', 'wait'] as const)
      expect(defaultPlan(water, t, choice).doseMgNPerL).toBe(0);
  });
  test('more evidence does not widen on average', () => {
    let wide = 0;
    let narrow = 0;
    for (const seed of [7, 14, 28, 12, 33]) {
      const water = otherTank(seed);
      const width = (cut: number) => {
        const a = answerNow(water.doc, question({ atMs: OTHER_START + cut * DAY, horizonDays: 90 }));
        if (a.status !== 'ok') throw new Error('no answer');
        const last = a.fit[a.fit.length - 1];
        return (
          (last?.nitrite[2] ?? 0) -
          (last?.nitrite[0] ?? 0) +
          a.forecast.doublingA[2] -
          a.forecast.doublingA[0]
        );
      };
      wide += width(4);
      narrow += width(16);
    }
    expect(narrow).toBeLessThan(wide);
  });
});

describe('little or odd evidence gets a sensible answer', () => {
  const odd: [string, History, string][] = [
    ['nothing at all', new History(), 'cannotSay'],
    ['a dose without a test', new History().dose(1, 2), 'cannotSay'],
    [
      'all zero, nothing fed',
      new History().test(1, { ammonia: 0, nitrite: 0 }).test(5, { ammonia: 0, nitrite: 0 }),
      'cannotSay',
    ],
    ['one reading', new History().dose(1, 2).test(2, { ammonia: 2 }), 'ok'],
    [
      'all over the top step',
      new History()
        .dose(1, 4)
        .test(3, { ammonia: 'over', nitrite: 'over' })
        .test(8, { ammonia: 'over', nitrite: 'over' }),
      'ok',
    ],
    [
      'contradictory',
      new History()
        .dose(1, 2)
        .test(2, { ammonia: 0, nitrite: 5 })
        .test(2.1, { ammonia: 4, nitrite: 0 })
        .test(2.2, { ammonia: 0, nitrite: 5 }),
      'ok',
    ],
    [
      'readings before the start',
      new History().test(-9, { ammonia: 1, nitrite: 0 }).dose(1, 2).test(2, { ammonia: 2, nitrite: 0 }),
      'ok',
    ],
    [
      'a dose of almost nothing',
      new History()
        .event(1, { kind: 'ammoniaDose', mgN: 0.001, mL: null })
        .test(2, { ammonia: 0.2, nitrite: 0 }),
      'ok',
    ],
  ];
  test.each(odd)('%s', (_name, h, status) => {
    const a = answerNow(h.doc, question());
    expect(a.status).toBe(status);
    if (a.status === 'ok') {
      expect(a.forecast.readyNowShare).toBeLessThan(0.5);
      expect(JSON.stringify(a.forecast.bands)).not.toMatch(/null|NaN/);
    }
  });
  test('a log of over a year says so', () => {
    const h = new History();
    for (let day = 0; day < 390; day += 10) h.test(day, { ammonia: 0.25, nitrite: 0 });
    const a = answerNow(h.doc, question({ atMs: START_MS + 389 * DAY }));
    expect(a.status === 'cannotSay' && a.because.code).toBe('logTooLong');
  });
  test('a clock that was set back does no harm', () => {
    const h = middle();
    const a = answerNow(h.doc, question({ atMs: START_MS - 30 * DAY }));
    expect(a.status).toBe('cannotSay');
  });
});

describe('how much of a date is luck', () => {
  /** Islands whose futures are spread evenly over ten days, each begun so much later; those beyond the horizon never get there. */
  const islands = (...begin: number[]) =>
    Float64Array.from(begin.flatMap((b) => Array.from({ length: 1000 }, (_, i) => b + i / 100)));
  test('islands alike leave none; one alone says nothing', () => {
    expect(luckOf(islands(5, 5, 5, 5), 4, 90)).toBeLessThan(0.01);
    expect(luckOf(islands(5, 9), 1, 90)).toBe(0);
  });
  test('it is the standard error of the middle', () => {
    // Middles 9, 11, 9, 11: a standard deviation of 1.15 days, over the root of four.
    expect(luckOf(islands(4, 6, 4, 6), 4, 90)).toBeCloseTo(1.155 / 2, 1);
  });
  test('a middle near the horizon is as doubtful as any', () => {
    const near = islands(4, 6, 4, 6).map((v) => (v > 10.2 ? Infinity : v));
    expect(luckOf(near, 4, 10.2)).toBeGreaterThan(0.4);
    expect(luckOf(islands(40, 60), 2, 30)).toBe(0);
  });
});

test('a wild last reading surprises; a usual one does not', () => {
  const calm = answerNow(middle().doc, question());
  const wild = answerNow(middle().test(19.5, { ammonia: 4, nitrite: 2 }).doc, question());
  expect(calm.status === 'ok' && calm.surprises).toEqual([]);
  expect(wild.status === 'ok' && wild.surprises.map((s) => s.what)).toContain('ammonia');
});

test('inference yields progress that rises and can be left at any time', () => {
  const asked = read(middle().doc, question());
  if ('status' in asked) throw new Error('no question');
  const { target, water } = asked;
  const run = inferIsland(target, { seed: 1, ...QUICK_FIT });
  let last = 0;
  let next = run.next();
  while (!next.done) {
    expect(next.value.done).toBeGreaterThanOrEqual(last);
    last = next.value.done;
    next = run.next();
  }
  expect(next.value.acceptance).toBeGreaterThan(0.05);
  expect(
    forecast(pooled(target, [next.value], 1), defaultPlan(water, target.timeline, 'wait'), {
      horizonDays: 5,
      seed: 1,
      loadMgN: null,
    }).bands,
  ).toHaveLength(6);
});
