/** The questions the gates ask of the evidence, one function each. Times in ms, nitrogen in mg N/L. */
import { remembered } from '../remembered';
import { DAY_MS, HOUR_MS, lastOf, trusted, type Point, type TankEvidence } from './evidence';

/** Common practice, changeable in one place. */
export const RULES = {
  /** A test older than this speaks for nothing. */
  staleDays: 3,
  /** A measured rise: mg N/L that counts as "there was something" (0.2 mg/L as NH4). */
  riseMgN: 0.15,
  /** Falling: at or below this share of the measured peak, water changes taken out. */
  fallShare: 0.7,
  /** Two clear tests must be this far apart; a day, with room for a life. */
  clearApartHours: 20,
  /** A proof dose: at least this much, mg N/L (1.8 mg/L as NH4; 2 is asked): clearing less does not show that 2 would be cleared. */
  proofDoseMgN: 1.8 / 1.2878,
  proofHours: 26,
  proofLenientHours: 50,
  /** A zero sooner than this after a dose may only mean the dose has not spread or was dead. */
  proofEarliestHours: 6,
  /** After a dose, nitrogen is expected; it is no relapse. */
  doseWindowHours: 72,
  proofFadesDays: 21,
  settleDays: 14,
  dailyTests: 3,
  salinity: [32.5, 36.5],
  tempC: [22.5, 28],
  alkalinityMin: 7,
  alkalinityMax: 12,
  alkalinityStall: 5,
  alkalinitySpread: 1,
  /** Nitrate to begin with, mg N/L: 20 mg/L as NO3. */
  nitrateStartMgN: 20 / 4.4266,
  /** Total ammonia that holds back the second bacteria, mg N/L: 5 mg/L as NH4. */
  ammoniaStallMgN: 5 / 1.2878,
  betweenAdditionsDays: 7,
  testsAfterAdditionDays: [1, 3, 7],
} as const;

export const inRange = (x: number, [low, high]: readonly [number, number]): boolean => x >= low && x <= high;
export const isFresh = (p: Point | undefined, nowMs: number): p is Point =>
  p !== undefined && nowMs - p.atMs <= RULES.staleDays * DAY_MS;

/** Share of today's water that was already there at fromMs: the product of (1-f) over the changes since. */
export function keptShare(e: TankEvidence, fromMs: number, toMs: number): number {
  return e.changes.reduce((keep, c) => (c.atMs > fromMs && c.atMs <= toMs ? keep * (1 - c.fraction) : keep), 1);
}

/** When something to oxidise is first known of: a dose, food, seafood or an animal logged, or ammonia measured. */
export function firstAmmoniaMs(e: TankEvidence): number | null {
  const times = [
    ...e.doses.map((d) => d.atMs),
    ...e.events.filter((x) => x.kind === 'food').map((x) => Date.parse(x.at)),
    ...e.joined.map((j) => j.atMs),
    ...trusted(e.series.ammonia).filter((p) => p.interval.mid >= RULES.riseMgN).map((p) => p.atMs),
  ];
  return times.length > 0 ? Math.min(...times) : null;
}

/** When ammonia or nitrite was first really measured above the noise: kit and source are alive. Infinity when never. */
export function firstMeasuredRiseMs(e: TankEvidence): number {
  const first = (points: readonly Point[]) =>
    points.find((p) => !p.doubts.includes('expired') && p.interval.mid >= RULES.riseMgN)?.atMs ?? Infinity;
  return Math.min(first(e.series.ammonia), first(e.series.nitrite));
}

/** First trusted reading that has fallen to the share of the measured peak (water changes taken out), or a zero after it. */
export function firstFall(e: TankEvidence, points: readonly Point[]): Point | null {
  let peak: Point | null = null;
  for (const p of trusted(points)) {
    if (peak && peak.interval.mid >= RULES.riseMgN) {
      const kept = Math.max(keptShare(e, peak.atMs, p.atMs), 1e-6);
      if (p.zero || p.interval.mid / kept <= RULES.fallShare * peak.interval.mid) return p;
    }
    if (!peak || p.interval.mid > peak.interval.mid) peak = p;
  }
  return null;
}

/** A sitting in which both ammonia and nitrite were read with trusted kits. */
export interface PairedTest {
  atMs: number;
  ammonia: Point;
  nitrite: Point;
  bothZero: boolean;
}

export const pairedTests = remembered((e: TankEvidence): readonly PairedTest[] => {
  const nitriteBySample = new Map(trusted(e.series.nitrite).map((p) => [p.sampleId, p]));
  return trusted(e.series.ammonia).flatMap((ammonia) => {
    const nitrite = nitriteBySample.get(ammonia.sampleId);
    return nitrite ? [{ atMs: ammonia.atMs, ammonia, nitrite, bothZero: ammonia.zero && nitrite.zero }] : [];
  });
});

