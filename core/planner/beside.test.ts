/** What the plan says besides its dates: haste, what would let a wish in, and the ammonia after a release. */
import { Ammonia } from './ammonia';
import { alternativesOf, concessionFor } from './alternatives';
import { apartOf } from './apart';
import { household } from '../testing/longPlans';
import { aProblem as problem, aWish as wish, TODAY } from '../testing/plans';
import { dayNumber } from '../time';
import {
  batchWaits,
  brokenText,
  leftOutText,
  soonerText,
  waitingTexts,
  wishWaits,
  wonText,
} from '../words/plan';
import {
  clearOn,
  stockingPlan,
  hasteOf,
  type PlannedStep,
  type Problem,
  type Reason,
  type Rule,
  type StockingPlan,
} from '.';

const day = (n: number) => new Date((TODAY + n) * 86_400_000).toISOString().slice(0, 10);
const planOf = (p: Problem): StockingPlan => stockingPlan(p, () => true);

describe('haste', () => {
  const p = problem([wish('a'), wish('b', { loadMgN: 8 })]);
  const plan = planOf(p);
  test('as planned nothing breaks; ten days sooner its quarantine is not over, with the days it must be seen', () => {
    const as = (n: number) => hasteOf(p, plan.steps, 'a', day(n));
    expect(as(28)).toMatchObject({ broken: [], daysSeen: 28, buyDay: day(0) });
    const sooner = as(18);
    expect(sooner.daysSeen).toBe(18);
    expect(sooner.broken).toMatchObject([{ rule: 'R2', most: 28 }]);
    expect(sooner.freeMgN).toBeNull();
  });
  test('later it is bought later; into the days of the other the quarantine is taken', () => {
    expect(hasteOf(p, plan.steps, 'a', day(40)).buyDay).toBe(day(12));
    expect(hasteOf(p, plan.steps, 'a', day(40)).broken.map((r) => r.rule)).toContain('R3');
  });
  test('what holds for a batch is said once, not for each in it', () => {
    const two = problem([wish('a'), wish('b'), wish('c', { loadMgN: 8 })], { shopDays: [2] });
    const { steps } = planOf(two);
    const sooner = hasteOf(two, steps, 'a', day(0));
    expect(steps.filter((s) => s.buyDay === steps[0]?.buyDay)).toHaveLength(2);
    expect(sooner.broken.map((r) => r.rule)).toEqual([...new Set(sooner.broken.map((r) => r.rule))]);
    expect(sooner.broken.map((r) => r.rule)).toContain('R2');
  });
  test('in a young filter the ammonia of haste is said', () => {
    const water = { nearZeroMgN: 1, netL: 40, freeShare: 0.05 };
    const young = { ...p, displayLoadMgN: 0, firstStepMgN: 100, water };
    const cost = hasteOf(young, plan.steps, 'b', day(0));
    expect(cost.freeMgN).toBeGreaterThan(0.02);
    expect(cost.tooMuchAmmonia).toBe(true);
    expect(cost.broken.map((r) => r.rule)).toContain('R6');
  });
});

