/** The planner against its twin on random cases, and how long it takes: `tsx bench/planner.mts [CASES]`. */
import { stockingPlan } from '../core/planner';
import { breachesOf } from '../core/planner/rules';
import { bestPlan } from '../core/planner/bought';
import { compareWorth } from '../core/planner/label';
import { seededRandom } from '../core/random';
import { household, withRoom } from '../core/testing/longPlans';
import { bruteForce, smallProblem, worthOf } from '../core/testing/plans';

const cases = Number(process.argv[2] ?? 1000);
let differ = 0;
for (let seed = 1; seed <= cases; seed++) {
  const p = smallProblem(seededRandom(seed));
  const { steps } = bestPlan(p, { exact: true, width: 5, mayGoOn: () => true });
  const same = compareWorth(worthOf(p, steps), worthOf(p, bruteForce(p))) === 0;
  if (!same || breachesOf(p, steps).length > 0) differ++;
}
console.log(`${cases} small cases against the twin: ${differ} differ`);

for (const budget of [null, 200, 100]) {
  const times: number[] = [];
  for (let seed = 1; seed <= 40; seed++) {
    const began = performance.now();
    stockingPlan(withRoom(12, seed, budget), () => performance.now() - began < 30_000);
    times.push(performance.now() - began);
  }
  times.sort((a, b) => a - b);
  const at = (share: number) => `${Math.round(times[Math.ceil(share * times.length) - 1] ?? NaN)} ms`;
  const slow = times.filter((ms) => ms > 1000).length;
  console.log(
    `12 wishes with room for much at once, ${budget ?? 'no limit'} a month: middle ${at(0.5)}, nine of ten ${at(0.9)}, worst ${at(1)}; ${slow} of 40 over a second`,
  );
}

for (const [n, budget] of [
  [6, null],
  [8, null],
  [10, null],
  [12, null],
  [6, 100],
  [8, 100],
  [10, 100],
  [12, 200],
  [12, 100],
  [20, null],
  [40, null],
  [40, 200],
] as const) {
  const times: number[] = [];
  let placed = 0;
  let proved = 0;
  for (let seed = 1; seed <= 8; seed++) {
    const began = performance.now();
    const plan = stockingPlan(
      household(n, seed, budget),
      () => performance.now() - began < (n <= 12 ? 30_000 : 3250),
    );
    times.push(performance.now() - began);
    placed += plan.steps.length;
    if (plan.status === 'optimal') proved++;
  }
  times.sort((a, b) => a - b);
  const ms = (t: number | undefined) => `${Math.round(t ?? 0)} ms`;
  console.log(
    `${n} wishes${budget === null ? '' : `, ${budget} a month`}: middle ${ms(times[4])}, worst ${ms(times[7])}; ${placed} of ${8 * n} placed, ${proved} of 8 proved`,
  );
}
