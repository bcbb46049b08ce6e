/** Who comes first: the starter handful, then one fish or a pair; what the plan makes of it. */
import { seededRandom } from '../random';
import { assessWater } from '../readiness';
import { gatherEvidence, isOfDisplay } from '../evidence';
import { aQuarantine } from '../testing/display';
import { DAY, provedHistory, START_MS } from '../testing/history';
import { household, unlike, withOwn, withRoom } from '../testing/longPlans';
import {
  alikeProblem,
  aProblem,
  aWish as wish,
  bruteForce,
  plannedBreaches,
  smallProblem,
  TODAY,
  withFirstFish,
  worthOf,
} from '../testing/plans';
import { UTC } from '../time';
import { bestPlan } from './bought';
import { compiledSearch } from './compiledSearch';
import { plannedAnimals, problemFor } from './fromDocument';
import { compareWorth } from './label';
import { breachesOf } from './rules';
import { plainSearch, searched } from './search';
import { stockingPlan, type Problem } from '.';
import { worldOf } from './world';

const NOW = START_MS + 28.1 * DAY;
type Group = readonly [speciesId: string, count: number, where?: 't' | 'q' | 'second'];

/** What the page hands over for a proved tank with a quarantine, in the order of the groups. */
function problemOf(...groups: readonly Group[]): Problem {
  const { doc } = provedHistory();
  doc.waters.q = aQuarantine('fish', { id: 'q', size: { kind: 'volume', volumeL: 60 } });
  doc.waters.second = aQuarantine('fish', { id: 'second' });
  const at = new Date(NOW - DAY).toISOString();
  doc.animals = Object.fromEntries(
    groups.map(([speciesId, count, where], i) => [
      `a${i}`,
      {
        id: `a${i}`,
        homeId: 't',
        speciesId,
        count,
        plannedDay: null,
        moves: [
          { to: where ? { kind: 'water' as const, waterId: where } : { kind: 'wish' as const }, at, why: '' },
        ],
      },
    ]),
  );
  const e = gatherEvidence(doc, 't', NOW);
  if (!isOfDisplay(e)) throw new Error('no display');
  const planned = plannedAnimals(doc, e.water, e, UTC.dayOf);
  return problemFor(doc, e.water, e, assessWater(doc, 't', NOW), planned, UTC.dayOf);
}
const crewOf = (p: Problem) => p.wishes.flatMap((w) => (w.crew ? [w.id] : []));
const fewOf = (p: Problem) => p.wishes.flatMap((w) => (w.few ? [w.id] : []));

test('the starter handful alone is what fish wait for: the first portion, none where cleaners live', () => {
  expect(
    crewOf(problemOf(['turban-snail', 2], ['nassarius-snail', 1], ['cerith-snail', 9], ['neon-goby', 1])),
  ).toEqual(['a0', 'a1']);
  expect(crewOf(problemOf(['turban-snail', 40], ['nassarius-snail', 2]))).toEqual(['a0']);
  expect(crewOf(problemOf(['cerith-snail', 1, 't'], ['turban-snail', 3]))).toEqual([]);
  // With fish in nobody waits for cleaners, and no fish for one that needs an old tank.
  expect(crewOf(problemOf(['neon-goby', 1, 't'], ['turban-snail', 3]))).toEqual([]);
  expect(crewOf(problemOf(['tuxedo-urchin', 1], ['turban-snail', 1], ['neon-goby', 1]))).toEqual(['a1']);
});
test('where no fish lives, one or a pair may be the first; of larger groups alone one of those', () => {
  const p = problemOf(['green-chromis', 5], ['ocellaris-clownfish', 2], ['turban-snail', 2]);
  expect([p.fewFirst, fewOf(p)]).toEqual([true, ['a1']]);
  expect(fewOf(problemOf(['green-chromis', 5, 'q']))).toEqual(['a0']);
  expect(problemOf(['firefish', 1, 't'], ['neon-goby', 1]).fewFirst).toBe(false);
  expect(problemOf(['turban-snail', 2]).fewFirst).toBe(false);
});
test('what was bought to come together comes together, be it the first', () => {
  expect(problemOf(['neon-goby', 1, 'q'], ['clown-goby', 1]).fewFirst).toBe(true);
  expect(problemOf(['neon-goby', 1, 'q'], ['clown-goby', 1, 'q']).fewFirst).toBe(false);
  expect(problemOf(['green-chromis', 5, 'q'], ['clown-goby', 1]).fewFirst).toBe(false);
  // Beside them one that was bought by itself can still be the first.
  expect(problemOf(['neon-goby', 1, 'q'], ['clown-goby', 1, 'q'], ['firefish', 1, 'second']).fewFirst).toBe(
    true,
  );
});

