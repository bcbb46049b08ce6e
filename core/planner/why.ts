/** Why a step is not earlier, and why a wish is left out: by moving it, or putting it in, and looking which rules break. A rule that breaks alone is the one
 *  whose lifting would help; where several break, all of them are in the way. */
import type { Ammonia } from './ammonia';
import {
  gateOf,
  capacityOf,
  earliestRelease,
  monthOf,
  sameBatch,
  SLACK,
  type Problem,
  type QuarantineWater,
  type Step,
  type Wish,
} from './problem';
import { reasonOf, type Reason } from './reasons';
import { breachesOf, breachesOfReleases, type Breach, type Rule } from './rules';

/** What keeps a step's batch from leaving a day earlier; nothing for one that is set. */
export function bindingOf(p: Problem, steps: readonly Step[], step: Step, ammonia: Ammonia): Reason[] {
  if (step.release <= p.today) return [];
  if (p.fixed.some((f) => f.wish === step.wish && f.release !== null)) return [];
  const batch = steps.filter((s) => s.quarantine === step.quarantine && s.buy === step.buy);
  const own = batch.map((s) => s.wish);
  const bought = batch.some((s) => p.fixed.some((f) => f.wish === s.wish));
  const rest = steps.filter((s) => !batch.includes(s));
  const release = step.release - 1;
  const already = known(p, steps, ammonia);
  const boughtOn = (buy: number) => [...rest, ...batch.map((s) => ({ ...s, buy, release }))];
  const ofReleases = breachesOfReleases(p, boughtOn(step.buy), ammonia);
  return fewest(
    buysBefore(p, step.quarantine, release, bought ? [step.buy] : []).map((buy) => {
      const tried = boughtOn(buy);
      const breaches = breachesOf(p, tried, ammonia, ofReleases).filter(isNew(already));
      return byRule(
        breaches.map((b) => reasonOf(p, tried, own, b)),
        own.length,
      );
    }),
  );
}

/** One reason a rule, with everybody it is about and the latest day. @param batch how many leave together */
export function byRule(reasons: readonly Reason[], batch: number): Reason[] {
  const rules = [...new Set(reasons.map((r) => r.rule))];
  return rules.map((rule) => {
    const these = reasons.filter((r) => r.rule === rule);
    const days = these.flatMap((r) => (r.day === null ? [] : [r.day])).sort();
    // Who is said to be the last is so for the latest day alone.
    const day = days[days.length - 1] ?? null;
    const last = these.filter((r) => r.day === day);
    const who = last.some((r) => r.who.length === 0) ? [] : [...new Set(last.flatMap((r) => r.who))];
    return {
      ...(these[0] as Reason),
      with: [...new Set(these.flatMap((r) => r.with))],
      who: who.length < batch ? who : [],
      day,
    };
  });
}

/** The rule that keeps a wish out, the plainest first. */
export function leftOutBy(p: Problem, steps: readonly Step[], wish: number, ammonia: Ammonia): Rule {
  const own = alone(p, p.wishes[wish] as Wish);
  if (own) return own;
  const already = known(p, steps, ammonia);
  let least: Rule[] = [];
  let leastKept: Rule[] = [];
  const fewer = (a: Rule[], b: Rule[]) => (b.length === 0 || a.length < b.length ? a : b);
  for (const tries of triesOf(p, steps, wish)) {
    const [first] = tries;
    if (!first) continue;
    const ofReleases = breachesOfReleases(p, [...steps, first], ammonia);
    // Whatever the purchase, these are broken.
    const count = rulesOf(ofReleases.filter(isNew(already))).length;
    if (least.length > 0 && count >= least.length && leastKept.length > 0 && count >= leastKept.length)
      continue;
    for (const step of tries) {
      const rules = rulesOf(breachesOf(p, [...steps, step], ammonia, ofReleases).filter(isNew(already)));
      if (rules.length > 0) least = fewer(rules, least);
      // Hardly anything is kept out by its quarantine's days alone: what would also do without skipping them is named.
      if (rules.length > 0 && !rules.includes('R2')) leastKept = fewer(rules, leastKept);
      // Another purchase for that day would break no fewer.
      if (!rules.some((rule) => BY_PURCHASE.includes(rule))) break;
    }
    if (leastKept.length === 1) break;
  }
  return (leastKept.length > 0 && leastKept.length <= least.length ? leastKept : least)[0] ?? 'horizon';
}

