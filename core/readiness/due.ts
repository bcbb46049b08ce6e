/** Which tests are worth doing now. */
import type { Parameter } from '../document';
import { dosesUntested, lastOf, type WaterEvidence } from '../evidence';
import type { Statement } from '../statements';
import { LIVING, type Living } from '../living';
import { DAY_MS, dayHasBegun } from '../time';
import { doseIsNear } from './feeding';
import type { Judgement } from './judgement';
import { RULES } from './limits';

/** Each parameter with the days between two tests and, of the person's own plan, the day before which none is asked for. */
type Rhythm = readonly (readonly [Parameter, number, notBefore?: string])[];

/** Days between two tests of a parameter, common practice: in a display empty and stocked, in little water with animals in it, with and
 *  without grown bacteria. */
const EVERY_DAYS: Record<'cycling' | 'proving' | 'stocked' | 'bare' | 'cycled' | 'daily', Rhythm> = {
  /** A dose is to go in as soon as both read zero: each day without a test is a day lost. */
  proving: [
    ['ammonia', 1],
    ['nitrite', 1],
    ['nitrate', 4],
    ['salinity', 3],
    ['temperature', 3],
    ['alkalinity', 5],
    ['ph', 5],
  ],
  daily: [
    ['ammonia', 1],
    ['nitrite', 2],
    ['nitrate', 7],
    ['salinity', 3],
    ['temperature', 1],
    ['alkalinity', 5],
    ['ph', 5],
  ],
  cycling: [
    ['ammonia', 2],
    ['nitrite', 2],
    ['nitrate', 4],
    ['salinity', 3],
    ['temperature', 3],
    ['alkalinity', 5],
    ['ph', 5],
  ],
  stocked: [
    ['ammonia', 3],
    ['nitrite', 7],
    ['nitrate', 7],
    ['salinity', 3],
    ['temperature', 1],
    ['alkalinity', 5],
    ['ph', 7],
    ['phosphate', 7],
  ],
  bare: [
    ['ammonia', 1],
    ['temperature', 1],
    ['salinity', 2],
    ['ph', 4],
  ],
  cycled: [
    ['ammonia', 2],
    ['temperature', 1],
    ['nitrite', 4],
    ['salinity', 3],
    ['ph', 7],
  ],
};

/** What is asked for day by day: zeros on following days, and the school whose first fish are the source. */
const DAILY: readonly Statement['code'][] = ['dailyTests', 'feedAndTest', 'addFirstFish', 'noAmmoniaNow'];

/** The usual rhythm, and of what the person has planned their own. */
function rhythmOf(e: WaterEvidence, judgements: readonly Asking[]): Rhythm {
  const plan = e.water.kind === 'display' ? (e.water.testPlan ?? []) : [];
  const planned = new Set(plan.map((t) => t.parameter));
  return [
    ...usualRhythm(e, judgements).filter(([parameter]) => !planned.has(parameter)),
    ...plan.map((t) => [t.parameter, t.everyDays, t.from] as const),
  ];
}

/** What waits for both to read zero, and goes on on that evening. The day after any dose is looked at, too. */
const PROVING: readonly Statement['code'][] = ['clearThenDose', 'doseAsFood', 'secondZero'];

/** What waits for ammonia or nitrite to fall: daily once little is left of both. */
const FALLING: readonly Statement['code'][] = [
  'ammoniaFalls',
  'nitriteFalls',
  'nitriteRisesOrTwoZeros',
  'twoZeros',
];

function usualRhythm(e: WaterEvidence, judgements: readonly Asking[]): Rhythm {
  const { water, isInhabited: stocked } = e;
  if (water.kind === 'display') {
    if (judgements.some((j) => DAILY.includes(j.opens.code))) return EVERY_DAYS.daily;
    const waitsFor = (codes: readonly Statement['code'][]) =>
      judgements.some((j) => codes.includes(j.opens.code));
    const proving = waitsFor(PROVING) || dosesUntested(e).length > 0 || (waitsFor(FALLING) && doseIsNear(e));
    if (!stocked && proving) return EVERY_DAYS.proving;
    return EVERY_DAYS[stocked ? 'stocked' : 'cycling'];
  }
  if (!stocked) return [];
  return EVERY_DAYS[water.kind === 'quarantine' && water.filter === 'cycled' ? 'cycled' : 'bare'];
}

type Asking = Pick<Judgement, 'opens'>;

