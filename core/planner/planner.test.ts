/** The search against a twin that tries everything, and cases by hand. */
import { seededRandom } from '../random';
import { dayNumber } from '../time';
import {
  alikeProblem,
  aProblem,
  aWish as wish,
  bruteForce,
  plannedBreaches,
  smallProblem,
  TODAY,
  withFading,
  withoutQuarantine,
  worthOf,
} from '../testing/plans';
import { bestWithoutBounds, household, withRoom } from '../testing/longPlans';
import { stockingPlan, type Problem, type Wish } from '.';
import { monthOf, type QuarantineWater } from './problem';
import { breachesOf } from './rules';
import { bestPlan } from './bought';
import { searched } from './search';
import { compareWorth } from './label';
import { type Money, worldOf } from './world';

const CASES = 250;
const whole = (p: Problem) => bestPlan(p, { exact: true, width: 5, mayGoOn: () => true });

test.each([
  ['nothing bought yet', false, 1, {}],
  ['some bought or set', true, 5001, {}],
  ['some bought that nobody may join', true, 7001, { closed: true }],
  ['no fish for some days, and some of the month spent', false, 9001, { fishGate: TODAY + 5, spent: 15 }],
  ['some bought, and some of the month spent', true, 32100, { spent: 10 }],
] as const)('%s: as good as trying everything, and every rule is kept', (_, withFixed, first, more) => {
  const { closed, fishGate, spent }: { closed?: boolean; fishGate?: number; spent?: number } = more;
  let placed = 0;
  for (let seed = first; seed < first + CASES; seed++) {
    const small = smallProblem(seededRandom(seed), withFixed);
    const p: Problem = {
      ...small,
      fishGate,
      spentThisMonth: spent,
      fixed: small.fixed.map((f) => ({ ...f, closed })),
    };
    const found = whole(p);
    const broken = withFixed ? plannedBreaches(p, found.steps) : breachesOf(p, found.steps);
    const twin = bruteForce(p);
    const [a, b] = [worthOf(p, found.steps), worthOf(p, twin)];
    if (compareWorth(a, b) !== 0 || broken.length > 0 || !found.proved)
      throw new Error(`seed ${seed}: ${JSON.stringify({ a, b, broken, p, found: found.steps, twin })}`);
    placed += found.steps.length;
  }
  expect(placed).toBeGreaterThan(CASES / 2);
});

test('lines without a quarantine, days that must be unbroken and a filter that fades: as good as trying everything', () => {
  let direct = 0;
  for (let seed = 1; seed <= CASES; seed++) {
    const random = seededRandom(seed);
    const small = withoutQuarantine(withFading(smallProblem(random, seed % 3 === 0), random), random);
    const p = { ...small, quarantines: small.quarantines.map((q) => ({ ...q, unbrokenDays: 3 })) };
    const found = whole(p);
    const broken = plannedBreaches(p, found.steps);
    const twin = bruteForce(p);
    const [a, b] = [worthOf(p, found.steps), worthOf(p, twin)];
    if (compareWorth(a, b) !== 0 || broken.length > 0 || !found.proved)
      throw new Error(`seed ${seed}: ${JSON.stringify({ a, b, broken, p, found: found.steps, twin })}`);
    for (const s of found.steps)
      if (p.quarantines[s.quarantine]!.sameDay) {
        expect(s.buy).toBe(s.release);
        direct++;
      }
  }
  expect(direct).toBeGreaterThan(CASES / 5);
});

test('a cleaner that waits for the next month leaves the fish, whose clock is longer, money in this one', () => {
  const p = smallProblem(seededRandom(2789));
  expect(p.quarantines.map((q) => q.clockDays)).toEqual([6, 2, 2]);
  const found = whole(p);
  expect(compareWorth(found.worth, worthOf(p, bruteForce(p)))).toBe(0);
  const [cleaner, fish] = found.steps;
  expect(monthOf(cleaner!.buy)).toBe(monthOf(fish!.buy) + 1);
});

