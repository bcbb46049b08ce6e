/** The rules R1 to R10 as plain statements over a finished plan: slow, and apart from the search, so that either can be held against the other. */
import { remembered } from '../remembered';
import { Ammonia } from './ammonia';
import {
  gateOf,
  capacityOf,
  DOUBLING_DAYS,
  firstStepOn,
  isAbsent,
  isAbsentWithin,
  isHeavy,
  isShopDay,
  isShut,
  monthOf,
  SLACK,
  TEST_DAYS,
  unbrokenOf,
  type Problem,
  type Released,
  type Step,
} from './problem';

export type Rule = 'R1' | 'R2' | 'R3' | 'R4' | 'R5' | 'R6' | 'R7' | 'R8' | 'R9' | 'R10' | 'horizon';

/** A rule that a plan breaks, and the wishes whose steps are in it. */
export interface Breach {
  rule: Rule;
  wishes: number[];
}

/** Every breach of a plan; none for one that keeps all rules.
 *  @param ammonia the water's, where many plans of one problem are asked about: what begins alike is then run once
 *  @param ofReleases what the days of release break (`breachesOfReleases`), where that was told before: plans that differ in their purchases alone have it
 *  in common */
export function breachesOf(
  p: Problem,
  steps: readonly Step[],
  ammonia = new Ammonia(p),
  ofReleases: readonly Breach[] = breachesOfReleases(p, steps, ammonia),
): Breach[] {
  const ofOne = ofStep(p);
  const out: Breach[] = [];
  for (const s of steps) out.push(...ofOne(s));
  out.push(...ofBatches(p, steps), ...ofReleases, ...ofBudget(p, steps));
  return out;
}

/** R4 to R8, company but not age: they hang on who is released on which day, and on nothing else. */
export const breachesOfReleases = (p: Problem, steps: readonly Step[], ammonia: Ammonia): Breach[] => [
  ...ofSettling(p, steps),
  ...ofDoubling(p, steps),
  ...ofAmmonia(p, steps, ammonia),
  ...ofOrder(p, steps),
  ...ofCompany(p, steps),
];

const wishOf = (p: Problem, s: Step) => p.wishes[s.wish] as Problem['wishes'][number];
const quarantineOf = (p: Problem, s: Step) => p.quarantines[s.quarantine] as Problem['quarantines'][number];

/** What a step breaks by itself, whatever else is planned. Told once for each: plan after plan is asked about that differ in one or a few. */
const ofStep = remembered((p: Problem) =>
  remembered((s: Step): readonly Breach[] =>
    [...ofDays(p, s), ...ofStay(p, s)].map((rule) => ({ rule, wishes: [s.wish] })),
  ),
);

/** R1, R8 (age and lid), R9 (days), horizon. */
function ofDays(p: Problem, s: Step): Rule[] {
  const w = wishOf(p, s);
  const gate = gateOf(p, w.line);
  const broken: Rule[] = [];
  if (gate === null || s.release < gate) broken.push('R1');
  if (s.release - p.filled < w.needsTankDays || (w.jumps && !p.hasLid)) broken.push('R8');
  const fixed = p.fixed.find((f) => f.wish === s.wish);
  const badBuy = isShut(p, s.buy) || !isShopDay(p, s.buy);
  const tests = quarantineOf(p, s).testsPresent && TEST_DAYS.some((after) => isAbsent(p, s.release + after));
  if (badBuy || isShut(p, s.release) || tests) broken.push('R9');
  if (s.release > p.today + p.horizonDays || (!fixed && s.buy < p.today) || (s.release < p.today && !fixed))
    broken.push('horizon');
  return broken;
}

/** Days of absence within a stay: before the day of its release, and on it. */
function absentIn(p: Problem, { buy, release }: Step): { before: number; atEnd: boolean } {
  let before = 0;
  // Day by day where anybody is away at all.
  const away = p.away.some(([a, b]) => a <= release && b >= buy);
  for (let d = buy; away && d < release; d++) if (isAbsent(p, d)) before++;
  return { before, atEnd: away && isAbsent(p, release) };
}

/** Days of a stay that count for its clock (R2). */
export const daysCounted = (p: Problem, s: Step): number =>
  s.release - s.buy - (quarantineOf(p, s).bare === false ? absentIn(p, s).before : 0);

/** The day on which the clock of a stay is over: days away put it off where they do not count. @param quarantine its index */
export function clearOn(p: Problem, quarantine: number, buy: number): number {
  const { clockDays } = p.quarantines[quarantine] as Problem['quarantines'][number];
  let release = buy + clockDays;
  while (daysCounted(p, { wish: 0, buy, quarantine, release }) < clockDays) release++;
  return release;
}

/** R2 and the absences of R9 that concern a stay. */
function ofStay(p: Problem, s: Step): Rule[] {
  const broken: Rule[] = [];
  const q = quarantineOf(p, s);
  const { before, atEnd } = absentIn(p, s);
  if (q.bare === true && (before > 0 || atEnd)) broken.push('R9');
  const waits = q.sameDay && s.release > s.buy;
  const unseen = isAbsentWithin(p, s.release - unbrokenOf(q), s.release - 1);
  if (waits || unseen || daysCounted(p, s) < q.clockDays || q.line !== wishOf(p, s).line) broken.push('R2');
  return broken;
}

