/** A filter that is ready and has nobody to live on: while the first animals pass their quarantine its bacteria starve. */
import { EVIDENCE, lastFedMs, proofState, type WaterEvidence } from '../evidence';
import { DAY_MS } from '../time';
import type { Gate } from './judgement';
import { RULES } from './limits';
import { EVIDENCE_GATES } from './walk';

export interface Unfed {
  fedMs: number;
  /** When it is to be fed again, unless animals come. */
  dueMs: number;
  /** So long it keeps what it has shown, as far as it is trusted to. */
  holdsUntilMs: number;
  /** The same, where its proof counts no more from then on; null where its school asks for none. */
  fadesMs: number | null;
}

/** @returns null where somebody lives in the water or its rock went into another, where the gates before its first animals are not all open, and where no log
 *  says of what it lived */
export function unfedFilter(e: WaterEvidence, gates: readonly Gate[]): Unfed | null {
  const shown = gates.filter((g) => EVIDENCE_GATES.includes(g.id));
  if (e.isInhabited || e.emptied || shown.length === 0 || shown.some((g) => g.passedMs === null)) return null;
  const proof = proofState(e);
  const isProved = proof.status === 'passed' && shown.some((g) => g.id === 'proof');
  const fedMs = Math.max(lastFedMs(e) ?? 0, isProved ? proof.proof.testAtMs : 0);
  if (fedMs === 0) return null;
  const holdsUntilMs = fedMs + EVIDENCE.proofFadesDays * DAY_MS;
  return {
    fedMs,
    dueMs: fedMs + RULES.feedAgainDays * DAY_MS,
    holdsUntilMs,
    fadesMs: isProved ? holdsUntilMs : null,
  };
}