test('three fish of one batch no longer come first: one does, and the others wait until it has settled', () => {
  const three = ['a', 'b', 'c'].map((id) => wish(id, { loadMgN: 1, few: true }));
  const [quarantine] = aProblem([]).quarantines;
  const p = aProblem(three, { quarantines: [quarantine!, { ...quarantine!, id: 'second' }] });
  const days = (q: Problem) => [...new Set(stockingPlan(q, () => true).steps.map((s) => s.releaseDay))];
  expect(days(p)).toHaveLength(1);
  const plan = stockingPlan({ ...p, fewFirst: true }, () => true);
  const [first, ...others] = plan.steps;
  expect(plan.steps.map((s) => s.releaseDay)).toEqual([
    first!.releaseDay,
    others[0]!.releaseDay,
    others[0]!.releaseDay,
  ]);
  expect(plan.leftOut).toEqual([]);
  // A day sooner they would come with it.
  const light = { ...p, fewFirst: true, wishes: three.map((w) => ({ ...w, loadMgN: 0.4 })) };
  const second = stockingPlan(light, () => true).steps[1]!;
  expect(second.binding).toMatchObject([{ rule: 'R7', with: [expect.any(String)] }]);
});
test('a group waits for whoever is few; where none of those can come it has no day, and that is why', () => {
  const group = wish('group');
  const p = aProblem([group, wish('one', { few: true, jumps: true })], { hasLid: false, fewFirst: true });
  expect(stockingPlan(p, () => true).leftOut.map((l) => [l.wishId, l.rule])).toEqual([
    ['group', 'R7'],
    ['one', 'R8'],
  ]);
});
test('beside a fish whose day is set: before it one of few, on its day nobody, after it anybody', () => {
  const set = { wish: 0, buy: TODAY, quarantine: 0, release: TODAY + 40 };
  const wishes = [wish('set', { few: true }), wish('group'), wish('one', { few: true })];
  const p = aProblem(wishes, { fewFirst: true, fixed: [set] });
  for (const s of bestPlan(p, { exact: true, width: 2, mayGoOn: () => true }).steps)
    if (s.wish !== 0) expect(s.release).toBeGreaterThan(set.release);
});

const CASES = 60;
test.each([
  ['nothing bought yet', (seed: number) => smallProblem(seededRandom(seed))],
  ['some bought or set', (seed: number) => smallProblem(seededRandom(seed), true)],
  ['mostly alike', (seed: number) => alikeProblem(seededRandom(seed))],
])('%s: as good as trying everything, and every rule is kept', (_, problem) => {
  let bites = 0;
  for (let seed = 1; seed <= CASES; seed++) {
    const free = problem(seed);
    const p = withFirstFish(free, seededRandom(seed + 77));
    const found = bestPlan(p, { exact: true, width: 0, mayGoOn: () => true });
    const broken = p.fixed.length > 0 ? plannedBreaches(p, found.steps) : breachesOf(p, found.steps);
    const worth = worthOf(p, found.steps);
    expect([seed, compareWorth(worth, worthOf(p, bruteForce(p))), broken]).toEqual([seed, 0, []]);
    if (compareWorth(worth, bestPlan(free, { exact: true, width: 2, mayGoOn: () => true }).worth) !== 0)
      bites++;
  }
  expect(bites).toBeGreaterThan(CASES / 12);
});

test('compiled as plain, from as many partial plans', () => {
  const kinds = (seed: number) => [
    household(6, seed, 60),
    withRoom(6, seed, null),
    unlike(seed),
    withOwn(unlike(seed), seed),
  ];
  for (let seed = 1; seed <= 25; seed++)
    for (const [k, free] of kinds(seed).entries()) {
      const p = withFirstFish(free, seededRandom(seed));
      const by = (search: typeof compiledSearch) => {
        const world = worldOf(p, false, () => true, p.budget === null ? 'every' : 'one');
        return search(world, searched(world, { exact: false, width: 2 }));
      };
      expect([seed, k, by(compiledSearch)]).toEqual([seed, k, by(plainSearch)]);
    }
});