test.each([
  [5, null, 60],
  [6, null, 60],
  [4, 100, 12],
] as const)(
  '%i wishes over a year, %p a month: no bound cuts off anything better',
  (wishes, budget, seeds) => {
    for (let seed = 1; seed <= seeds; seed++) {
      const p = household(wishes, seed, budget);
      const found = whole(p);
      const twin = bestWithoutBounds(p);
      if (compareWorth(found.worth, twin) !== 0 || !found.proved)
        throw new Error(`seed ${seed}: ${JSON.stringify({ found: found.worth, twin })}`);
      expect(breachesOf(p, found.steps)).toEqual([]);
    }
  },
);

test.each([
  [2, 9, 60],
  [2, 4.5, 30],
  [3, 4.5, 30],
  [3, 3, 30],
  [3, 5, 60],
] as const)(
  'of %i that are alike, with %p mg N a day, several may come on one day, each through a quarantine of its own',
  (count, loadMgN, netL) => {
    const wishes = Array.from({ length: count }, (_, i) => wish(`w${i}`, { loadMgN }));
    const [quarantine] = aProblem([]).quarantines as [QuarantineWater];
    const first = { ...quarantine, clockDays: 4 };
    const p = aProblem(wishes, {
      quarantines: [first, { ...first, id: 'second', netL }],
      displayLoadMgN: 40,
      horizonDays: 18,
    });
    // Without a beam, which may come upon it by chance.
    const found = bestPlan(p, { exact: true, width: 0, mayGoOn: () => true });
    expect(compareWorth(found.worth, worthOf(p, bruteForce(p)))).toBe(0);
  },
);

test('with two quarantines and wishes that are mostly alike, some bought: as good as by trying everything', () => {
  for (let seed = 1; seed <= 120; seed++) {
    const p = alikeProblem(seededRandom(seed));
    const found = bestPlan(p, { exact: true, width: 0, mayGoOn: () => true });
    expect([seed, compareWorth(found.worth, worthOf(p, bruteForce(p)))]).toEqual([seed, 0]);
    expect([seed, found.worth]).toEqual([seed, worthOf(p, found.steps)]);
  }
});

test('where much could be bought at once, in quarantines of other sizes and clocks: as good as the twin', () => {
  for (let seed = 1; seed <= 40; seed++) {
    const p = withRoom(6, seed, null);
    const found = whole(p);
    expect([seed, found.proved, compareWorth(found.worth, bestWithoutBounds(p))]).toEqual([seed, true, 0]);
    expect(breachesOf(p, found.steps)).toEqual([]);
  }
});

test.each([
  [4, 60, [17, 120, 148]],
  [5, 60, [21, 63]],
] as const)(
  '%i wishes, %i a month, where what the months allow cannot all be paid for: as good as the twin',
  (wishes, budget, seeds) => {
    for (const seed of seeds) {
      const p = household(wishes, seed, budget);
      const found = whole(p);
      expect(compareWorth(found.worth, bestWithoutBounds(p))).toBe(0);
      expect(found.proved).toBe(true);
    }
  },
);

test.each([
  [6, 60, 88],
  [6, 80, 59],
  [6, 80, 76],
])(
  '%i wishes, %i a month, household %i: one way of paying is not enough, and every way finds the better plan',
  (wishes, budget, seed) => {
    const p = household(wishes, seed, budget);
    const search = (money: Money) =>
      searched(
        worldOf(p, false, () => true, money),
        { exact: true, width: 0 },
        null,
        null,
      );
    const found = whole(p);
    expect(compareWorth(found.worth, search('every').worth)).toBe(0);
    expect(compareWorth(found.worth, search('one').worth)).toBeLessThan(0);
    expect(compareWorth(search('months').worth, found.worth)).toBeLessThanOrEqual(0);
    expect(breachesOf(p, found.steps)).toEqual([]);
  },
);

test('nobody joins a bought batch that lies in the stay of one that is set', () => {
  const fixed = [
    { wish: 0, buy: TODAY, quarantine: 0, release: TODAY + 30 },
    { wish: 1, buy: TODAY + 2, quarantine: 0, release: null },
  ];
  const wishes = ['set', 'bought', 'new'].map((id) => wish(id, { loadMgN: 0.3 }));
  const overlapping = stockingPlan(aProblem(wishes, { fixed }), () => true);
  const buyOf = (plan: typeof overlapping) => plan.steps.find((s) => s.wishId === 'new')?.buyDay;
  // Both of the person's own stay in; the new one comes in a batch of its own, after both.
  expect(overlapping.steps.map((s) => s.wishId).sort()).toEqual(['bought', 'new', 'set']);
  expect(buyOf(overlapping)).toBe('2026-04-03');
  const alone = stockingPlan(aProblem(wishes, { fixed: fixed.slice(1) }), () => true);
  expect(buyOf(alone)).toBe('2026-03-05');
});