describe('a batch waits for one of it', () => {
  const saying = { nameOf: (id: string) => id.toUpperCase(), day: (d: string) => d, litres: String };
  const parts = [wish('old', { needsTankDays: 180 }), wish('b'), wish('c')];
  const together = problem(parts, { filled: TODAY - 100 });
  const { steps } = planOf(together);
  const [first] = steps;
  const [reason] = first?.binding ?? [];
  const until = `wait until the tank is old enough, on ${day(80)}`;
  test('who that is is said, and that the others leave with it', () => {
    expect(steps.map((s) => s.releaseDay)).toEqual([day(80), day(80), day(80)]);
    expect(reason).toMatchObject({ rule: 'R8', who: ['old'] });
    expect(batchWaits(reason!, saying, ['old', 'b', 'c'])).toBe(
      `OLD must ${until}. The rest of the batch leaves that day, too.`,
    );
  });
  test('each of them says it of itself', () => {
    expect(steps.map((s) => wishWaits(reason!, saying, s.wishId)).sort()).toEqual([
      `leaves its quarantine with OLD, which must ${until}`,
      `leaves its quarantine with OLD, which must ${until}`,
      `waits until the tank is old enough for it, on ${day(80)}`,
    ]);
  });
  test('when the others could be in by themselves, all else as planned; held so, it is', () => {
    const [apart] = apartOf(together, planOf(together), () => true);
    expect(apart).toEqual({
      batchOf: 'old',
      sooner: { wishIds: ['b', 'c'], buyDay: day(0), quarantineId: 'q', releaseDay: day(28) },
      waiting: [],
    });
    expect(soonerText(apart!.sooner!, saying)).toBe(
      `Bought on ${day(0)}, B and C could be in on ${day(28)}, in a batch of their own; all else as planned.`,
    );
    const fixed = [1, 2].map((wish) => ({ wish, buy: TODAY, quarantine: 0, release: TODAY + 28 }));
    const held = planOf({ ...together, fixed });
    expect(held).toMatchObject({ concessions: [], lastRelease: day(80), batches: 2 });
    expect(apartOf({ ...together, fixed }, held, () => true)).toEqual([]);
  });
  test('nobody is parted where nothing is won, a rule would break, or a day is set', () => {
    const apart = (p: Problem) => apartOf(p, planOf(p), () => true);
    expect(apart(problem([wish('a'), wish('b')]))).toEqual([]);
    // Away for fifty days, back on day 51: bought no earlier, and out before the next is bought.
    const away: [number, number][] = [[TODAY, TODAY + 50]];
    const older = { ...together, away, filled: TODAY - 50 };
    expect(apart(older)).toMatchObject([{ sooner: { buyDay: day(51), releaseDay: day(79) }, waiting: [] }]);
    // Back too late for two batches one after the other.
    expect(apart({ ...together, away })).toMatchObject([
      { sooner: null, waiting: [{ wishId: 'b' }, { wishId: 'c' }] },
    ]);
    const fixed = [{ wish: 1, buy: TODAY, quarantine: 0, release: null }];
    expect(apart({ ...together, fixed })).toEqual([]);
  });
  test('the fierce wait for the gentle that waits for the tank; who need not comes by itself', () => {
    const mixed = problem([parts[0]!, wish('fierce', { temperament: 2 }), wish('c')], {
      filled: TODAY - 100,
    });
    const [apart] = apartOf(mixed, planOf(mixed), () => true);
    expect(apart).toMatchObject({
      sooner: { wishIds: ['c'], releaseDay: day(28) },
      waiting: [{ wishId: 'fierce', reasons: [{ rule: 'R7', with: ['old'] }] }],
    });
    expect(waitingTexts(apart!.waiting, ['old', 'fierce', 'c'], saying)).toEqual([
      expect.stringMatching(
        /^In another batch, too, FIERCE must wait for OLD: .*the gentle before the fierce\.$/,
      ),
    ]);
  });
  test('those of whom the same is to be said are named together, and the rest of their batch is not', () => {
    const reason = (rule: Rule, ids: string[]): Reason => ({
      rule,
      with: ids,
      who: [],
      day: day(48),
      away: null,
      would: null,
      most: null,
    });
    const waiting = ['b', 'c', 'd'].map((id) => ({
      wishId: id,
      reasons: [reason('R3', ['x', ...['b', 'c', 'd', 'old'].filter((o) => o !== id)])],
    }));
    expect(waitingTexts(waiting, ['b', 'c', 'd', 'old'], saying)).toEqual([
      `In another batch, too, B, C and D must wait for the quarantine, free after X and the rest of this batch on ${day(48)}.`,
    ]);
    const three = ['b', 'c', 'd'].map((id) => ({ wishId: id, reasons: [reason('R3', ['x'])] }));
    expect(waitingTexts(three, ['b', 'c', 'd', 'old'], saying)).toEqual([
      `In another batch, too, B, C and D must wait for the quarantine, free after X on ${day(48)}.`,
    ]);
    const both = [waiting[0]!, { wishId: 'c', reasons: [reason('R7', ['y'])] }];
    expect(waitingTexts(both, ['b', 'c', 'd', 'old'], saying)).toHaveLength(2);
  });
  test('what another plan wins: more, a sooner end, fewer batches, others sooner; else nothing in as few batches', () => {
    const plan = planOf(problem([wish('a'), wish('b', { loadMgN: 8 })]));
    const [first, last] = plan.steps as [PlannedStep, PlannedStep];
    const won = (more: Partial<StockingPlan>) => wonText(plan, { ...plan, ...more });
    expect(plan.batches).toBe(2);
    expect(won({})).toBe('nothing is sooner');
    const together = planOf(problem([wish('a'), wish('b')]));
    expect(together.batches).toBe(1);
    expect(wonText(together, together)).toBe('nothing is sooner in as few batches');
    expect(won({ steps: [...plan.steps, { ...last, wishId: 'c' }] })).toBe('1 more would come');
    expect(won({ batches: plan.batches - 1 })).toBe('all are in by the same day, in 1 batch fewer');
    expect(won({ lastRelease: day(dayNumber(plan.lastRelease!) - TODAY - 3) })).toBe(
      'the last is in 3 days sooner',
    );
    expect(
      won({ steps: [{ ...first, releaseDay: day(dayNumber(first.releaseDay) - TODAY - 1) }, last] }),
    ).toBe('the last is in no sooner, but 1 other is, by up to 1 day');
  });
  test('whoever is parted so breaks no rule, and no plan with them is worse by its last day', () => {
    let parted = 0;
    for (let seed = 1; seed <= 24; seed++) {
      const drawn = household(6, seed, seed % 2 === 0 ? 80 : null);
      const wishes = drawn.wishes.map((w, i) => (i % 3 === 0 ? { ...w, needsTankDays: 250 } : w));
      const p = { ...drawn, wishes };
      const plan = planOf(p);
      for (const { sooner } of apartOf(p, plan, () => true)) {
        if (!sooner) continue;
        parted++;
        const fixed = sooner.wishIds.map((id) => ({
          wish: wishes.findIndex((w) => w.id === id),
          buy: dayNumber(sooner.buyDay),
          quarantine: p.quarantines.findIndex((q) => q.id === sooner.quarantineId),
          release: dayNumber(sooner.releaseDay),
        }));
        const held = planOf({ ...p, fixed });
        expect([seed, held.concessions, held.steps.length, held.lastRelease]).toEqual([
          seed,
          [],
          plan.steps.length,
          plan.lastRelease,
        ]);
      }
    }
    expect(parted).toBeGreaterThan(5);
  });
  test('once the time is over nothing is told', () => {
    expect(apartOf(together, planOf(together), () => false)).toEqual([]);
  });
  test('two of three stand as many, and all of them as the batch', () => {
    const binding = (needs: number[]) =>
      planOf(
        problem(
          needs.map((needsTankDays, i) => wish(`w${i}`, { needsTankDays })),
          { filled: TODAY - 100 },
        ),
      ).steps[0]!.binding[0]!;
    const batch = ['w0', 'w1', 'w2'];
    expect(batchWaits(binding([180, 180, 0]), saying, batch)).toBe(
      `W0 and W1 must ${until}. The rest of the batch leaves that day, too.`,
    );
    // One that is old enough sooner is not waited for.
    expect(binding([180, 150, 0]).who).toEqual(['w0']);
    expect(batchWaits(binding([180, 180, 180]), saying, batch)).toMatch(/^The batch waits/);
  });
  test('haste names who is too young for the tank', () => {
    const cost = hasteOf(together, steps, 'b', day(70));
    expect(cost.broken.map((r) => brokenText(r, saying))).toContain(
      `The tank is too young for OLD before ${day(80)}.`,
    );
  });
});

