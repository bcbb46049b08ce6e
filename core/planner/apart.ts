/** A batch waits for one of it, since the fewest batches come before the sum of days: who of the others could be in sooner by themselves, all
 *  else as planned, and what the rest of them wait for. */
import { dayFromNumber } from '../time';
import { Ammonia } from './ammonia';
import { stepsOf } from './haste';
import type { PlannedStep, StockingPlan } from './plan';
import type { Problem, Step, Wish } from './problem';
import { reasonOf, type Reason } from './reasons';
import { breachesOf, breachesOfReleases, type Breach } from './rules';
import { buysBefore, byRule, keyOf, known } from './why';

export interface Apart {
  /** One of the batch that it waits for. */
  batchOf: string;
  /** Who could come sooner without it; null for nobody. */
  sooner: { wishIds: string[]; buyDay: string; quarantineId: string; releaseDay: string } | null;
  /** The others that may not, and what each waits for then: on the day on which it breaks the fewest rules. */
  waiting: { wishId: string; reasons: Reason[] }[];
}

/** One look at each batch that waits for a part of it, unless a day of it is set.
 *  @param mayGoOn false once the time is over: what was looked at so far is told */
export function apartOf(p: Problem, plan: StockingPlan, mayGoOn: () => boolean): Apart[] {
  const steps = stepsOf(p, plan.steps);
  const set = new Set(p.fixed.map((f) => f.wish));
  return waitedFor(plan.steps).flatMap((who): Apart[] => {
    const at = new Set(who.map((id) => p.wishes.findIndex((w) => w.id === id)));
    const first = steps.find((s) => at.has(s.wish)) as Step;
    const batch = steps.filter((s) => s.quarantine === first.quarantine && s.buy === first.buy);
    if (batch.some((s) => set.has(s.wish))) return [];
    const others = batch.filter((s) => !at.has(s.wish));
    const moved = partOf(p, steps, others, mayGoOn);
    const now = [...steps.filter((s) => !moved.some((m) => m.wish === s.wish)), ...moved];
    const left = others.filter((s) => !moved.some((m) => m.wish === s.wish));
    const waiting = left.map((s) => ({ wishId: idOf(p, s), reasons: waitsFor(p, now, s, mayGoOn) }));
    return mayGoOn() ? [{ batchOf: who[0] as string, sooner: soonerOf(p, moved), waiting }] : [];
  });
}

const idOf = (p: Problem, s: Step): string => (p.wishes[s.wish] as Wish).id;

function soonerOf(p: Problem, moved: readonly Step[]): Apart['sooner'] {
  const [one] = moved;
  return one
    ? {
        wishIds: moved.map((s) => idOf(p, s)),
        buyDay: dayFromNumber(one.buy),
        quarantineId: (p.quarantines[one.quarantine] as Problem['quarantines'][number]).id,
        releaseDay: dayFromNumber(one.release),
      }
    : null;
}

/** The parts that batches wait for, each once. */
function waitedFor(steps: readonly PlannedStep[]): string[][] {
  const parts = steps.flatMap((s) => s.binding.map((r) => r.who)).filter((who) => who.length > 0);
  return [...new Map(parts.map((who) => [who.join(), who])).values()];
}

/** Those that could come sooner together, as they would: all of the others, else all that could each by itself, else the soonest of them. */
function partOf(
  p: Problem,
  steps: readonly Step[],
  others: readonly Step[],
  mayGoOn: () => boolean,
): readonly Step[] {
  const all = soonest(p, steps, others, mayGoOn);
  if (all || others.length < 2) return all ?? [];
  const singles = others.flatMap((s) => soonest(p, steps, [s], mayGoOn) ?? []);
  const able = others.filter((s) => singles.some((one) => one.wish === s.wish));
  if (able.length === 0) return [];
  const [first] = [...singles].sort((a, b) => a.release - b.release);
  return soonest(p, steps, able, mayGoOn) ?? (first ? [first] : []);
}

/** The earliest days on which some of a batch could be bought and let in by themselves without breaking anything; null where not sooner. */
function soonest(
  p: Problem,
  steps: readonly Step[],
  some: readonly Step[],
  mayGoOn: () => boolean,
): Step[] | null {
  const ammonia = new Ammonia(p);
  const already = known(p, steps, ammonia);
  const isNew = (b: Breach) => !already.has(keyOf(b));
  const rest = steps.filter((s) => !some.includes(s));
  for (const moved of triesOf(p, some, 1)) {
    if (!mayGoOn()) return null;
    const tried = [...rest, ...moved];
    // What asks for no ammonia first.
    if (breachesOf(p, tried, ammonia, []).some(isNew)) continue;
    if (!breachesOfReleases(p, tried, ammonia).some(isNew)) return moved;
  }
  return null;
}

/** Some of one batch on earlier days, day after day, with each purchase worth trying. @param every days between those tried */
function* triesOf(p: Problem, some: readonly Step[], every: number): Generator<Step[]> {
  const [one] = some as readonly [Step];
  const { line } = p.wishes[one.wish] as Wish;
  for (let release = p.today; release < one.release; release += every)
    for (const [quarantine, q] of p.quarantines.entries())
      if (q.line === line)
        for (const buy of buysBefore(p, quarantine, release, []))
          yield some.map((s) => ({ ...s, buy, quarantine, release }));
}

/** What keeps one from coming sooner by itself: where it breaks the fewest rules, those. */
function waitsFor(p: Problem, steps: readonly Step[], one: Step, mayGoOn: () => boolean): Reason[] {
  const ammonia = new Ammonia(p);
  const already = known(p, steps, ammonia);
  const rest = steps.filter((s) => s !== one);
  let least: Reason[] = [];
  for (const moved of triesOf(p, [one], WEEK)) {
    if (!mayGoOn()) return [];
    const tried = [...rest, ...moved];
    const broken = breachesOf(p, tried, ammonia).filter((b) => !already.has(keyOf(b)));
    const rules = new Set(broken.map((b) => b.rule)).size;
    if (rules > 0 && (least.length === 0 || rules < least.length))
      least = byRule(
        broken.map((b) => reasonOf(p, tried, [one.wish], b)),
        1,
      );
  }
  return least;
}

const WEEK = 7;