describe('what was bought together and cannot go together', () => {
  const bought = (wish: number, buy = TODAY, quarantine = 0) => ({ wish, buy, quarantine, release: null });
  const outOf = (p: Problem) =>
    Object.fromEntries(stockingPlan(p, () => true).steps.map((s) => [s.wishId, s.releaseDay]));
  const both = [bought(0), bought(1)];
  test('more than the first step: the lighter goes on its day, the other is left out with the rule', () => {
    const p = aProblem([wish('a', { loadMgN: 4 }), wish('b', { loadMgN: 3 })], {
      displayLoadMgN: 0,
      firstStepMgN: 5,
      fixed: both,
    });
    const plan = stockingPlan({ ...p, horizonDays: 29 }, () => true);
    expect(plan.steps.map((s) => s.wishId)).toEqual(['b']);
    expect(plan.leftOut).toMatchObject([{ wishId: 'a', rule: 'R5' }]);
    expect(plan.status).toBe('optimal');
    // Stopped before that was looked for, nothing is claimed.
    let asked = 0;
    const cut = stockingPlan({ ...p, horizonDays: 29 }, () => ++asked < 2);
    expect(cut.status).not.toBe('optimal');
    expect(cut.bound.placed).toBe(2);
  });
  test.each([
    [1, 2, 'a'],
    [2, 1, 'b'],
  ])('two that may not live together, wanted %i and %i: the one wanted more goes', (a, b, goes) => {
    const p = aProblem([wish('a', { loadMgN: 1, priority: a }), wish('b', { loadMgN: 1, priority: b })], {
      forbidden: [[0, 1]],
      fixed: both,
    });
    expect(Object.keys(outOf(p))).toEqual([goes]);
  });
  test('one that jumps where there is no lid stays, and nobody joins it; its mate goes', () => {
    const p = aProblem([wish('a', { jumps: true }), wish('b'), wish('c', { loadMgN: 0.3 })], {
      hasLid: false,
      fixed: both,
    });
    expect(Object.keys(outOf(p))).toEqual(['b']);
  });
  test('two bought one after the other into one quarantine may leave it on one day', () => {
    const p = aProblem([wish('a', { loadMgN: 1 }), wish('b', { loadMgN: 1 })], {
      fixed: [bought(0), bought(1, TODAY + 3)],
    });
    const out = outOf(p);
    expect(out['a']).toBe(out['b']);
  });
});

test('after an outbreak fish wait for their own day, and what is spent of a month is gone', () => {
  const wishes = [wish('fish', { price: 20 }), wish('snail', { line: 'invertebrate', price: 20 })];
  const [q] = aProblem([]).quarantines as [QuarantineWater];
  const quarantines = [q, { ...q, id: 'for snails', line: 'invertebrate' as const }];
  const days = (more: Partial<Problem>) =>
    Object.fromEntries(
      stockingPlan(aProblem(wishes, { quarantines, ...more }), () => true).steps.map((s) => [
        s.wishId,
        dayNumber(s.releaseDay) - TODAY,
      ]),
    );
  expect(days({})).toEqual({ fish: 28, snail: 28 });
  expect(days({ fishGate: TODAY + 60 })).toMatchObject({ fish: 60 });
  expect(days({ fishGate: TODAY + 60, gate: TODAY + 70 })).toMatchObject({ fish: 70 });
  expect(days({ fishGate: null })).toEqual({ snail: 28 });
  // 3 March; the next month begins 29 days later.
  expect(days({ budget: 40, spentThisMonth: 0 })).toEqual({ fish: 28, snail: 28 });
  expect(Object.values(days({ budget: 40, spentThisMonth: 21 }))).toContain(29 + 28);
});