describe('days on which nobody comes', () => {
  const SATURDAY = 6;
  const saying = { nameOf: (id: string) => id, day: (d: string) => d, litres: String };
  const waitsFor = (more: Partial<Problem>) => {
    const [step] = planOf(problem([wish('a')], more)).steps;
    return [
      step?.buyDay,
      step?.releaseDay,
      step?.binding.map((r) => wishWaits(r, saying, step.wishId)).join(),
    ];
  };
  test('a date that waits for a shop says that alone; an absence says when it is over', () => {
    expect(waitsFor({ shopDays: [SATURDAY] })).toEqual([day(4), day(32), 'waits for a day with a shop']);
    const [buy, release, why] = waitsFor({ away: [[TODAY, TODAY + 10]] });
    expect([buy, release]).toEqual([day(11), day(39)]);
    expect(why).toMatch(`waits until you are back, on ${day(11)}`);
  });
  test('days away put off the end of a clock in a quarantine with a filter, and in no other', () => {
    const over = (bare: boolean | null) => {
      const p = problem([wish('a')], { away: [[TODAY + 5, TODAY + 9]] });
      return clearOn({ ...p, quarantines: p.quarantines.map((q) => ({ ...q, bare })) }, 0, TODAY) - TODAY;
    };
    expect([over(false), over(true), over(null)]).toEqual([33, 28, 28]);
  });
  test('where a test would fall in an absence that is said: the release is before it, not after', () => {
    // Tested on the first, third and seventh day: from the 28th one falls on the 35th, from the 29th on the 36th.
    expect(waitsFor({ away: [[TODAY + 35, TODAY + 36]] })).toEqual([
      day(2),
      day(30),
      'waits because a day earlier a test after it would fall on days you are away',
    ]);
  });
  test('let in a day sooner or later it is bought on a day with a shop', () => {
    const p = problem([wish('a'), wish('b', { loadMgN: 8 })], { shopDays: [SATURDAY] });
    const { steps } = planOf(p);
    expect(hasteOf(p, steps, 'a', day(33))).toMatchObject({ buyDay: day(4), daysSeen: 29, broken: [] });
    const { broken } = hasteOf(p, steps, 'a', day(30));
    expect(broken.map((r) => brokenText(r, saying))).toEqual([
      'There is no shop on the day it would be bought.',
    ]);
  });
});

