/** The plan as it was last told: of several that are equally right that one stays, so that no date moves without a cause. */
import { Ammonia } from './ammonia';
import type { Found } from './found';
import { compareWorth, type Worth } from './label';
import type { Problem, Step, Wish } from './problem';
import { known } from './why';
import { levelOf, levelsOf } from './world';

/** What was found, or what was told before where that is as good and keeps the rules as well. */
export function asTold(p: Problem, found: Found): Found {
  const steps = p.told ? stepsToldOf(p) : [];
  if (steps.length < found.steps.length || compareWorth(worthOf(p, steps), worthOf(p, found.steps)) > 0)
    return found;
  const ammonia = new Ammonia(p);
  const broken = known(p, found.steps, ammonia);
  return [...known(p, steps, ammonia)].every((b) => broken.has(b)) ? { ...found, steps } : found;
}

/** What was told, with what was bought since where it is and each batch in the first of its quarantines that is free. */
function stepsToldOf(p: Problem): Step[] {
  const told = new Map((p.told ?? []).map((t) => [t.wish, t]));
  const steps = p.fixed.flatMap(({ wish, buy, quarantine, release }): Step[] => {
    const day = release ?? told.get(wish)?.release;
    return day === undefined || day < p.today ? [] : [{ wish, buy, quarantine, release: day }];
  });
  const isFixed = new Set(p.fixed.map((f) => f.wish));
  const rest = [...told.values()]
    .filter((t) => !isFixed.has(t.wish) && t.buy >= p.today)
    .sort((a, b) => a.buy - b.buy);
  for (const { wish, buy, release } of rest) {
    const { line } = p.wishes[wish] as Wish;
    const quarantine = p.quarantines.findIndex(
      (q, index) =>
        q.line === line &&
        release - buy >= q.clockDays &&
        steps.every(
          (s) =>
            s.quarantine !== index ||
            (s.buy === buy ? s.release === release : s.release < buy || s.buy > release),
        ),
    );
    if (quarantine >= 0) steps.push({ wish, buy, quarantine, release });
  }
  return steps.sort((a, b) => a.release - b.release || a.wish - b.wish);
}

function worthOf(p: Problem, steps: readonly Step[]): Worth {
  return {
    placed: levelsOf(p).map((level) => steps.filter((s) => levelOf(p, s.wish) === level).length),
    last: Math.max(...steps.map((s) => s.release)),
    batches: new Set(steps.map((s) => `${s.quarantine} ${s.buy}`)).size,
    sum: steps.reduce((sum, s) => sum + s.release, 0),
  };
}
