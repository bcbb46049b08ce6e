import { leftByMonth, wantsOf, worthKeeping } from './money';
import { bitOf, keyOf, LATE, NONE, type Label, type Paying } from './label';
import type { World } from './world';

/** The label of nothing planned yet: what is set stands. */
export function start(world: World): Label {
  const { p, set, levels, spent, open } = world;
  const placed = p.wishes.map((_, i) => set.some((s) => s.wish === i));
  const free = p.quarantines.map(() => p.today);
  const mask = set.reduce((bits, s) => bits | bitOf(s.wish), 0);
  const key = keyOf(placed, mask);
  const paying: Paying[] = [{ spent, months: [], open: [], before: null }];
  const wants = p.budget === null ? { wanted: [], costs: null } : wantsOf(world, { key, placed, free }, LATE);
  const ways = worthKeeping(world, wants, paying, []);
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
    wanted: wants.wanted,
    leftBy: p.budget === null ? [] : leftByMonth(world, ways),
    bills: [{ begun: world.income.map(() => 0), buys: [] }],
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
    told: null,
    entering: null,
  };
}