describe('R6', () => {
  test('more at once is more ammonia; a month apart is less than together', () => {
    const ammonia = new Ammonia(
      problem([], { displayLoadMgN: 5, water: { nearZeroMgN: 8, netL: 100, freeShare: 0.05 } }),
    );
    const peak = (...releases: [number, number][]) =>
      ammonia.peakAfter(releases.map(([d, loadMgN]) => ({ day: TODAY + d, loadMgN })))!;
    expect(peak([5, 4])).toBeLessThan(peak([5, 8]));
    expect(peak([5, 4], [35, 4])).toBeLessThan(peak([5, 8]));
    // The order in which plans are asked about changes nothing.
    const fresh = new Ammonia(
      problem([], { displayLoadMgN: 5, water: { nearZeroMgN: 8, netL: 100, freeShare: 0.05 } }),
    );
    expect(
      fresh.peakAfter([
        { day: TODAY + 5, loadMgN: 4 },
        { day: TODAY + 35, loadMgN: 4 },
      ]),
    ).toBe(peak([5, 4], [35, 4]));
  });
  test('alkalinity is kept up: a year of load leaves the bacteria as good at it as a month', () => {
    const ammonia = new Ammonia(
      problem([], { displayLoadMgN: 20, water: { nearZeroMgN: 20, netL: 100, freeShare: 0.05 } }),
    );
    // 0.2 mg N/L a day take 29 dKH in a year, were none brought in.
    const monthOn = ammonia.peakAfter([{ day: TODAY + 30, loadMgN: 2 }])!;
    expect(monthOn).toBeLessThan(0.02);
    expect(ammonia.peakAfter([{ day: TODAY + 365, loadMgN: 2 }])).toBeLessThan(monthOn * 1.5);
  });
  test('a plan keeps within it: what goes too far waits or is left out, and it is no longer called the best', () => {
    const water = { nearZeroMgN: 2, netL: 40, freeShare: 0.06 };
    const one = problem([wish('a', { loadMgN: 8 })], { displayLoadMgN: 0.4, firstStepMgN: 50 });
    expect(planOf(one)).toMatchObject({ status: 'optimal', lastRelease: day(28) });
    const careful = planOf({ ...one, water });
    expect(careful.status).not.toBe('optimal');
    for (const s of careful.steps) expect(s.freeMgN).toBeLessThanOrEqual(0.02);
    // Bought today and let in at once it would fit, but for its quarantine: that is not what keeps it out.
    expect(careful.leftOut).toMatchObject([{ wishId: 'a', rule: 'R6' }]);
  });
});

