/** The plan as it was last told: of several that are equally right that one stays, so that no date moves without a cause. */
import { Ammonia } from './ammonia';
import type { Found } from './found';
import { compareWorth, type Worth } from './label';
import { stepsSet, type Problem, type Step } from './problem';
import { retold, toldBatches, type ToldBatch } from './retold';
import { stepsOf } from './search';
import { known } from './why';
import { levelOf, levelsOf } from './world';

/** What was found, or what was told before where that is as good and keeps the rules as well: day by day, or else in its order with days of now.
 *  Nothing is told of a problem that knows of no days before. */
export function asTold(p: Problem, found: Found, mayGoOn: () => boolean): Found {
  if (!p.told) return found;
  const ammonia = new Ammonia(p);
  const broken = known(p, found.steps, ammonia);
  const isKept = (steps: readonly Step[]) => [...known(p, steps, ammonia)].every((b) => broken.has(b));
  const isAsGood = (steps: readonly Step[], than: readonly Step[]) =>
    compareWorth(worthOf(p, steps), worthOf(p, than)) <= 0 && isKept(steps);
  const batches = toldBatches(p, p.told);
  const asItWas = stepsAsTold(p, batches);
  let best = found.steps;
  if (p.told.length > 0) {
    const { world, label } = retold(p, batches, mayGoOn);
    for (const steps of [stepsOf(world, label), asItWas]) if (isAsGood(steps, best)) best = steps;
  }
  // What is proved is better for something that changed; else it is that not everything was tried before.
  const outdoes = best === found.steps && p.told.length > 0 && !found.proved && isKept(asItWas);
  // Of quarantines that are alike the same ones are told of on each day.
  const same = stepsAsTold(p, toldBatches(p, best));
  if (isAsGood(same, best)) best = same;
  return { ...found, steps: best, worth: worthOf(p, best), ...(outdoes ? { outdoesTold: true } : {}) };
}

/** With what is set, as it is. */
function stepsAsTold(p: Problem, told: readonly ToldBatch[]): Step[] {
  const steps = told.flatMap(({ wishes, buy, quarantine, release }) =>
    wishes.map((wish) => ({ wish, buy, quarantine, release })),
  );
  return [...stepsSet(p), ...steps].sort((a, b) => a.release - b.release || a.wish - b.wish);
}

function worthOf(p: Problem, steps: readonly Step[]): Worth {
  return {
    placed: levelsOf(p).map((level) => steps.filter((s) => levelOf(p, s.wish) === level).length),
    last: Math.max(...steps.map((s) => s.release)),
    batches: new Set(steps.map((s) => `${s.quarantine} ${s.buy}`)).size,
    sum: steps.reduce((sum, s) => sum + s.release, 0),
  };
}
