import { leftByMonth, wantedByMonth, worthKeeping } from './money';
import { monthsNeeded } from './fewest';
import type { Wish } from './problem';
import { bitOf, keyOf, LATE, NONE, type Label, type Paying, type World } from './world';

/** The label of nothing planned yet: what is set stands. */
export function start(world: World): Label {
  const { p, set, levels, calendar, open } = world;
  const placed = p.wishes.map((_, i) => set.some((s) => s.wish === i));
  const spent = calendar.months.map((m) =>
    p.fixed.reduce(
      (sum, f) => sum + (f.buy >= m.from && f.buy <= m.to ? (p.wishes[f.wish] as Wish).price : 0),
      0,
    ),
  );
  // A month that began before today: what was bought in it earlier counts, too.
  const [first] = calendar.months;
  if (first)
    spent[0] =
      (spent[0] ?? 0) +
      p.fixed.reduce(
        (sum, f) =>
          sum + (f.buy < first.from && sameMonth(f.buy, first.from) ? (p.wishes[f.wish] as Wish).price : 0),
        0,
      );
  let income = 0;
  const { budget } = p;
  if (budget !== null) world.income = spent.map((sum) => (income += Math.max(0, budget - sum)));
  if (budget !== null && !world.rough) world.needed = monthsNeeded(world, spent);
  const free = p.quarantines.map(() => p.today);
  const mask = set.reduce((bits, s) => bits | bitOf(s.wish), 0);
  const key = keyOf(placed, mask);
  const paying: Paying[] = [{ spent, months: [], open: [], before: null }];
  const wanted = p.budget === null ? [] : wantedByMonth(world, placed, free, LATE);
  const ways = worthKeeping(world, { key, placed }, wanted, paying, []);
  return {
    placed,
    key,
    mask,
    day: p.today,
    firstHeavy: NONE,
    lastHeavy: NONE,
    crewLast: NONE,
    fishFirst: [LATE, LATE, LATE],
    free,
    days: [],
    sums: [],
    ways,
    wanted,
    leftBy: p.budget === null ? [] : leftByMonth(world, ways),
    begun: world.income.map(() => 0),
    worth: {
      placed: levels.map((_, l) => set.filter((s) => world.levelOf[s.wish] === l).length),
      last: Math.max(NONE, ...set.map((s) => s.release)),
      batches: new Set([
        ...set.map((s) => `${s.quarantine} ${s.buy}`),
        ...open.map((b) => `${b.quarantine} ${b.boughtOn}`),
      ]).size,
      sum: set.reduce((sum, s) => sum + s.release, 0),
    },
    parent: null,
    batches: [],
  };
}

const sameMonth = (a: number, b: number): boolean =>
  new Date(a * 86_400_000).toISOString().slice(0, 7) === new Date(b * 86_400_000).toISOString().slice(0, 7);