describe('what would let it in', () => {
  test.each([
    ['a lid for a jumper', problem([wish('a', { jumps: true })], { hasLid: false }), { kind: 'lid' }],
    [
      'a quarantine of the line it has none of',
      problem([wish('a', { line: 'coral', loadMgN: 0.1 })]),
      { kind: 'quarantine', line: 'coral', netL: 40 },
    ],
    // By hand: 12 mg N a day over half of 0.3 mg/L want 80 L.
    [
      'a larger quarantine',
      problem([wish('a', { loadMgN: 12 })]),
      { kind: 'quarantine', line: 'fish', netL: 80 },
    ],
    ['money', problem([wish('a', { price: 70 })], { budget: 50 }), { kind: 'budget', aMonth: 70 }],
    ['a gate', problem([wish('a')], { gate: null }), { kind: 'gate' }],
  ] as const)('%s, and with it the wish is placed', (_, p, concession) => {
    const plan = planOf(p);
    expect(plan.leftOut).toMatchObject([{ wishId: 'a', concession }]);
    const helped: Problem = {
      ...p,
      ...(concession.kind === 'lid' ? { hasLid: true } : {}),
      ...(concession.kind === 'budget' ? { budget: concession.aMonth } : {}),
      ...(concession.kind === 'gate' ? { gate: TODAY } : {}),
      ...(concession.kind === 'quarantine'
        ? {
            quarantines: [
              ...p.quarantines,
              { ...p.quarantines[0]!, id: 'more', line: concession.line, netL: concession.netL },
            ],
            displayLoadMgN: 20,
          }
        : {}),
    };
    expect(planOf(helped).steps).toHaveLength(1);
  });
  test('of two that clash the other; nobody is told that a rule he cannot lift would help', () => {
    const p = problem([wish('a'), wish('b')], { forbidden: [[0, 1]] });
    expect(concessionFor(p, 0, 'R8')).toEqual({ kind: 'withoutOther', wishId: 'b' });
    expect(concessionFor(problem([wish('a')]), 0, 'R9')).toBeNull();
  });
});

test('of two bought together that would be too much at once one stays, for the load, until the other is in', () => {
  const two = [wish('a', { loadMgN: 6 }), wish('b', { loadMgN: 6 })];
  const fixed = [0, 1].map((i) => ({ wish: i, buy: TODAY - 20, quarantine: 0, release: null }));
  const large = problem([]).quarantines.map((q) => ({ ...q, netL: 200 }));
  const p = problem(two, { fixed, quarantines: large });
  const plan = planOf(p);
  expect(plan.steps).toHaveLength(1);
  const [left] = plan.leftOut;
  expect(left?.rule).toBe('R5');
  expect(leftOutText(p, left!, plan.leftOut)).toBe(
    'It stays in its quarantine: all of its batch at once would more than double the load within thirty days. ' +
      'Once the others are in, the plan gives it a day of its own.',
  );
  // By itself it is not said to wait for others.
  const alone = problem([wish('a', { loadMgN: 40 })], { fixed: fixed.slice(0, 1) });
  expect(leftOutText(alone, { wishId: 'a', rule: 'R5' }, [{ wishId: 'a' }])).not.toMatch(/batch/);
});