/** R3. */
function ofBatches(p: Problem, steps: readonly Step[]): Breach[] {
  const out: Breach[] = [];
  p.quarantines.forEach((q, index) => {
    const here = steps.filter((s) => s.quarantine === index);
    for (const a of here)
      for (const b of here) {
        if (a.buy === b.buy ? a.release !== b.release : a.buy < b.buy && b.buy <= a.release)
          out.push({ rule: 'R3', wishes: [a.wish, b.wish] });
      }
    here.forEach(({ buy }, first) => {
      if (here.findIndex((s) => s.buy === buy) < first) return;
      const batch = here.filter((s) => s.buy === buy);
      const load = batch.reduce((sum, s) => sum + wishOf(p, s).loadMgN, 0);
      const inClosed = p.fixed.filter((f) => f.closed && f.quarantine === index && f.buy === buy);
      const isJoined = inClosed.length > 0 && batch.length > inClosed.length;
      if (isJoined || load > capacityOf(q) + SLACK)
        out.push({ rule: 'R3', wishes: batch.map((s) => s.wish) });
    });
  });
  return out;
}

/** R4: days on which a load enters, whoever brings it. */
function ofSettling(p: Problem, steps: readonly Step[]): Breach[] {
  const heavy = steps.filter((s) => isHeavy(wishOf(p, s).loadMgN));
  const days = [
    ...new Set([
      ...heavy.map((s) => s.release),
      ...p.released.filter((r) => isHeavy(r.loadMgN)).map((r) => r.day),
    ]),
  ].sort((a, b) => a - b);
  const [first] = days;
  return days.flatMap((day, i): Breach[] => {
    const before = days[i - 1];
    if (before === undefined || first === undefined) return [];
    const tooSoon = day - before < p.settleDays || day - first < p.firstSettleDays;
    const here = heavy.filter((s) => s.release === day || s.release === before).map((s) => s.wish);
    return tooSoon ? [{ rule: 'R4', wishes: here }] : [];
  });
}

/** The display's load by the end of a day. */
export const loadBy = (p: Problem, steps: readonly Step[], day: number): number =>
  p.displayLoadMgN +
  p.released.reduce((sum, r) => sum + (r.day <= day ? r.loadMgN : 0), 0) +
  steps.reduce((sum, s) => sum + (s.release <= day ? wishOf(p, s).loadMgN : 0), 0);

/** R5. */
function ofDoubling(p: Problem, steps: readonly Step[]): Breach[] {
  return [...new Set(steps.map((s) => s.release))].flatMap((day): Breach[] => {
    const most = Math.max(2 * loadBy(p, steps, day - DOUBLING_DAYS), firstStepOn(p, day));
    return loadBy(p, steps, day) > most + SLACK
      ? [{ rule: 'R5', wishes: steps.filter((s) => s.release === day).map((s) => s.wish) }]
      : [];
  });
}

/** R6, where there is a water to predict: by the day whose release goes too far. */
function ofAmmonia(p: Problem, steps: readonly Step[], ammonia: Ammonia): Breach[] {
  if (!p.water || steps.length === 0) return [];
  const releases = releasesOf(p, steps);
  const bad = releases.find((_, i) => !ammonia.fits(releases.slice(0, i + 1)));
  return bad ? [{ rule: 'R6', wishes: steps.filter((s) => s.release === bad.day).map((s) => s.wish) }] : [];
}

/** What enters on each day of a plan, in order of the days. */
export function releasesOf(p: Problem, steps: readonly Step[]): Released[] {
  const days = [...new Set(steps.map((s) => s.release))].sort((a, b) => a - b);
  return days.map((day) => ({
    day,
    loadMgN: steps.reduce((sum, s) => sum + (s.release === day ? wishOf(p, s).loadMgN : 0), 0),
  }));
}

/** R7: crew strictly before the first fish; the gentler no later than the fiercer; where no fish lives there, first one wish of few. */
function ofOrder(p: Problem, steps: readonly Step[]): Breach[] {
  const fish = steps.filter((s) => wishOf(p, s).line === 'fish');
  const crew = steps.filter((s) => wishOf(p, s).line === 'invertebrate' && wishOf(p, s).crew);
  const out: Breach[] = [];
  for (const c of crew)
    for (const f of fish) if (c.release >= f.release) out.push({ rule: 'R7', wishes: [c.wish, f.wish] });
  for (const a of fish)
    for (const b of fish)
      if ((wishOf(p, a).temperament ?? 0) < (wishOf(p, b).temperament ?? 0) && a.release > b.release)
        out.push({ rule: 'R7', wishes: [a.wish, b.wish] });
  if (!p.fewFirst || fish.length === 0) return out;
  const day = Math.min(...fish.map((s) => s.release));
  const first = fish.filter((s) => s.release === day);
  if (first.length > 1 || !first.every((s) => wishOf(p, s).few))
    out.push({ rule: 'R7', wishes: first.map((s) => s.wish) });
  return out;
}

/** R8: who may not live together. */
const ofCompany = (p: Problem, steps: readonly Step[]): Breach[] =>
  p.forbidden.flatMap(([a, b]): Breach[] =>
    steps.some((s) => s.wish === a) && steps.some((s) => s.wish === b)
      ? [{ rule: 'R8', wishes: [a, b] }]
      : [],
  );

/** What was spent in a month on who is bought. */
export const paidIn = (p: Problem, month: number): number =>
  month === monthOf(p.today) ? (p.spentThisMonth ?? 0) : 0;

/** R10. */
function ofBudget(p: Problem, steps: readonly Step[]): Breach[] {
  const { budget } = p;
  if (budget === null) return [];
  const byMonth = new Map<number, Step[]>();
  for (const s of steps) {
    const month = monthOf(s.buy);
    byMonth.set(month, [...(byMonth.get(month) ?? []), s]);
  }
  return [...byMonth].flatMap(([month, bought]): Breach[] => {
    const price = bought.reduce((sum, s) => sum + wishOf(p, s).price, 0);
    return price > 0 && price + paidIn(p, month) > budget + SLACK
      ? [{ rule: 'R10', wishes: bought.map((s) => s.wish) }]
      : [];
  });
}
