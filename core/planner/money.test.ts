/** What can be paid for: in how few months, by how few batches, and in which months. */
import { seededRandom } from '../random';
import { household } from '../testing/longPlans';
import { aProblem, aWish as wish, TODAY } from '../testing/plans';
import { bestPlan } from './bought';
import { batchesAtLeast } from './fewest';
import { FISH } from './calendar';
import { Kept } from './kept';
import { monthsNeeded } from './months';
import { toBuy } from './packed';
import { payOnce } from './pay';
import type { Problem, QuarantineWater, Wish } from './problem';
import { batchesOf, boughtBy, daysOf } from './purse';
import { start } from './start';
import { type Bill, type Label, LATE } from './label';
import { batchOf } from './batch';
import { type World, worldOf } from './world';

const worldWith = (prices: number[], budget: number | null, more: Partial<Problem> = {}) =>
  worldOf(
    aProblem(
      prices.map((price, i) => wish(`w${i}`, { price })),
      { budget, ...more },
    ),
    false,
    () => true,
    'one',
  );

describe('in how few months a set can be paid for', () => {
  /** Every choice of months, one wish after the other. */
  function tried(prices: readonly number[], budget: number, spent: readonly number[]): number {
    const rest = spent.map((s) => budget - s);
    let fewest = rest.length;
    const place = (at: number, last: number): void => {
      const price = prices[at];
      if (last >= fewest) return;
      if (price === undefined) {
        fewest = last;
        return;
      }
      for (let m = 0; m < rest.length; m++) {
        if ((rest[m] as number) < price) continue;
        rest[m] = (rest[m] as number) - price;
        place(at + 1, Math.max(last, price > 0 ? m : 0));
        rest[m] = (rest[m] as number) + price;
      }
    };
    place(0, 0);
    return fewest;
  }

  test('as few as by trying every choice', () => {
    for (let seed = 1; seed <= 30; seed++) {
      const random = seededRandom(seed);
      const prices = Array.from({ length: 5 }, () => Math.floor(random() * 40));
      const world = worldWith(prices, 50);
      const spent = world.calendar.months.map((_, m) => (m < 4 ? Math.floor(random() * 40) : 0));
      const needed = monthsNeeded(world.p, world.calendar, spent, prices);
      for (let mask = 0; mask < 32; mask++) {
        const set = prices.filter((_, i) => mask & (1 << i));
        expect([seed, mask, needed[mask]]).toEqual([seed, mask, tried(set, 50, spent)]);
      }
    }
  });
  test('what costs more than a month has is never paid for; what is free needs nothing', () => {
    const world = worldWith([51, 0, 50], 50);
    const needed = monthsNeeded(world.p, world.calendar, [50, 0, 0], world.prices);
    expect([needed[0b001], needed[0b010], needed[0b100]]).toEqual([world.calendar.months.length, 0, 1]);
  });
});