test('of two bought together neither leads where neither has a day; in a bare quarantine an absence is named', () => {
  const two = [wish('a', { loadMgN: 6 }), wish('b', { loadMgN: 6 })];
  const fixed = [0, 1].map((i) => ({ wish: i, buy: TODAY - 2, quarantine: 0, release: null }));
  const out = [{ wishId: 'a' }, { wishId: 'b' }];
  const p = problem(two, { fixed });
  expect(leftOutText(p, { wishId: 'a', rule: 'R5' }, out)).not.toMatch(/batch|the others/);
  expect(leftOutText(p, { wishId: 'a', rule: 'R5' }, out.slice(0, 1))).toMatch(/all of its batch/);
  const bare = (away: Problem['away']) =>
    problem([wish('a')], {
      fixed: fixed.slice(0, 1),
      quarantines: problem([]).quarantines.map((q) => ({ ...q, bare: true })),
      away,
    });
  expect(planOf(bare([])).steps).toHaveLength(1);
  const left = planOf(bare([[TODAY + 9, TODAY + 12]])).leftOut[0]!;
  expect(left.rule).toBe('R9');
  // With another quarantine, which somebody else is in, too: it is where it is.
  const beside = bare([[TODAY + 9, TODAY + 12]]);
  const other = { ...beside.quarantines[0]!, id: 'other', bare: null };
  const own = [
    { wish: 0, buy: TODAY - 2, quarantine: 1, release: null },
    { wish: 1, buy: TODAY - 2, quarantine: 0, release: null, closed: true },
  ];
  const out2 = planOf({
    ...beside,
    wishes: [wish('a'), wish('b')],
    quarantines: [other, ...beside.quarantines],
    fixed: own,
  }).leftOut;
  expect(out2.map((l) => [l.wishId, l.rule])).toEqual([['a', 'R9']]);
  expect(leftOutText(bare([[TODAY + 9, TODAY + 12]]), left, [left])).toMatch(
    /bare quarantine, and you are away/,
  );
});

test('a second quarantine and none are weighed where somebody waits, for nothing else', () => {
  const two = alternativesOf(problem([wish('a'), wish('b')]));
  expect(two.map((a) => a.kind)).toEqual(['secondQuarantine', 'noQuarantine']);
  expect(two[0]?.problem.quarantines).toHaveLength(2);
  // Whoever is bought has nowhere else to be; those that are in one already have.
  expect(two[1]?.problem.quarantines.map((q) => [q.clockDays, q.sameDay])).toEqual([[0, true]]);
  const bought = problem([wish('a'), wish('b')], {
    fixed: [{ wish: 0, buy: TODAY - 3, quarantine: 0, release: null }],
  });
  expect(alternativesOf(bought).map(({ problem: p }) => p.quarantines[0]?.sameDay)).toEqual([undefined]);
  expect(alternativesOf(problem([wish('a')])).map((a) => a.kind)).toEqual(['noQuarantine']);
  expect(alternativesOf(problem([]))).toEqual([]);
});

test('a purchase set for years ahead is what keeps it out of the plan, not its quarantine', () => {
  const set = (buy: number) =>
    problem([wish('a')], { fixed: [{ wish: 0, buy, quarantine: 0, release: null }] });
  const end = TODAY + set(TODAY).horizonDays;
  const { clockDays } = set(TODAY).quarantines[0]!;
  expect(planOf(set(end - clockDays)).steps).toHaveLength(1);
  for (const buy of [end - clockDays + 1, TODAY + 760]) {
    const p = set(buy);
    const { leftOut } = planOf(p);
    expect(leftOutText(p, leftOut[0]!, leftOut)).toMatch(
      /^The day it is bought on, as you set it, is too late/,
    );
  }
});