test('nobody is bought to join a stay that is closed', () => {
  const bought = { wish: 0, buy: TODAY, quarantine: 0, release: null };
  const planned = (closed: boolean) =>
    stockingPlan(aProblem([wish('a'), wish('b')], { fixed: [{ ...bought, closed }] }), () => true).steps.map(
      (s) => s.buyDay,
    );
  expect(new Set(planned(false)).size).toBe(1);
  expect(new Set(planned(true)).size).toBe(2);
});

test('of many wishes none joins one that is bought and may not live with it', () => {
  const wishes = Array.from({ length: 14 }, (_, i) => wish(`w${i}`, { loadMgN: 0.3 }));
  const p = aProblem(wishes, {
    forbidden: [[0, 1]],
    fixed: [{ wish: 0, buy: TODAY, quarantine: 0, release: null }],
  });
  const placed = stockingPlan(p, () => true).steps.map((s) => s.wishId);
  expect(placed).toContain('w0');
  expect(placed).not.toContain('w1');
  expect(placed).toHaveLength(13);
});

test('also of more than thirty-two wishes a bought batch is known to have gone before the next one comes', () => {
  const wishes = Array.from({ length: 34 }, (_, i) =>
    wish(`w${i}`, { loadMgN: i === 0 || i > 31 ? 0.3 : 1_000 }),
  );
  const p = aProblem(wishes, {
    away: [[TODAY, TODAY + 45]],
    fixed: [
      { wish: 32, buy: TODAY, quarantine: 0, release: null },
      { wish: 33, buy: TODAY + 50, quarantine: 0, release: null },
    ],
  });
  const steps = stockingPlan(p, () => true).steps;
  expect(steps.map((s) => s.wishId).sort()).toEqual(['w0', 'w32', 'w33']);
  const buyOf = (id: string) => steps.find((s) => s.wishId === id)?.buyDay;
  expect(buyOf('w0')).toBe(buyOf('w33'));
});

/** The gate ten days ahead, tests in absences allowed. */
const problem = (wishes: Wish[], more: Partial<Problem> = {}): Problem => {
  const usual = aProblem(wishes);
  const quarantines = usual.quarantines.map((q) => ({ ...q, testsPresent: false }));
  return {
    ...usual,
    gate: TODAY + 10,
    coralGate: TODAY + 10,
    filled: TODAY - 60,
    firstStepMgN: 4,
    quarantines,
    ...more,
  };
};
const planOf = (p: Problem) => stockingPlan(p, () => true);
const day = (n: number) => new Date((TODAY + n) * 86_400_000).toISOString().slice(0, 10);