describe('by what month a set can have been bought, and how', () => {
  /** Every wish in every month up to a last one, and every way to put those of a month into batches of one line. */
  function tried(world: World, set: readonly number[], last: number): { fewest: number; soonest: number } {
    const { wishes, budget, today } = world.p;
    const rest = world.spent.map((s) => (budget as number) - s);
    let [fewest, soonest] = [Infinity, Infinity];
    type Group = { month: number; line: string; load: number };
    const place = (at: number, groups: readonly Group[], days: number): void => {
      const i = set[at];
      if (i === undefined) {
        fewest = Math.min(fewest, groups.length * 10_000 + days);
        soonest = Math.min(soonest, days);
        return;
      }
      const { line, loadMgN: load, price } = wishes[i] as Wish;
      for (let month = 0; month <= last; month++) {
        if ((rest[month] as number) < price) continue;
        rest[month] = (rest[month] as number) - price;
        const { from } = world.calendar.months[month] as { from: number };
        const outs = world.p.quarantines.map((q) => (q.line === line ? from + q.clockDays : Infinity));
        const then = days + Math.max(Math.min(...outs), world.least[i] as number) - today;
        const joined = groups.filter((g) => g.month === month && g.line === line && g.load + load <= 9);
        for (const g of joined)
          place(
            at + 1,
            groups.map((other) => (other === g ? { ...g, load: g.load + load } : other)),
            then,
          );
        place(at + 1, [...groups, { month, line, load }], then);
        rest[month] = (rest[month] as number) + price;
      }
    };
    place(0, [], 0);
    return { fewest, soonest };
  }

  test('as few and as soon as by trying every choice', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const random = seededRandom(seed);
      const whole = (a: number, b: number) => a + Math.floor(random() * (b - a + 1));
      const wishes = Array.from({ length: 4 }, (_, i) =>
        wish(`w${i}`, {
          price: whole(0, 40),
          loadMgN: whole(1, 6),
          needsTankDays: random() < 0.3 ? 200 : 0,
          ...(i % 2 === 0 ? {} : { line: 'invertebrate' as const, temperament: null }),
        }),
      );
      const [quarantine] = aProblem([]).quarantines as [QuarantineWater];
      const quarantines = [
        quarantine,
        { ...quarantine, id: 'i', line: 'invertebrate' as const, clockDays: 21 },
      ];
      const world = worldOf(aProblem(wishes, { budget: 50, quarantines }), false, () => true);
      for (let mask = 0; mask < 16; mask++)
        for (const last of [0, 2]) {
          const by = boughtBy(world, last);
          const set = wishes.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
          const { fewest, soonest } = tried(world, set, last);
          const one = by.fewest[mask] as number;
          const found = one === LATE ? Infinity : batchesOf(one) * 10_000 + daysOf(one);
          const first = by.soonest[mask] as number;
          expect([seed, mask, last, found]).toEqual([seed, mask, last, fewest]);
          expect([seed, mask, last, first === LATE ? Infinity : first]).toEqual([seed, mask, last, soonest]);
        }
    }
  });
});

describe('what was bought in another month', () => {
  test('costs nothing any more, whatever its price was', () => {
    for (const seed of [2, 5, 9, 14, 50, 53, 60]) {
      const p = household(6, seed, 70);
      const bought = p.wishes.findIndex((w) => w.line === 'fish');
      const quarantine = p.quarantines.findIndex((q) => q.line === 'fish');
      const worthAt = (price: number) =>
        bestPlan(
          {
            ...p,
            wishes: p.wishes.map((w, i) => (i === bought ? { ...w, price } : w)),
            fixed: [{ wish: bought, buy: p.today - 40, quarantine, release: null }],
          },
          { exact: true, width: 12, mayGoOn: () => true },
        ).worth;
      expect([seed, worthAt(300)]).toEqual([seed, worthAt(0)]);
    }
  });
});

describe('how few batches hold some', () => {
  test.each([
    // 9 mg N a day at most, by half of 60 L at 0.3 mg/L: 5 + 4 and 5 + 4, not 5 + 5.
    ['by load', [0, 0, 0, 0], null, [5, 5, 4, 4], 2],
    ['just too much for two', [0, 0, 0, 0], null, [5, 5, 4, 4.1], 3],
    ['by price', [60, 60, 30], 90, [1, 1, 1], 2],
    ['a month is not enough for two', [60, 60, 31], 90, [1, 1, 1], 3],
  ] as const)('%s', (_, prices, budget, loads, batches) => {
    const wishes = loads.map((loadMgN, i) => wish(`w${i}`, { loadMgN, price: prices[i] as number }));
    const world = worldOf(aProblem(wishes, { budget }), false, () => true);
    const all = wishes.map((__, i) => i);
    expect(batchesAtLeast(world, all)).toBe(batches);
  });
  test.each([
    ['today may be joined by as many as it has room for', TODAY, [1], 0, false],
    ['today leaves the rest to be bought by themselves', TODAY, [1, 2, 3], 1, false],
    ['today is not joined where a sign was seen', TODAY, [1], 1, true],
    ['before today is not joined', TODAY - 1, [1], 1, false],
    ['is bought no more', TODAY - 1, [0], 0, false],
  ] as const)('what is bought %s', (_, buy, left, batches, closed) => {
    const fixed = [{ wish: 0, buy, quarantine: 0, release: null, closed }];
    const wishes = [1, 3, 3, 3].map((loadMgN, i) => wish(`w${i}`, { loadMgN }));
    const world = worldOf(aProblem(wishes, { fixed }), false, () => true);
    expect(batchesAtLeast(world, left)).toBe(batches);
  });
  test('nor where a stay is set', () => {
    const fixed = [{ wish: 0, buy: TODAY, quarantine: 0, release: TODAY + 28 }];
    expect(batchesAtLeast(worldWith([1, 1], null, { fixed }), [1])).toBe(0);
    const before = [{ wish: 0, buy: TODAY - 1, quarantine: 0, release: TODAY + 28 }];
    expect(batchesAtLeast(worldWith([1, 1], null, { fixed: before }), [1])).toBe(1);
  });
});