/** True when nitrogen found at this moment is what a recent dose put in, not a relapse: a dose in the window before it that
 *  no test has yet seen cleared. */
export function insideDoseWindow(e: TankEvidence, atMs: number): boolean {
  const dose = lastOf(e.doses.filter((d) => d.atMs <= atMs && atMs - d.atMs <= RULES.doseWindowHours * HOUR_MS));
  if (!dose) return false;
  return !pairedTests(e).some((t) => t.bothZero && t.atMs < atMs && t.atMs - dose.atMs >= RULES.proofEarliestHours * HOUR_MS);
}

/** First non-zero reading of ammonia or nitrite after the moment that no dose explains. */
export function relapseAfter(e: TankEvidence, afterMs: number): Point | null {
  const found = [...e.series.ammonia, ...e.series.nitrite]
    .filter((p) => p.atMs > afterMs && !p.zero && !p.doubts.includes('expired') && !insideDoseWindow(e, p.atMs))
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
export const bothClear = remembered((e: TankEvidence): BothClear => {
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
    if (passed || test.atMs - first.atMs < RULES.clearApartHours * HOUR_MS) continue;
    const nitratePresent = trusted(e.series.nitrate).some((p) => p.atMs <= test.atMs && p.atMs >= test.atMs - 7 * DAY_MS && p.interval.mid > 0);
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
export const nothingLeft = (e: TankEvidence): boolean => [e.series.ammonia, e.series.nitrite].every((s) => lastOf(trusted(s))?.zero !== false);

/** A dose given once both had read zero after a rise was meant as a proof; one into water with something left to clear only fed the bacteria. */
export const meantAsProof = (e: TankEvidence, doseAtMs: number): boolean => {
  const riseMs = firstMeasuredRiseMs(e);
  return pairedTests(e).some((t) => t.bothZero && t.atMs > riseMs && t.atMs <= doseAtMs);
};

export interface Proof {
  doseAtMs: number;
  doseMgNPerL: number;
  testAtMs: number;
  hours: number;
  within: 24 | 48;
  /** True when nothing has fed the bacteria for three weeks since. */
  faded: boolean;
}

export type ProofState =
  | { status: 'passed'; proof: Proof }
  | { status: 'running'; doseAtMs: number; dueMs: number }
  | { status: 'lenient'; proof: Proof }
  | { status: 'failed'; doseAtMs: number }
  | { status: 'faded'; proof: Proof }
  | { status: 'missedTest'; doseAtMs: number }
  | { status: 'none' };

/** The latest proof dose and what the tests after it say. A dose before nitrogen was ever measured proves nothing. */
export const proofState = remembered((e: TankEvidence): ProofState => {
  const tests = pairedTests(e);
  let best: Proof | null = null;
  let latest: ProofState = { status: 'none' };
  const riseMs = firstMeasuredRiseMs(e);
  for (const dose of e.doses) {
    if (dose.mgNPerL < RULES.proofDoseMgN || riseMs >= dose.atMs) continue;
    const after = tests
      .map((t) => ({ ...t, hours: (t.atMs - dose.atMs) / HOUR_MS }))
      .filter((t) => t.hours >= RULES.proofEarliestHours && t.hours <= RULES.proofLenientHours);
    const zero = after.find((t) => t.bothZero);
    if (zero) {
      const proof: Proof = {
        doseAtMs: dose.atMs, doseMgNPerL: dose.mgNPerL, testAtMs: zero.atMs, hours: zero.hours,
        within: zero.hours <= RULES.proofHours ? 24 : 48, faded: false,
      };
      if (relapseAfter(e, zero.atMs)) latest = { status: 'failed', doseAtMs: dose.atMs };
      else {
        best = proof;
        latest = { status: proof.within === 24 ? 'passed' : 'lenient', proof };
      }
    } else if ((e.nowMs - dose.atMs) / HOUR_MS <= RULES.proofHours) {
      latest = { status: 'running', doseAtMs: dose.atMs, dueMs: dose.atMs + DAY_MS };
    } else latest = { status: after.length > 0 ? 'failed' : 'missedTest', doseAtMs: dose.atMs };
  }
  if (best && latest.status === 'passed') {
    const fedSince = e.inDisplay.length > 0 || e.doses.some((d) => d.atMs > best.testAtMs) || e.events.some((x) => x.kind === 'food' && Date.parse(x.at) > best.testAtMs);
    if (!fedSince && e.nowMs - best.testAtMs > RULES.proofFadesDays * DAY_MS) return { status: 'faded', proof: { ...best, faded: true } };
  }
  return latest;
});
