/** Sittings in which ammonia and nitrite were both read, and what two clear ones mean. Times in ms, nitrogen in mg N/L. */
import { remembered } from '../remembered';
import { DAY_MS, HOUR_MS } from '../time';
import { riseOf, type Rise } from './falls';
import type { WaterEvidence } from './gather';
import { EVIDENCE } from './limits';
import { lastOf, trusted, type Point, type Series } from './points';
import { spanOf } from './span';

/** A sitting in which both ammonia and nitrite were read with trusted kits. */
export interface PairedTest {
  /** Of the later of the two. */
  atMs: number;
  ammonia: Point;
  nitrite: Point;
  bothZero: boolean;
}

/** Each trusted ammonia reading with the nitrite reading of its sample, or the nearest within half a day. */
export const pairedTests = (e: WaterEvidence): readonly PairedTest[] => pairsIn(e.series);

/** By the series, which stands from minute to minute: a long history is not paired anew at each of them. */
export const pairsIn = remembered((series: Series): readonly PairedTest[] => {
  const nitrites = trusted(series.nitrite);
  const pairs: PairedTest[] = [];
  let i = 0;
  for (const ammonia of trusted(series.ammonia)) {
    while (i + 1 < nitrites.length && gap(nitrites[i + 1], ammonia) <= gap(nitrites[i], ammonia)) i++;
    const nitrite = nitrites[i];
    if (!nitrite || gap(nitrite, ammonia) > EVIDENCE.sittingHours * HOUR_MS) continue;
    const atMs = Math.max(ammonia.atMs, nitrite.atMs);
    pairs.push({ atMs, ammonia, nitrite, bothZero: ammonia.zero && nitrite.zero });
  }
  return pairs;
});

const gap = (a: Point | undefined, b: Point): number => (a ? Math.abs(a.atMs - b.atMs) : Infinity);

/** True when nitrogen found at this moment is what a recent dose put in, not a relapse: a dose in the window before it that
 *  no test has yet seen cleared. */
export function insideDoseWindow(e: WaterEvidence, atMs: number): boolean {
  const dose = lastOf(
    e.doses.filter((d) => d.atMs <= atMs && atMs - d.atMs <= EVIDENCE.doseWindowHours * HOUR_MS),
  );
  if (!dose) return false;
  const earliestMs = dose.atMs + EVIDENCE.proofEarliestHours * HOUR_MS;
  return !spanOf(pairedTests(e), earliestMs, atMs).some((t) => t.bothZero && t.atMs < atMs);
}

/** What was found that no dose explains, oldest first: a reading clearly above nothing, or a trace that the next reading of the same kind
 *  bears out. One trace between two zeros is a misreading, and forgiven. */
export const foundAgain = remembered((e: WaterEvidence): readonly Point[] =>
  [foundIn(e, e.series.ammonia), foundIn(e, e.series.nitrite)].flat().sort((a, b) => a.atMs - b.atMs),
);

function foundIn(e: WaterEvidence, series: readonly Point[]): Point[] {
  const points = trusted(series);
  return points.filter((p, i) => {
    if (p.zero || p.coarse || insideDoseWindow(e, p.atMs)) return false;
    if (series === e.series.nitrite && passesInSea(e, p)) return false;
    if (p.interval.mid > EVIDENCE.blipMgN) return true;
    const [before, after] = [points[i - 1], points[i + 1]];
    return (before !== undefined && !before.zero) || (after !== undefined && !after.zero);
  });
}

export type BothClear =
  | { status: 'passed'; since: PairedTest; second: PairedTest; passedMs: number; by: Rise['by'] }
  | { status: 'noRise' }
  | { status: 'notZero'; ammonia: Point | undefined; nitrite: Point | undefined }
  | { status: 'trace'; ammonia: Point | undefined; nitrite: Point | undefined }
  | { status: 'oneOfTwo'; first: PairedTest }
  | { status: 'noNitrate'; second: PairedTest }
  | { status: 'noPair' };

/** Two sittings a day or more apart with both at zero, after a rise, with nitrate to show for it. The latest such streak counts; nitrogen
 *  inside a dose window, and a single trace after it, do not break what was passed. */
