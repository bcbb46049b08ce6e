/** The stocking plan as a problem: wishes, quarantines, days. Days are whole numbers since 1970-01-01, so that they can be reckoned with; loads are
 *  mg N a day for the whole count of a wish at the size it has when released. */
import { STOCKING } from '../stocking';
import { PLANNER } from './limits';

export const LINES = ['fish', 'invertebrate', 'coral', 'anemone'] as const;
export type Line = (typeof LINES)[number];

export interface Wish {
  id: string;
  line: Line;
  loadMgN: number;
  price: number;
  /** 1 is wanted most. */
  priority: number;
  /** Of fish: 0 gentle, 1 middling, 2 territorial; null for others. */
  temperament: number | null;
  /** Grazers and scavengers that come before the fish. */
  crew: boolean;
  needsTankDays: number;
  jumps: boolean;
  /** One or two fish: they may be the first. */
  few?: boolean | undefined;
}

export interface QuarantineWater {
  id: string;
  line: Line;
  netL: number;
  clockDays: number;
  totalLimitMgN: number;
  /** True: no absent day within a stay. False: absent days do not count for the clock. Null: absences do not matter to a stay. */
  bare: boolean | null;
  /** So many days before a release are without an absent one: the clock wants its last days unbroken. */
  unbrokenDays?: number | undefined;
  /** No quarantine at all: who is bought is in the display on the same day, as there is nowhere else to be. */
  sameDay?: true | undefined;
  /** The tests of days 1, 3 and 7 after a release fall on no absent day. */
  testsPresent: boolean;
}

/** A step that was bought, or set by the person: kept as it is. */
export interface FixedStep {
  wish: number;
  buy: number;
  quarantine: number;
  /** Null: to be planned. */
  release: number | null;
  /** Nobody joins it: whoever is in it has long been there, or is ill, and its day of purchase only stands for a clock that began again. */
  closed?: boolean | undefined;
}

export interface Released {
  day: number;
  loadMgN: number;
}

/** The display's water, for the ammonia after a release. */
export interface PlanWater {
  /** What the filter carries near zero today, mg N a day; null where nothing is proved: then nothing is predicted. */
  nearZeroMgN: number | null;
  netL: number;
  /** Share of total ammonia that is free. */
  freeShare: number;
}

/** What a filter carries, mg N a day: so much until a day, and from it on nearer to what keeps it, by so large a share of the rest each day. */
export interface Fade {
  ofMgN: number;
  toMgN: number;
  from: number;
  perDay: number;
}

export interface Problem {
  today: number;
  /** Days after today a release may lie. */
  horizonDays: number;
  /** Null: never reached. */
  gate: number | null;
  coralGate: number | null;
  /** Fish not before this day either, null for never yet: the display stands without them after an outbreak. */
  fishGate?: number | null | undefined;
  /** No fish lives there: on the first day on which any comes, one wish of few comes by itself. Left out where that is not asked. */
  fewFirst?: boolean | undefined;
  filled: number;
  hasLid: boolean;
  displayLoadMgN: number;
  firstStepMgN: number;
  /** How the first step becomes less, where nothing keeps what was proved; undefined where it stays as it is. */
  fades?: Fade | undefined;
  settleDays: number;
  firstSettleDays: number;
  quarantines: readonly QuarantineWater[];
  wishes: readonly Wish[];
  /** Pairs of wishes, by index, that may not both be in the plan. */
  forbidden: readonly (readonly [number, number])[];
  /** First and last day away. */
  away: readonly (readonly [number, number])[];
  /** Days of the week, 0 Sunday; empty for any. */
  shopDays: readonly number[];
  /** For a calendar month; null for no limit. */
  budget: number | null;
  /** Of the present month's budget, what was spent on who is bought. */
  spentThisMonth?: number | undefined;
  released: readonly Released[];
  fixed: readonly FixedStep[];
  /** The plan as it was told on a day before, empty where none was: kept where no other is better. */
  told?: readonly { wish: number; buy: number; release: number }[] | undefined;
  /** What free ammonia is predicted by (R6); absent where it is not asked for. */
  water?: PlanWater | undefined;
}

export interface Step {
  wish: number;
  buy: number;
  quarantine: number;
  release: number;
}

