/** The planner against its twin on random cases, and how long it takes: `tsx bench/planner.mts [CASES]`. */
import { stockingPlan, type Line, type Problem, type Wish } from '../core/planner';
import { breachesOf } from '../core/planner/rules';
import { bestPlan } from '../core/planner/search';
import { compareWorth } from '../core/planner/world';
import { seededRandom } from '../core/random';
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

const TODAY = 20515;
const LINES: readonly Line[] = ['fish', 'invertebrate', 'coral', 'anemone'];

/** As a keeper would have it: fish in the main, two quarantines for them, one for each other line. */
function household(n: number, seed: number, budget: number | null): Problem {
  const random = seededRandom(seed);
  const whole = (a: number, b: number) => a + Math.floor(random() * (b - a + 1));
  return {
    today: TODAY,
    horizonDays: 400,
    gate: TODAY + whole(0, 40),
    coralGate: TODAY + whole(0, 60),
    filled: TODAY - 40,
    hasLid: true,
    displayLoadMgN: whole(0, 4),
    firstStepMgN: whole(3, 8),
    settleDays: 7,
    firstSettleDays: 14,
    quarantines: LINES.flatMap((line) =>
      Array.from({ length: line === 'fish' ? 2 : 1 }, (_, k) => ({
        id: `${line}${k}`,
        line,
        netL: whole(40, 80),
        clockDays: 28,
        totalLimitMgN: 0.3,
        bare: null,
        testsPresent: true,
      })),
    ),
    wishes: Array.from({ length: n }, (_, i): Wish => {
      const line: Line =
        random() < 0.6 ? 'fish' : random() < 0.6 ? 'invertebrate' : random() < 0.8 ? 'coral' : 'anemone';
      return {
        id: `w${i}`,
        line,
        loadMgN: line === 'fish' ? 1 + random() * 5 : random() * 2,
        price: whole(5, 60),
        priority: whole(1, 3),
        temperament: line === 'fish' ? whole(0, 2) : null,
        crew: line === 'invertebrate' && random() < 0.5,
        needsTankDays: random() < 0.2 ? 180 : 0,
        jumps: random() < 0.3,
      };
    }),
    forbidden: random() < 0.5 ? [[0, 1]] : [],
    away: random() < 0.5 ? [[TODAY + 60, TODAY + 70]] : [],
    shopDays: random() < 0.5 ? [6] : [],
    budget,
    released: [],
    fixed: [],
  };
}

for (const [n, budget] of [
  [6, null],
  [8, null],
  [10, null],
  [12, null],
  [6, 100],
  [8, 100],
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
      () => performance.now() - began < (n <= 12 ? 30_000 : 3750),
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
