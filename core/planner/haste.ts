/** The cost of haste: one batch let in on another day, everything else as planned. */
import { FREE_AMMONIA } from '../seawater/limits';
import { dayNumber, dayFromNumber } from '../time';
import { Ammonia } from './ammonia';
import type { PlannedStep } from './plan';
import type { Problem, Step, Wish } from './problem';
import { ammoniaOf, reasonOf, type Reason } from './reasons';
import { breachesOf, breachesOfReleases, daysCounted, type Breach } from './rules';
import { buysBefore, byRule } from './why';

export interface Haste {
  buyDay: string;
  /** Days its quarantine would have. */
  daysSeen: number;
  /** What the move breaks that the plan kept; empty where nothing. */
  broken: Reason[];
  /** Free ammonia predicted after it, mg N/L; null where nothing can be predicted. */
  freeMgN: number | null;
  tooMuchAmmonia: boolean;
}

/** The steps of a plan as the planner reckons with them. */
export const stepsOf = (p: Problem, planned: readonly PlannedStep[]): Step[] =>
  planned.map((s) => ({
    wish: p.wishes.findIndex((w) => w.id === s.wishId),
    buy: dayNumber(s.buyDay),
    quarantine: p.quarantines.findIndex((q) => q.id === s.quarantineId),
    release: dayNumber(s.releaseDay),
  }));

/** Bought as late as its clock, the shop days and the budget let it, but not before today: what the clock then lacks is said. Where no purchase keeps the
 *  rules, the one that breaks the fewest.
 *  @param releaseDay the day the whole batch of the wish is let in */
export function hasteOf(
  p: Problem,
  planned: readonly PlannedStep[],
  wishId: string,
  releaseDay: string,
): Haste {
  const steps = stepsOf(p, planned);
  const moved = steps.find((s) => (p.wishes[s.wish] as Wish).id === wishId) as Step;
  const batch = steps.filter((s) => s.quarantine === moved.quarantine && s.buy === moved.buy);
  const own = batch.map((s) => s.wish);
  const bought = batch.some((s) => p.fixed.some((f) => f.wish === s.wish));
  const release = dayNumber(releaseDay);
  const ammonia = new Ammonia(p);
  const boughtOn = (buy: number) => steps.map((s) => (batch.includes(s) ? { ...s, buy, release } : s));
  const ofReleases = breachesOfReleases(p, boughtOn(moved.buy), ammonia);
  const known = new Set(breachesOf(p, steps, ammonia).map((b) => JSON.stringify(b)));
  const { buy, next, broken } = leastBroken(
    buysBefore(p, moved.quarantine, release, bought ? [moved.buy] : []).map((buy) => {
      const next = boughtOn(buy);
      const breaches = breachesOf(p, next, ammonia, ofReleases);
      return { buy, next, broken: breaches.filter((b) => !known.has(JSON.stringify(b))) };
    }),
  );
  const freeMgN = ammoniaOf(p, next, release, ammonia);
  return {
    buyDay: dayFromNumber(buy),
    daysSeen: daysCounted(p, next.find((s) => s.wish === moved.wish) as Step),
    broken: byRule(
      broken.map((b) => reasonOf(p, next, b.wishes.some((w) => own.includes(w)) ? own : b.wishes, b)),
      own.length,
    ),
    freeMgN,
    tooMuchAmmonia: freeMgN !== null && freeMgN > FREE_AMMONIA.longTerm,
  };
}

interface Tried {
  buy: number;
  next: Step[];
  broken: Breach[];
}

/** The purchase that breaks the fewest rules; of those the latest, which is the first. */
const leastBroken = (tried: readonly Tried[]): Tried => {
  const rules = ({ broken }: Tried) => new Set(broken.map((b) => b.rule)).size;
  return tried.reduce((best, next) => (rules(next) < rules(best) ? next : best));
};