describe('one way to pay', () => {
  const world = worldWith([60, 40, 50], 100);
  const batch = (i: number) => batchOf(world, 0, [i], null, null);
  /** A label after another that bought one wish, in a month that was free to choose. */
  const bought = (before: Label, i: number, open: number[]): Label => {
    const paid = payOnce(world, before, [batch(i)], [open]);
    if (!paid) throw new Error('cannot be paid for');
    return { ...before, parent: before, batches: [batch(i)], ways: [paid] };
  };
  const root = start(world);

  test('in the earliest month that has enough', () => {
    const label = bought(bought(root, 0, [0, 1]), 2, [0, 1]);
    expect(label.ways[0]).toMatchObject({ months: [1], before: { months: [0] } });
    expect(label.ways[0]?.spent.slice(0, 2)).toEqual([60, 50]);
  });
  test('what was bought before moves to a later month where the next has only the earlier', () => {
    const label = bought(bought(root, 0, [0, 1]), 2, [0]);
    expect(label.ways[0]).toMatchObject({ months: [0], before: { months: [1] } });
    expect(label.ways[0]?.spent.slice(0, 2)).toEqual([50, 60]);
  });
  test('none where none has enough', () => {
    expect(payOnce(world, bought(root, 0, [0]), [batch(2)], [[0]])).toBeNull();
    expect(payOnce(world, bought(root, 0, [0]), [batch(1)], [[0]])).not.toBeNull();
  });
});

describe('which of two is kept that differ in money alone', () => {
  test('as if only months counted: one stays, and with it whose purchases could have been made earlier', () => {
    const world = { ...worldWith([60, 40, 50], 100), money: 'months' as const };
    const root = start(world);
    const [none] = root.bills as [Bill];
    const at = (...from: number[]): Label => ({
      ...root,
      bills: [{ ...none, buys: from.map((m, i) => toBuy(1 << i, 60, m, FISH)) }],
    });
    const [late, early, other] = [at(1, 1), at(0, 1), at(1, 0)];
    const dropped: [Label, Label][] = [];
    const kept = new Kept(world);
    const add = (label: Label) => kept.add(label, (a, b) => dropped.push([a, b]));
    expect([late, early, other].map(add)).toEqual([true, false, false]);
    expect(dropped).toEqual([
      [early, late],
      [other, late],
    ]);
    expect(late.bills.map(({ buys }) => buys.map(({ from }) => from))).toEqual([
      [0, 1],
      [1, 0],
    ]);
  });
  test('where every way of paying counts, the ways that others leave as much by are dropped, and the label with its last', () => {
    const world = { ...worldWith([60, 40, 50], 100), money: 'every' as const };
    const root = start(world);
    const way = (...left: number[]) => ({
      ...root.ways[0]!,
      spent: world.calendar.months.map((_, m) => 100 - (left[m] ?? 0)),
      useful: world.calendar.months.map((_, m) => left[m] ?? 0),
    });
    const wanted = world.calendar.months.map(() => 100);
    const label = (...ways: ReturnType<typeof way>[]): Label => ({ ...root, wanted, ways });
    const kept = new Kept(world);
    kept.add(label(way(60, 40)));
    const two = label(way(50, 40), way(0, 90));
    expect(kept.add(two)).toBe(true);
    expect(two.ways).toEqual([way(0, 90)]);
    expect(kept.add(label(way(50, 30), way(0, 80)))).toBe(false);
  });
});
