/** What asks for a test although no reading says anything yet: something happened, or nothing was tested for too long. */
import { lostFrom, type GoneReason, type IncidentKind, type Parameter, type WaterEvent } from '../document';
import { expectedNow, lastOf, trusted, type WaterEvidence } from '../evidence';
import { FOOD_MG_N_PER_G } from '../nitrogen/food';
import { NITROGEN } from '../nitrogen/limits';
import { EXCRETED_SHARE, firstStepMgN, groupLoadMgN, provedCapacity } from '../stocking/load';
import type { Statement } from '../statements';
import { DAY_MS, HOUR_MS } from '../time';
import { ask, test, watch, type Finding } from './finding';
import { LIVING } from './limits';

/** Tests that what happened asks for, at once and the day after, by name. */
export const riskFindings = (e: WaterEvidence): Finding[] => [
  ...mishapFindings(e),
  ...seafoodRots(e),
  ...tooMuchFood(e),
  ...changes(e),
  ...tooLong(e),
];

/** The part of them that is asked for even where nobody is left to live in the water. */
export const mishapFindings = (e: WaterEvidence): Finding[] => [...losses(e), ...missing(e), ...incidents(e)];

/** What leaves nothing behind that could rot. */
const LEFT_ALIVE: readonly GoneReason[] = ['rehomed', 'returned'];

/** The tests of ammonia an event asks for: one after it, and one the day after. Null when both are done, or it is long ago. */
function askedSince(e: WaterEvidence, atMs: number): 'now' | 'dayAfter' | null {
  if (e.nowMs - atMs > LIVING.riskDays * DAY_MS) return null;
  const dayAfterMs = atMs + LIVING.dayAfterHours * HOUR_MS;
  const tested = [...e.series.ammonia, ...e.series.freeAmmonia].map((p) => p.atMs).filter((t) => t > atMs);
  if (tested.length === 0) return 'now';
  return e.nowMs >= dayAfterMs && !tested.some((t) => t >= dayAfterMs) ? 'dayAfter' : null;
}

/** An animal lost from the water. */
function losses(e: WaterEvidence): Finding[] {
  return e.joined.flatMap(({ animal }) => {
    const lost = lostFrom(animal);
    if (lost?.waterId !== e.water.id || LEFT_ALIVE.includes(lost.reason)) return [];
    const asked = askedSince(e, Date.parse(lost.at));
    if (asked === null) return [];
    return [test({ code: asked === 'now' ? 'deathAsksTest' : 'deathDayAfter' }, 'ammonia')];
  });
}

/** What the last observation did not see. */
function missing(e: WaterEvidence): Finding[] {
  const told = lastOf(e.events.filter((x) => x.kind === 'observation'));
  if (!told || told.missing === '') return [];
  return askedSince(e, Date.parse(told.at)) === null
    ? []
    : [test({ code: 'missingAsksTest', missing: told.missing }, 'ammonia')];
}

/** What takes bacteria or oxygen with it, or brings food for both. */
function incidents(e: WaterEvidence): Finding[] {
  return e.events.flatMap((x): Finding[] => {
    if (x.kind !== 'incident') return [];
    // What lasts is followed from its end; what still goes on, from its beginning.
    const end = x.until === undefined ? Date.parse(x.at) : Date.parse(x.until);
    const asked = askedSince(e, Math.min(end, e.nowMs));
    if (asked === null) return [];
    const parameters = ALSO_TESTED[x.what] ?? ['ammonia'];
    return [
      test({ code: asked === 'now' ? 'incidentAsksTest' : 'incidentDayAfter', what: x.what }, ...parameters),
    ];
  });
}

const ALSO_TESTED: Partial<Record<IncidentKind, readonly Parameter[]>> = {
  powerCut: ['temperature', 'ammonia'],
};

/** More food in a day than the filter is known to keep up with. Of what is eaten counts what is excreted of it; raw seafood rots, and is
 *  spoken of by itself as long as it lies there. */
function tooMuchFood(e: WaterEvidence): Finding[] {
  const meals = e.events.flatMap((x) =>
    x.kind === 'food' && !liesThere(e, x) ? [{ ...x, atMs: Date.parse(x.at) }] : [],
  );
  const atMs = lastOf(meals)?.atMs;
  const asked = atMs === undefined ? null : askedSince(e, atMs);
  if (atMs === undefined || asked === null) return [];
  const ofTheDay = meals.filter((x) => atMs - x.atMs < DAY_MS);
  const madeMgN = ofTheDay.reduce((sum, x) => sum + (x.food === 'seafood' ? rotting(x, 0) : eaten(x)), 0);
  const keptUpMgN = keptUpWith(e, madeMgN);
  if (keptUpMgN === null) return [];
  const amounts = { madeMgN, keptUpMgN, atMs };
  const isOut = ofTheDay.every((x) => x.food === 'seafood');
  const finding: Statement =
    asked === 'now' ? { code: 'fedAsksTest', ...amounts, isOut } : { code: 'fedDayAfter', ...amounts };
  return [test(finding, 'ammonia')];
}