/** Sums and products are compared with this much slack. */
export const SLACK = 1e-6;
/** A wish above this is a load: releases of less need no settling. */
export const HEAVY_MG_N = STOCKING.heavyMgN;
/** The load of so many days before counts for doubling. */
export const DOUBLING_DAYS = PLANNER.doublingDays;
/** Days after a release that are tested. */
export const TEST_DAYS = PLANNER.testDays;

export const isHeavy = (loadMgN: number): boolean => loadMgN > HEAVY_MG_N;

/** What a batch in a quarantine may bring, mg N a day (R3). */
export const PLANNER_SHARE = PLANNER.quarantineShare;
export const capacityOf = (q: QuarantineWater): number => PLANNER_SHARE * q.netL * q.totalLimitMgN;

/** 0 Sunday ... 6 Saturday; day 0 was a Thursday. */
const weekday = (day: number): number => (((day + 4) % 7) + 7) % 7;

/** What may be there on a day where there is nothing to double (R5), mg N a day: never more than on a day before it. */
export function firstStepOn({ firstStepMgN, fades }: Problem, day: number): number {
  if (!fades) return firstStepMgN;
  const { ofMgN, toMgN, from, perDay } = fades;
  const kept = Math.min(toMgN, ofMgN);
  return Math.min(firstStepMgN, kept + (ofMgN - kept) * Math.exp(-perDay * Math.max(0, day - from)));
}

export const isAbsent = (p: Problem, day: number): boolean => p.away.some(([a, b]) => day >= a && day <= b);
/** Is one of some days, the last not before the first, an absent one? */
export const isAbsentWithin = (p: Problem, first: number, last: number): boolean =>
  first <= last && p.away.some(([a, b]) => a <= last && b >= first);

/** Days before a release of a quarantine without an absent one: no more than its clock has. */
export const unbrokenOf = ({ unbrokenDays = 0, clockDays }: QuarantineWater): number =>
  Math.min(unbrokenDays, clockDays);

/** Neither a purchase nor a release (R9): for an absence, and for all. */
export const isShutBy = ([a, b]: readonly [number, number], day: number): boolean =>
  day >= a - PLANNER.beforeAwayDays && day <= b;
export const isShut = (p: Problem, day: number): boolean => p.away.some((away) => isShutBy(away, day));

export const isShopDay = (p: Problem, day: number): boolean =>
  p.shopDays.length === 0 || p.shopDays.includes(weekday(day));

/** Months counted through the years, for a day. */
export function monthOf(day: number): number {
  const known = monthByDay.get(day);
  if (known !== undefined) return known;
  const date = new Date(day * 86_400_000);
  const month = date.getUTCFullYear() * 12 + date.getUTCMonth();
  monthByDay.set(day, month);
  return month;
}
/** Asked of the same few hundred days millions of times; a calendar does not change. */
const monthByDay = new Map<number, number>();

/** The day a line may come from (R1); null where that is never. */
export function gateOf({ gate, coralGate, fishGate }: Problem, line: Line): number | null {
  if (line === 'coral') return coralGate;
  if (line !== 'fish' || fishGate === undefined) return gate;
  return gate === null || fishGate === null ? null : Math.max(gate, fishGate);
}

/** The day from which a wish may be released by itself: its gate and the tank's age; null where that is never (R1, R8). */
export function earliestRelease(p: Problem, w: Wish): number | null {
  const gate = gateOf(p, w.line);
  if (gate === null || (w.jumps && !p.hasLid)) return null;
  return Math.max(p.today, gate, p.filled + w.needsTankDays);
}

/** No tank is ever so old: nobody who needs that is placed. */
export const NEVER_DAYS = 1e6;

/** Were both bought on one day for one quarantine? */
export const sameBatch = (a: FixedStep, b: FixedStep): boolean =>
  a.quarantine === b.quarantine && a.buy === b.buy;

/** All sets of a size, in order. */
export function setsOf<T>(items: readonly T[], size: number): T[][] {
  if (size === 0) return [[]];
  return items.flatMap((item, i) => setsOf(items.slice(i + 1), size - 1).map((rest) => [item, ...rest]));
}

export const isCrew = (w: Wish): boolean => w.line === 'invertebrate' && w.crew;

/** The steps that the person has set: both of their days. */
export const stepsSet = ({ fixed }: Problem): Step[] =>
  fixed.flatMap(({ wish, buy, quarantine, release }) =>
    release === null ? [] : [{ wish, buy, quarantine, release }],
  );
