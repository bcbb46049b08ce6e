/** A broken rule with what a person needs to see it: who else is in it, the day it speaks of, the amounts. */
import { dayFromNumber } from '../time';
import { Ammonia } from './ammonia';
import {
  firstStepOn,
  DOUBLING_DAYS,
  gateOf,
  isAbsent,
  isShutBy,
  monthOf,
  TEST_DAYS,
  type Problem,
  type Released,
  type Step,
  type Wish,
} from './problem';
import { daysCounted, loadBy, releasesOf, type Breach, type Rule, paidIn } from './rules';

export interface Reason {
  rule: Rule;
  /** Ids of the others it is about. */
  with: string[];
  /** Ids of those of the batch it is about, where that is a part of it: the rest comes with them. None where it is all of it. */
  who: string[];
  /** The day it waits for, or is about: a gate, a slot that gets free, an age. */
  day: string | null;
  /** Of R9: does an absence stand in the way, over by `day`, or that tests after it would fall in one? Null where it is shop days alone.
   *  Of R2: do days away lengthen the stay? */
  away: 'days' | 'tests' | null;
  /** What it would come to, and what may be: mg N a day, mg/L of free ammonia, money. */
  would: number | null;
  most: number | null;
}

/** @param steps the plan that breaks it; @param own wishes whose reason it is */
export function reasonOf(p: Problem, steps: readonly Step[], own: readonly number[], breach: Breach): Reason {
  const others = breach.wishes.filter((w) => !own.includes(w));
  const idOf = (w: number) => (p.wishes[w] as Wish).id;
  const part = own.filter((w) => breach.wishes.includes(w));
  const reason: Reason = {
    rule: breach.rule,
    with: others.map(idOf),
    who: part.length < own.length ? part.map(idOf) : [],
    day: null,
    away: null,
    would: null,
    most: null,
  };
  const first = p.wishes[own[0] as number] as Wish;
  const step = steps.find((s) => own.includes(s.wish));
  const asDay = (day: number | null) => (day === null ? null : dayFromNumber(day));
  switch (breach.rule) {
    case 'R1':
      return { ...reason, day: asDay(gateOf(p, first.line)) };
    case 'R2': {
      const isCut = step !== undefined && daysCounted(p, step) < step.release - step.buy;
      const most = p.quarantines[step?.quarantine ?? -1]?.clockDays ?? null;
      return { ...reason, most, away: isCut ? 'days' : null };
    }
    case 'R3':
    case 'R4':
    case 'R7':
      return { ...reason, day: asDay(latestOf(steps, others)) };
    case 'R5':
      return step ? { ...reason, ...doubled(p, steps, step.release) } : reason;
    case 'R6':
      return step ? { ...reason, would: ammoniaOf(p, steps, step.release) } : reason;
    case 'R8': {
      const oldest = Math.max(...own.map((w) => (p.wishes[w] as Wish).needsTankDays));
      return others.length > 0 || oldest === 0 ? reason : { ...reason, day: asDay(p.filled + oldest) };
    }
    case 'R10':
      return { ...reason, would: spentIn(p, steps, breach), most: p.budget };
    case 'R9':
      return {
        ...reason,
        ...absenceOf(
          p,
          steps.filter((s) => own.includes(s.wish)),
        ),
      };
    case 'horizon':
      return reason;
  }
}

/** What of an absence stands in the way of steps: their days, or a bare quarantine that would be left alone; else their tests. */
function absenceOf(p: Problem, steps: readonly Step[]): Pick<Reason, 'away' | 'day'> {
  const days = steps.flatMap(({ buy, release, quarantine }) => {
    const isBare = p.quarantines[quarantine]?.bare === true;
    return p.away.filter(
      (away) =>
        isShutBy(away, buy) || isShutBy(away, release) || (isBare && away[0] <= release && away[1] >= buy),
    );
  });
  if (days.length > 0)
    return { away: 'days', day: dayFromNumber(Math.max(...days.map(([, last]) => last)) + 1) };
  const tests = steps.filter((s) => p.quarantines[s.quarantine]?.testsPresent);
  const isMissed = tests.some((s) => TEST_DAYS.some((after) => isAbsent(p, s.release + after)));
  return { away: isMissed ? 'tests' : null, day: null };
}

function latestOf(steps: readonly Step[], wishes: readonly number[]): number | null {
  const days = steps.filter((s) => wishes.includes(s.wish)).map((s) => s.release);
  return days.length > 0 ? Math.max(...days) : null;
}

const doubled = (p: Problem, steps: readonly Step[], day: number) => ({
  would: loadBy(p, steps, day),
  most: Math.max(2 * loadBy(p, steps, day - DOUBLING_DAYS), firstStepOn(p, day)),
});

const spentIn = (p: Problem, steps: readonly Step[], breach: Breach): number => {
  const months = new Set(steps.filter((s) => breach.wishes.includes(s.wish)).map((s) => monthOf(s.buy)));
  return steps.reduce(
    (sum, s) => sum + (months.has(monthOf(s.buy)) ? (p.wishes[s.wish] as Wish).price : 0),
    [...months].reduce((sum, month) => sum + paidIn(p, month), 0),
  );
};

/** Free ammonia predicted after the releases up to a day, mg N/L; null where nothing can be predicted. */
export function ammoniaOf(
  p: Problem,
  steps: readonly Step[],
  day: number,
  ammonia = new Ammonia(p),
): number | null {
  const releases: Released[] = releasesOf(p, steps).filter((r) => r.day <= day);
  return ammonia.peakAfter(releases);
}