/** Raw seafood that nobody logged out, while what rots of it in a day is more than the filter keeps up with. */
function seafoodRots(e: WaterEvidence): Finding[] {
  const there = e.events.flatMap((x) => (x.kind === 'food' && liesThere(e, x) ? [x] : []));
  const last = lastOf(there);
  if (!last) return [];
  const madeMgN = there.reduce((sum, x) => sum + rotting(x, (e.nowMs - Date.parse(x.at)) / DAY_MS), 0);
  const keptUpMgN = keptUpWith(e, madeMgN);
  if (keptUpMgN === null) return [];
  const finding: Statement = { code: 'seafoodRots', madeMgN, keptUpMgN, atMs: Date.parse(last.at) };
  return [watch('ammonia', finding, { code: 'seafoodOutNow' })];
}

type Meal = Extract<WaterEvent, { kind: 'food' }>;

const liesThere = (e: WaterEvidence, meal: Meal): boolean =>
  meal.food === 'seafood' &&
  !e.events.some((x) => x.kind === 'seafoodOut' && Date.parse(x.at) >= Date.parse(meal.at));

/** Ammonia from a meal that is eaten, mg N. */
const eaten = ({ food, grams }: Meal): number => grams * FOOD_MG_N_PER_G[food] * EXCRETED_SHARE;

/** Ammonia from a piece that has lain there for some days, mg N in the day that follows. */
const rotting = ({ food, grams }: Meal, days: number): number =>
  grams * FOOD_MG_N_PER_G[food] * (1 - Math.exp(-NITROGEN.rotPerDay)) * Math.exp(-NITROGEN.rotPerDay * days);

/** What the filter keeps up with in a day, mg N: what it carries near zero, twice what the animals eat, or what a first addition may bring,
 *  whichever is the most; null where that is no less than what is made. */
function keptUpWith(e: WaterEvidence, madeMgN: number): number | null {
  const first = firstStepMgN(null, e.netL);
  // What the filter carries is reckoned only where that little is passed.
  if (madeMgN <= first) return null;
  const usual = e.residents.reduce((sum, a) => sum + groupLoadMgN(e, a, e.nowMs), 0);
  const keptUp = Math.max(first, 2 * usual, provedCapacity(e)?.nearZeroNowMgN ?? 0);
  return madeMgN > keptUp ? keptUp : null;
}

/** What new water brings along; ammonia and nitrite it only dilutes. */
const BROUGHT: readonly Parameter[] = ['salinity', 'temperature'];

/** Much of the water was changed and nobody has looked what it is now. */
function changes(e: WaterEvidence): Finding[] {
  const last = lastOf(e.changes);
  if (!last || e.nowMs - last.atMs > LIVING.riskDays * DAY_MS) return [];
  const untested = BROUGHT.filter((p) => {
    const expected = expectedNow(e, p);
    return expected !== null && !expected.known && expected.changed > LIVING.untestedShare;
  });
  return untested.length === 0
    ? []
    : [
        {
          word: 'test',
          finding: { code: 'changedSinceTest', parameters: untested },
          opens: ask(...untested),
        },
      ];
}

/** How long a water may go without a test, days. */
function longest(e: WaterEvidence): readonly (readonly [Parameter, number])[] {
  const bare = e.water.kind === 'holding' || (e.water.kind === 'quarantine' && e.water.filter === 'uncycled');
  const joinedMs = lastOf(e.joined)?.atMs ?? 0;
  const early = e.nowMs - joinedMs <= LIVING.earlyMonthDays * DAY_MS;
  const ammonia = bare ? LIVING.bareDays : early ? LIVING.ammoniaEarlyDays : LIVING.ammoniaLaterDays;
  return [
    ['ammonia', ammonia],
    ['temperature', LIVING.temperatureDays],
    ['salinity', LIVING.salinityDays],
  ];
}

function tooLong(e: WaterEvidence): Finding[] {
  const old = longest(e).filter(([parameter, days]) => {
    // A monitor of free ammonia that is fine enough counts for the test.
    const either: readonly Parameter[] = parameter === 'ammonia' ? ['ammonia', 'freeAmmonia'] : [parameter];
    const newest = either.map(
      (p) => lastOf(trusted(e.series[p]).filter((x) => !x.coarse))?.atMs ?? -Infinity,
    );
    return e.nowMs - Math.max(...newest) > days * DAY_MS;
  });
  if (old.length === 0) return [];
  const parameters = old.map(([parameter]) => parameter);
  const never = parameters.filter((p) => e.series[p].length === 0);
  return never.length > 0
    ? [test({ code: 'neverTested', parameters: never }, ...parameters)]
    : [test({ code: 'untestedTooLong', parameters }, ...parameters)];
}
