/** What was bought together is released together, where it can be. Where it cannot, some of it stays where it is, so that the others can go. */
import type { Found, Search } from './found';
import { NEVER_DAYS, sameBatch, setsOf, type Problem, type Wish } from './problem';
import { bestOfWholeBatches } from './search';
import { compareWorth } from './label';
import { levelOf, levelsOf } from './world';

/** The best plan; of what was bought together none stays behind but where the whole cannot be released. */
export function bestPlan(p: Problem, o: Search): Found {
  const whole = bestOfWholeBatches(p, o);
  const open = p.fixed.filter((f) => f.release === null);
  if (open.every((f) => isOut(whole, f.wish))) return whole;
  // Whoever is alone in its batch keeps nobody in.
  const withMates = open.filter((f) => open.some((other) => other !== f && sameBatch(f, other)));
  let best = whole;
  for (let count = 1; count < withMates.length; count++)
    for (const set of setsOf(withMates, count)) {
      if (!o.mayGoOn()) return unproved(p, best);
      const staying = set.map((f) => f.wish);
      if (!mayBeAsMany(p, staying, best)) continue;
      const found = bestOfWholeBatches(without(p, staying), o);
      best = { ...better(best, found), proved: best.proved && found.proved };
    }
  return best.proved ? best : unproved(p, best);
}

const isOut = (found: Found, wish: number): boolean => found.steps.some((s) => s.wish === wish);

/** What one search could not better is no bound for the others. */
const unproved = (p: Problem, found: Found): Found => ({
  ...found,
  proved: false,
  lastAtLeast: p.today,
  placedAtMost: levelsOf(p).map((level) => p.wishes.filter((_, i) => levelOf(p, i) === level).length),
});

/** Were all that is bought released but those: would it be as many, by priority, as in a plan? */
function mayBeAsMany(p: Problem, staying: readonly number[], than: Found): boolean {
  const open = p.fixed.flatMap((f) => (f.release === null ? [f.wish] : []));
  const priority = (wish: number) => (p.wishes[wish] as Wish).priority;
  for (const level of [...new Set(open.map(priority))].sort((a, b) => a - b)) {
    const here = open.filter((wish) => priority(wish) === level);
    const more =
      here.filter((wish) => !staying.includes(wish)).length - here.filter((wish) => isOut(than, wish)).length;
    if (more !== 0) return more > 0;
  }
  return true;
}

/** As if some could never be released. */
const without = (p: Problem, staying: readonly number[]): Problem => ({
  ...p,
  wishes: p.wishes.map((w, i) => (staying.includes(i) ? { ...w, needsTankDays: NEVER_DAYS } : w)),
});

const better = (a: Found, b: Found): Found => (compareWorth(b.worth, a.worth) < 0 ? b : a);