/** What the judgements ask for first, then what is watched, then what has not been tested for its usual time.
 *  @param atDoor nothing but a test keeps the first animals out, or the next; null where something else does */
export function dueTests(
  e: WaterEvidence,
  living: Living | null,
  judgements: readonly Asking[],
  atDoor: 'first' | 'next' | null = null,
): Parameter[] {
  const asking = [...(living ? [living] : []), ...judgements];
  const due = new Set<Parameter>(asking.flatMap((j) => asked(j.opens)));
  const olderThan = (parameter: Parameter, days: number): boolean => {
    const last = lastOf(e.series[parameter]);
    return !last || e.nowMs - last.atMs > days * DAY_MS;
  };
  for (const { parameter, hours } of living?.again ?? [])
    if (olderThan(parameter, hours / 24 - 1e-6)) due.add(parameter);
  for (const finding of living?.also ?? []) for (const p of asked(finding.opens)) due.add(p);
  for (const [parameter, days, notBefore] of rhythmOf(e, judgements))
    if (
      (notBefore === undefined || dayHasBegun(notBefore, e.nowMs)) &&
      olderThan(parameter, days - RULES.dueEarlyDays)
    )
      due.add(parameter);
  // Both in one sitting: read on evenings of their own they never show that both are clear.
  if (e.water.kind === 'display' && !e.isInhabited)
    for (const [one, other] of [
      ['ammonia', 'nitrite'],
      ['nitrite', 'ammonia'],
    ] as const)
      if (due.has(one) && e.series[other].length > 0 && olderThan(other, SITTING_DAYS)) due.add(other);
  if (atDoor && due.size > 0) for (const parameter of soonAsked(e, atDoor)) due.add(parameter);
  return [...due];
}

/** What letting anybody in rests on and is too old by this evening: asked for in the same sitting, not one after the other once each is read. */
function soonAsked(e: WaterEvidence, atDoor: 'first' | 'next'): Parameter[] {
  const rests = atDoor === 'first' ? FIRST_RESTS : NEXT_RESTS;
  // What the person tests in a rhythm of their own is asked for in that.
  const own = e.water.kind === 'display' ? (e.water.testPlan ?? []).map((t) => t.parameter) : [];
  const thenMs = e.nowMs + RULES.dueEarlyDays * DAY_MS;
  return rests.flatMap(([parameter, days]) => {
    const last = lastOf(e.series[parameter]);
    return last && !own.includes(parameter) && thenMs - last.atMs > days * DAY_MS ? [parameter] : [];
  });
}

/** Parameters, and the days for which a reading of them lets somebody in. */
type Rests = readonly (readonly [Parameter, number])[];
const FRESH: Rests = (['ammonia', 'salinity', 'temperature', 'alkalinity'] as const).map((p) => [
  p,
  LIVING.staleDays,
]);
const FIRST_RESTS: Rests = [...FRESH, ['nitrite', LIVING.staleDays], ['nitrate', LIVING.staleDays]];
const NEXT_RESTS: Rests = [...FRESH, ['nitrite', RULES.nitriteKnownDays]];

/** A reading younger than this is of the same sitting. */
const SITTING_DAYS = 0.5;

/** When each test of the usual rhythm falls due next, by its last reading; what was never read is due now. */
export function testsAhead(
  e: WaterEvidence,
  judgements: readonly Asking[],
): { parameter: Parameter; everyDays: number; lastMs: number | null; dueMs: number }[] {
  return rhythmOf(e, judgements).map(([parameter, everyDays, notBefore]) => {
    const lastMs = lastOf(e.series[parameter])?.atMs ?? null;
    const dueMs = lastMs === null ? e.nowMs : lastMs + everyDays * DAY_MS;
    return {
      parameter,
      everyDays,
      lastMs,
      dueMs: notBefore === undefined ? dueMs : Math.max(dueMs, Date.parse(notBefore)),
    };
  });
}

/** The parameters a statement asks to be read; a reading that is to be borne out, once more at once. */
function asked(statement: Statement): readonly Parameter[] {
  if (statement.code === 'confirmAmmonia') return ['ammonia'];
  if ('parameters' in statement) return statement.parameters;
  return 'parameter' in statement ? [statement.parameter] : [];
}

/** How often a parameter is usually tested in such a water; null where it is not watched. */
export const usualEveryDays = (e: WaterEvidence, parameter: Parameter): number | null =>
  usualRhythm(e, []).find(([p]) => p === parameter)?.[1] ?? null;