describe('by hand', () => {
  test('two fish that fit one batch go in together on the day the clock is full', () => {
    const plan = planOf(problem([wish('a'), wish('b')]));
    expect(plan).toMatchObject({ status: 'optimal', batches: 1, lastRelease: day(28), leftOut: [] });
    expect(plan.steps[0]).toMatchObject({
      buyDay: day(0),
      releaseDay: day(28),
      testDays: [day(29), day(31), day(35)],
      binding: [{ rule: 'R2', most: 28 }],
    });
  });
  test('too much for one batch: the second is bought the day after the first is out', () => {
    const plan = planOf(
      problem([wish('a', { loadMgN: 6 }), wish('b', { loadMgN: 6 })], { displayLoadMgN: 20 }),
    );
    expect(plan.steps.map((s) => [s.buyDay, s.releaseDay])).toEqual([
      [day(0), day(28)],
      [day(29), day(57)],
    ]);
    expect(plan.steps[1]?.binding).toMatchObject([
      { rule: 'R3', with: ['a'], day: day(28), would: null, most: null },
    ]);
  });
  test('an empty display takes the first step, and doubles thirty days later', () => {
    const quarantines = ['q', 'r'].map((id) => ({ ...problem([]).quarantines[0]!, id }));
    const plan = planOf(
      problem([wish('a', { loadMgN: 4 }), wish('b', { loadMgN: 4 })], { displayLoadMgN: 0, quarantines }),
    );
    expect(plan.steps.map((s) => s.releaseDay)).toEqual([day(28), day(58)]);
    // A day earlier eight would stand against the first step of five alone.
    expect(plan.steps[1]?.binding).toMatchObject([{ rule: 'R5', would: 8 }]);
  });
  test('cleaners come before the first fish, the gentle no later than the fierce', () => {
    const plan = planOf(
      problem(
        [
          wish('fierce', { temperament: 2 }),
          wish('snail', { line: 'invertebrate', temperament: null, crew: true }),
        ],
        {
          quarantines: [
            ...problem([]).quarantines,
            { ...problem([]).quarantines[0]!, id: 's', line: 'invertebrate', clockDays: 30 },
          ],
        },
      ),
    );
    // The snails pass their 30 days first; the fish settles fourteen days later, for both bring a load.
    expect(plan.steps.map((s) => [s.wishId, s.releaseDay])).toEqual([
      ['snail', day(30)],
      ['fierce', day(44)],
    ]);
  });
  test.each([
    ['no lid', { jumps: true }, { hasLid: false }, 'R8'],
    ['no quarantine of its line', { line: 'coral', temperament: null }, {}, 'R2'],
    ['a gate that is never reached', {}, { gate: null }, 'R1'],
    ['more than a quarantine may hold', { loadMgN: 9.5 }, {}, 'R3'],
    ['dearer than a month', { price: 50 }, { budget: 40 }, 'R10'],
    ['a tank that is too young until the end', { needsTankDays: 600 }, {}, 'R8'],
  ] as const)('%s: it is left out, and why', (_, of, more, rule) => {
    const plan = planOf(problem([wish('a', of as Partial<Wish>)], more as Partial<Problem>));
    expect(plan).toMatchObject({ status: 'none', lastRelease: null, leftOut: [{ wishId: 'a', rule }] });
  });
  test('of two that may not live together the one wanted more stays', () => {
    const plan = planOf(problem([wish('a', { priority: 2 }), wish('b')], { forbidden: [[0, 1]] }));
    expect(plan.steps.map((s) => s.wishId)).toEqual(['b']);
    expect(plan.leftOut).toEqual([
      { wishId: 'a', rule: 'R8', concession: { kind: 'withoutOther', wishId: 'b' } },
    ]);
  });
  test('what was bought too soon is kept, and named', () => {
    const plan = planOf(
      problem([wish('a'), wish('b', { loadMgN: 6 })], {
        fixed: [{ wish: 0, buy: TODAY - 5, quarantine: 0, release: TODAY + 12 }],
      }),
    );
    expect(plan.steps.map((s) => [s.wishId, s.releaseDay])).toEqual([
      ['a', day(12)],
      ['b', day(41)],
    ]);
    expect(plan.concessions).toEqual([{ rule: 'R2', wishIds: ['a'] }]);
  });
});

test('twenty wishes: a plan within all rules, and a bound beside it', () => {
  const random = seededRandom(7);
  const wishes = Array.from({ length: 20 }, (_, i) =>
    wish(`w${i}`, { loadMgN: 1 + 3 * random(), temperament: i % 3, priority: 1 + (i % 2) }),
  );
  const p = problem(wishes);
  const found = bestPlan(p, { exact: false, width: 16, mayGoOn: () => true });
  expect(breachesOf(p, found.steps)).toEqual([]);
  expect(found.steps).toHaveLength(20);
  expect(found.proved).toBe(false);
  expect(found.lastAtLeast).toBeLessThanOrEqual(found.worth.last);
});

test('cut short at any moment a plan keeps all rules, is never said to be the best where it is not, and its bound is one', () => {
  for (let seed = 1; seed <= 4; seed++) {
    const p = household(6, seed, 60);
    const cutAt = (most: number) => {
      let asked = 0;
      return bestPlan(p, { exact: true, width: 4, mayGoOn: () => ++asked <= most });
    };
    const best = cutAt(Infinity);
    expect(best.proved).toBe(true);
    let proved = 0;
    for (let most = 1; most < 4000 && proved < 3; most = Math.ceil(1.15 * most + 1)) {
      const found = cutAt(most);
      expect([seed, most, breachesOf(p, found.steps)]).toEqual([seed, most, []]);
      if (found.proved) proved++;
      if (found.proved) expect([seed, most, found.worth]).toEqual([seed, most, best.worth]);
      const alike = found.placedAtMost.every((n, i) => n === best.worth.placed[i]);
      if (alike) expect(found.lastAtLeast).toBeLessThanOrEqual(best.worth.last);
    }
    expect(proved).toBeGreaterThan(0);
  }
});
