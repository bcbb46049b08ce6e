/** Sittings in which ammonia and nitrite were both read, and what two clear ones mean. Times in ms, nitrogen in mg N/L. */
import { remembered } from '../remembered';
import { DAY_MS, HOUR_MS } from '../time';
import { firstMeasuredRiseMs } from './falls';
import type { WaterEvidence } from './gather';
import { EVIDENCE } from './limits';
import { lastOf, trusted, type Point } from './points';

/** A sitting in which both ammonia and nitrite were read with trusted kits. */
export interface PairedTest {
  atMs: number;
  ammonia: Point;
  nitrite: Point;
  bothZero: boolean;
}

export const pairedTests = remembered((e: WaterEvidence): readonly PairedTest[] => {
  const nitriteBySample = new Map(trusted(e.series.nitrite).map((p) => [p.sampleId, p]));
  return trusted(e.series.ammonia).flatMap((ammonia) => {
    const nitrite = nitriteBySample.get(ammonia.sampleId);
    return nitrite ? [{ atMs: ammonia.atMs, ammonia, nitrite, bothZero: ammonia.zero && nitrite.zero }] : [];
  });
});

/** True when nitrogen found at this moment is what a recent dose put in, not a relapse: a dose in the window before it that
 *  no test has yet seen cleared. */
export function insideDoseWindow(e: WaterEvidence, atMs: number): boolean {
  const dose = lastOf(
    e.doses.filter((d) => d.atMs <= atMs && atMs - d.atMs <= EVIDENCE.doseWindowHours * HOUR_MS),
  );
  if (!dose) return false;
  return !pairedTests(e).some(
    (t) => t.bothZero && t.atMs < atMs && t.atMs - dose.atMs >= EVIDENCE.proofEarliestHours * HOUR_MS,
  );
}

/** First non-zero reading of ammonia or nitrite after the moment that no dose explains. */
export function relapseAfter(e: WaterEvidence, afterMs: number): Point | null {
  const found = [...e.series.ammonia, ...e.series.nitrite]
    .filter(
      (p) => p.atMs > afterMs && !p.zero && !p.doubts.includes('expired') && !insideDoseWindow(e, p.atMs),
    )
    .sort((a, b) => a.atMs - b.atMs);
  return found[0] ?? null;
}

export type BothClear =
  | { status: 'passed'; since: PairedTest; second: PairedTest }
  | { status: 'noRise' }
  | { status: 'notZero'; last: PairedTest }
  | { status: 'oneOfTwo'; first: PairedTest }
  | { status: 'noNitrate'; second: PairedTest }
  | { status: 'noPair' };

/** Two sittings a day or more apart with both at zero, after a measured rise, with nitrate to show for it. The latest such
 *  streak counts; nitrogen inside a dose window does not break what was passed before the dose. */
export const bothClear = remembered((e: WaterEvidence): BothClear => {
  const tests = pairedTests(e);
  const last = lastOf(tests);
  if (!last) return { status: 'noPair' };
  let first: PairedTest | null = null;
  let passed: { since: PairedTest; second: PairedTest } | null = null;
  let lacksNitrate: PairedTest | null = null;
  let lacksRise = false;
  const riseMs = firstMeasuredRiseMs(e);
  for (const test of tests) {
    if (!test.bothZero) {
      first = null;
      lacksNitrate = null;
      if (passed && !insideDoseWindow(e, test.atMs)) passed = null;
      continue;
    }
    if (riseMs >= test.atMs) {
      lacksRise = true;
      continue;
    }
    first ??= test;
    if (passed || test.atMs - first.atMs < EVIDENCE.clearApartHours * HOUR_MS) continue;
    const nitratePresent = trusted(e.series.nitrate).some(
      (p) =>
        p.atMs <= test.atMs && p.atMs >= test.atMs - EVIDENCE.nitrateSeenDays * DAY_MS && p.interval.mid > 0,
    );
    if (nitratePresent) passed = { since: first, second: test };
    else lacksNitrate = test;
  }
  if (passed) {
    const second = passed.second;
    return relapseAfter(e, second.atMs) ? { status: 'notZero', last } : { status: 'passed', ...passed };
  }
  if (!last.bothZero) return { status: 'notZero', last };
  if (lacksNitrate) return { status: 'noNitrate', second: lacksNitrate };
  if (first) return { status: 'oneOfTwo', first };
  return lacksRise ? { status: 'noRise' } : { status: 'notZero', last };
});

/** The last trusted ammonia and nitrite found nothing; one that was never read counts as nothing found. The gate "both clear" stays open
 *  once passed: this says whether another dose may go in now. */
export const nothingLeft = (e: WaterEvidence): boolean =>
  [e.series.ammonia, e.series.nitrite].every((s) => lastOf(trusted(s))?.zero !== false);
