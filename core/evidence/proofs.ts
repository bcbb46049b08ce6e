/** Proofs: a dose given to show that the filter clears it in a day. Times in ms, nitrogen in mg N/L. */
import { remembered } from '../remembered';
import { DAY_MS, HOUR_MS } from '../time';
import { firstRiseMs } from './falls';
import type { WaterEvidence } from './gather';
import { EVIDENCE } from './limits';
import { foundAgain, pairedTests } from './pairs';
import { lastOf, trusted } from './points';
import { lastUntil, spanOf } from './span';

/** A dose given once both had read zero after a rise was meant as a proof; one into water with something left to clear only fed the bacteria. */
export const meantAsProof = (e: WaterEvidence, doseAtMs: number): boolean => {
  const last = lastUntil(pairedTests(e), doseAtMs);
  return last !== undefined && last.atMs > firstRiseMs(e) && last.bothZero;
};

export interface Proof {
  doseAtMs: number;
  doseMgNPerL: number;
  testAtMs: number;
  hours: number;
  within: 24 | 48;
  /** True when nothing has fed the bacteria for the last three weeks. */
  faded: boolean;
}

export type ProofState =
  | { status: 'passed'; proof: Proof }
  /** `before`: the proof that stood until this dose. */
  | { status: 'running'; doseAtMs: number; dueMs: number; before: Proof | null }
  | { status: 'lenient'; proof: Proof }
  | { status: 'failed'; doseAtMs: number }
  | { status: 'faded'; proof: Proof; fedMs: number }
  | { status: 'missedTest'; doseAtMs: number }
  | { status: 'none' };

/** The latest proof and what the tests after it say. A dose before nitrogen was ever measured proves nothing, and one into water that was
 *  not clear is food: cleared in a day it proves all the same, not cleared it fails nothing. */
export const proofState = remembered((e: WaterEvidence): ProofState => {
  const tests = pairedTests(e);
  let best: Proof | null = null;
  let latest: ProofState = { status: 'none' };
  const riseMs = firstRiseMs(e);
  for (const dose of e.doses) {
    if (dose.mgNPerL < EVIDENCE.proofDoseMgN || riseMs >= dose.atMs) continue;
    // What it proved went along with rock and media.
    if (e.emptied && dose.atMs < e.emptied.atMs) continue;
    const after = spanOf(
      tests,
      dose.atMs + EVIDENCE.proofEarliestHours * HOUR_MS,
      dose.atMs + EVIDENCE.proofLenientHours * HOUR_MS,
    ).map((t) => ({ ...t, hours: (t.atMs - dose.atMs) / HOUR_MS }));
    const zero = after.find((t) => t.bothZero);
    if (zero) {
      const proof: Proof = {
        doseAtMs: dose.atMs,
        doseMgNPerL: dose.mgNPerL,
        testAtMs: zero.atMs,
        hours: zero.hours,
        within: zero.hours <= EVIDENCE.proofHours ? 24 : 48,
        faded: false,
      };
      if (undone(e, zero.atMs)) latest = { status: 'failed', doseAtMs: dose.atMs };
      else {
        best = proof;
        latest = { status: proof.within === 24 ? 'passed' : 'lenient', proof };
      }
    } else if (!meantAsProof(e, dose.atMs)) continue;
    else if (
      (e.nowMs - dose.atMs) / HOUR_MS <= EVIDENCE.proofHours &&
      !after.some((t) => t.hours >= EVIDENCE.proofDecidesHours)
    ) {
      const before: Proof | null = latest.status === 'passed' ? latest.proof : null;
      latest = { status: 'running', doseAtMs: dose.atMs, dueMs: dose.atMs + DAY_MS, before };
    } else latest = { status: after.length > 0 ? 'failed' : 'missedTest', doseAtMs: dose.atMs };
  }
  if (best && latest.status === 'passed' && !e.isInhabited) {
    const fedMs = Math.max(best.testAtMs, lastFedMs(e) ?? 0);
    if (e.nowMs - fedMs > EVIDENCE.proofFadesDays * DAY_MS)
      return { status: 'faded', proof: { ...best, faded: true }, fedMs };
  }
  return latest;
});

/** When the bacteria of water without animals last had something to live on, as far as the log says: a dose, food, or ammonia that was found;
 *  null where it says nothing. */
export function lastFedMs(e: WaterEvidence): number | null {
  const found = lastOf(trusted(e.series.ammonia).filter((p) => !p.zero));
  const food = e.events.filter((x) => x.kind === 'food').map((x) => Date.parse(x.at));
  const times = [...e.doses.map((d) => d.atMs), ...food, ...(found ? [found.atMs] : [])];
  return times.length === 0 ? null : Math.max(...times);
}

/** Ammonia or nitrite came back within the week after a proof, unexplained: the zero was luck. What comes later is another story. */
const undone = (e: WaterEvidence, sinceMs: number): boolean =>
  foundAgain(e).some((p) => p.atMs > sinceMs && p.atMs <= sinceMs + EVIDENCE.proofUndoneDays * DAY_MS);

/** What living animals show of a filter: zeros of ammonia and nitrite on days apart, with nothing found between them. */
export interface LivingProof {
  /** Zeros of ammonia at least half a day apart since the last finding. */
  zeros: number;
  /** From the first of them to the last, days. */
  days: number;
  sinceMs: number | null;
}

/** Zeros since a moment that nothing found has broken. */
export function zerosSince(e: WaterEvidence, fromMs: number): LivingProof {
  const broken = foundAgain(e).filter((p) => p.atMs > fromMs);
  const start = broken[broken.length - 1]?.atMs ?? fromMs;
  const zeros: number[] = [];
  for (const p of trusted(e.series.ammonia)) {
    if (p.atMs <= start || !p.zero) continue;
    if (p.atMs - (zeros[zeros.length - 1] ?? -Infinity) >= EVIDENCE.dailyGapHours[0] * HOUR_MS)
      zeros.push(p.atMs);
  }
  const [first] = zeros;
  const last = zeros[zeros.length - 1];
  return {
    zeros: zeros.length,
    days: first === undefined || last === undefined ? 0 : (last - first) / DAY_MS,
    sinceMs: first ?? null,
  };
}