export const bothClear = remembered((e: WaterEvidence): BothClear => {
  const tests = pairedTests(e);
  if (tests.length === 0) return { status: 'noPair' };
  const rise = riseOf(e);
  const newest = { ammonia: lastOf(trusted(e.series.ammonia)), nitrite: lastOf(trusted(e.series.nitrite)) };
  const streak = streakOf(e, tests, rise?.atMs ?? Infinity, false);
  if (streak?.second && rise) {
    const { first: since, second } = streak;
    const shown = nitrateShown(e, second.atMs);
    if (shown === null) return { status: 'noNitrate', second };
    return { status: 'passed', since, second, passedMs: Math.max(second.atMs, shown), by: rise.by };
  }
  const left = [newest.ammonia, newest.nitrite].filter((p) => p && !p.zero);
  if (left.length > 0) {
    // After a clear test a single trace is first to be read again.
    const trace = streak !== null && left.every((p) => p && !p.coarse && p.interval.mid <= EVIDENCE.blipMgN);
    return { status: trace ? 'trace' : 'notZero', ...newest };
  }
  if (streak) return { status: 'oneOfTwo', first: streak.first };
  // Each read zero since the rise, but not in one sitting: both are asked for together.
  const lastPair = lastOf(tests)?.atMs ?? 0;
  const sinceRise = rise !== null && [newest.ammonia, newest.nitrite].some((p) => p && p.atMs > rise.atMs);
  const alone = [newest.ammonia, newest.nitrite].some((p) => p && p.atMs > lastPair);
  return { status: sinceRise && alone ? 'noPair' : 'noRise' };
});

/** The first time both were clear, whatever was found since: a tank with animals in has passed it once. Null while it never was. */
export const firstClear = remembered((e: WaterEvidence): { sinceMs: number; passedMs: number } | null => {
  const rise = riseOf(e);
  const streak = rise && streakOf(e, pairedTests(e), rise.atMs, true);
  const shown = streak?.second ? nitrateShown(e, streak.second.atMs) : null;
  return streak?.second && shown !== null
    ? { sinceMs: streak.first.atMs, passedMs: Math.max(streak.second.atMs, shown) }
    : null;
});

interface Streak {
  first: PairedTest;
  second: PairedTest | null;
}

/** The last run of clear sittings after the rise that nothing found has broken since; or the first whole one, broken later or not. */
function streakOf(
  e: WaterEvidence,
  tests: readonly PairedTest[],
  riseMs: number,
  firstWhole: boolean,
): Streak | null {
  const found = foundAgain(e);
  let i = 0;
  let streak: Streak | null = null;
  for (const test of tests) {
    for (; (found[i]?.atMs ?? Infinity) <= test.atMs; i++) streak = null;
    // What a dose put in breaks a first zero, not what was passed before the dose.
    if (!isClear(e, test)) {
      if (streak && !streak.second && insideDoseWindow(e, test.atMs)) streak = null;
      continue;
    }
    if (riseMs >= test.atMs) continue;
    if (!streak) streak = { first: test, second: null };
    else if (!streak.second && test.atMs - streak.first.atMs >= EVIDENCE.clearApartHours * HOUR_MS)
      streak.second = test;
    if (firstWhole && streak.second) return streak;
  }
  return i < found.length ? null : streak;
}

/** Both at zero; where nitrite is weighed as in sea water, a little of it passes. */
const isClear = (e: WaterEvidence, { ammonia, nitrite, bothZero }: PairedTest): boolean =>
  bothZero || (ammonia.zero && passesInSea(e, nitrite));

const passesInSea = ({ water }: WaterEvidence, nitrite: Point): boolean =>
  water.kind === 'display' &&
  water.nitriteWeight === 'seaWater' &&
  nitrite.interval.mid <= EVIDENCE.nitriteSeaMgN;

/** When nitrate was there to show for a clear test: found within a week before it, or since. Null when it never was. */
function nitrateShown(e: WaterEvidence, testMs: number): number | null {
  const found = trusted(e.series.nitrate).find(
    (p) => p.atMs >= testMs - EVIDENCE.nitrateSeenDays * DAY_MS && p.interval.mid > 0,
  );
  return found?.atMs ?? null;
}

/** The last trusted ammonia and nitrite found nothing; one that was never read counts as nothing found. The gate "both clear" stays open
 *  once passed: this says whether another dose may go in now. */
export const nothingLeft = (e: WaterEvidence): boolean =>
  [e.series.ammonia, e.series.nitrite].every((s) => lastOf(trusted(s))?.zero !== false);
