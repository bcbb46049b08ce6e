export { tookInATank, type Emptied } from './emptied';
export { datedAhead } from './ahead';
export {
  gatherEvidence,
  isOfDisplay,
  type DisplayEvidence,
  type WaterChange,
  type WaterEvidence,
} from './gather';
export { printed } from './printed';
export { ammoniaAtMost, dosesUntested, expectedNow, type Expected } from './expected';
export { evidenceUntil } from './until';
export { readingAhead } from './readingAhead';
export { lastOf, trusted, type Doubt, type Point } from './points';
export {
  firstAmmoniaMs,
  firstFall,
  firstRiseMs,
  firstSourceMs,
  keptShare,
  riseOf,
  toldRiseMs,
  type Rise,
} from './falls';
export {
  bothClear,
  firstClear,
  foundAgain,
  insideDoseWindow,
  nothingLeft,
  pairedTests,
  type BothClear,
  type PairedTest,
} from './pairs';
export {
  lastFedMs,
  meantAsProof,
  proofState,
  zerosSince,
  type LivingProof,
  type Proof,
  type ProofState,
} from './proofs';
export { lastUntil, spanOf } from './span';
export { EVIDENCE, EVIDENCE_LIMITS } from './limits';
