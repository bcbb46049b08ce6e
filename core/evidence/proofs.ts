/** Proofs: a dose given to show that the filter clears it in a day. Times in ms, nitrogen in mg N/L. */
import { remembered } from '../remembered';
import { DAY_MS, HOUR_MS } from '../time';
import { firstMeasuredRiseMs } from './falls';
import type { WaterEvidence } from './gather';
import { EVIDENCE } from './limits';
import { pairedTests, relapseAfter } from './pairs';

/** A dose given once both had read zero after a rise was meant as a proof; one into water with something left to clear only fed the bacteria. */
export const meantAsProof = (e: WaterEvidence, doseAtMs: number): boolean => {
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
export const proofState = remembered((e: WaterEvidence): ProofState => {
  const tests = pairedTests(e);
  let best: Proof | null = null;
  let latest: ProofState = { status: 'none' };
  const riseMs = firstMeasuredRiseMs(e);
  for (const dose of e.doses) {
    if (dose.mgNPerL < EVIDENCE.proofDoseMgN || riseMs >= dose.atMs) continue;
    const after = tests
      .map((t) => ({ ...t, hours: (t.atMs - dose.atMs) / HOUR_MS }))
      .filter((t) => t.hours >= EVIDENCE.proofEarliestHours && t.hours <= EVIDENCE.proofLenientHours);
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
      if (relapseAfter(e, zero.atMs)) latest = { status: 'failed', doseAtMs: dose.atMs };
      else {
        best = proof;
        latest = { status: proof.within === 24 ? 'passed' : 'lenient', proof };
      }
    } else if ((e.nowMs - dose.atMs) / HOUR_MS <= EVIDENCE.proofHours) {
      latest = { status: 'running', doseAtMs: dose.atMs, dueMs: dose.atMs + DAY_MS };
    } else latest = { status: after.length > 0 ? 'failed' : 'missedTest', doseAtMs: dose.atMs };
  }
  if (best && latest.status === 'passed') {
    const fedSince =
      e.residents.length > 0 ||
      e.doses.some((d) => d.atMs > best.testAtMs) ||
      e.events.some((x) => x.kind === 'food' && Date.parse(x.at) > best.testAtMs);
    if (!fedSince && e.nowMs - best.testAtMs > EVIDENCE.proofFadesDays * DAY_MS)
      return { status: 'faded', proof: { ...best, faded: true } };
  }
  return latest;
});