/** Rules that hang on the day of the purchase. */
const BY_PURCHASE: readonly Rule[] = ['R2', 'R3', 'R9', 'R10', 'horizon'];

/** Where a wish that is left out could be tried: on days of its own, each with its purchases, and with each batch. */
function* triesOf(p: Problem, steps: readonly Step[], wish: number): Generator<Step[]> {
  const w = p.wishes[wish] as Wish;
  const end = p.today + p.horizonDays;
  const from = earliestRelease(p, w) ?? p.today;
  const bought = p.fixed.find((f) => f.wish === wish && f.release === null);
  const mate = bought && steps.find((s) => sameBatch(s, bought));
  // Whoever is bought leaves with those it was bought with.
  if (bought && mate) return yield [{ ...mate, wish }];
  const dense = p.wishes.length > EASY_WISHES ? 0 : DENSE_DAYS;
  for (let quarantine = 0; quarantine < p.quarantines.length; quarantine++) {
    if (p.quarantines[quarantine]?.line !== w.line) continue;
    // It is where it is, and nowhere else.
    if (bought && bought.quarantine !== quarantine) continue;
    const here = steps.filter((s) => s.quarantine === quarantine);
    for (let release = from; release <= end + 1; release += release < from + dense ? 1 : SPARSE_DAYS)
      yield buysBefore(p, quarantine, release, bought ? [bought.buy] : [])
        .filter((buy) => here.every((s) => s.buy !== buy || s.release === release))
        .map((buy) => ({ wish, buy, quarantine, release }));
    if (!bought) for (const { buy, release } of here) yield [{ wish, buy, quarantine, release }];
  }
}

/** Days that are tried one by one; after them by the week. */
const DENSE_DAYS = 90;
const SPARSE_DAYS = 7;
/** With more wishes than this, by the week alone. */
const EASY_WISHES = 12;

/** What keeps a wish out whatever else is planned; null where nothing does. */
function alone(p: Problem, w: Wish): Rule | null {
  const end = p.today + p.horizonDays;
  const gate = gateOf(p, w.line);
  if (w.jumps && !p.hasLid) return 'R8';
  if (gate === null || gate > end) return 'R1';
  if (p.filled + w.needsTankDays > end) return 'R8';
  const here = p.quarantines.filter((q) => q.line === w.line);
  if (here.length === 0 || here.every((q) => p.today + q.clockDays > end)) return 'R2';
  if (here.every((q) => w.loadMgN > capacityOf(q) + SLACK)) return 'R3';
  return p.budget !== null && w.price > p.budget + SLACK ? 'R10' : null;
}

/** Purchase days worth trying for a release: as late as its clock lets it, and the last of each month before. */
export function buysBefore(
  p: Problem,
  quarantine: number,
  release: number,
  given: readonly number[],
): number[] {
  if (given.length > 0) return [...given];
  if (p.quarantines[quarantine]?.sameDay) return [release];
  const latest = release - (p.quarantines[quarantine] as QuarantineWater).clockDays;
  const closely = p.wishes.length > EASY_WISHES ? 0 : 14;
  const buys: number[] = [];
  for (let day = latest; day >= p.today && buys.length < MOST_BUYS; day--) {
    const last = buys[buys.length - 1];
    // The next two weeks day by day: shop days, absences; then a day a month.
    if (last === undefined || latest - day < closely || monthOf(day) !== monthOf(last)) buys.push(day);
  }
  return buys.length > 0 ? buys : [Math.max(p.today, latest)];
}
const MOST_BUYS = 28;

export const keyOf = ({ rule, wishes }: Breach): string => `${rule} ${wishes.join()}`;

export const known = (p: Problem, steps: readonly Step[], ammonia: Ammonia): Set<string> =>
  new Set(breachesOf(p, steps, ammonia).map(keyOf));

const isNew =
  (already: ReadonlySet<string>) =>
  (breach: Breach): boolean =>
    !already.has(keyOf(breach));

const rulesOf = (breaches: readonly Breach[]): Rule[] => [...new Set(breaches.map((b) => b.rule))];

/** The shortest list; of those as short the first. */
const fewest = <T>(lists: readonly T[][]): T[] =>
  lists.reduce<T[] | null>(
    (best, list) => (best === null || list.length < best.length ? list : best),
    null,
  ) ?? [];
