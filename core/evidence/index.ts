export { gatherEvidence, isOfDisplay, type DisplayEvidence, type WaterEvidence } from './gather';
export { lastOf, trusted, type Doubt, type Point } from './points';
export { firstAmmoniaMs, firstFall, firstMeasuredRiseMs, keptShare, toldRiseMs } from './falls';
export {
  bothClear,
  insideDoseWindow,
  nothingLeft,
  pairedTests,
  relapseAfter,
  type BothClear,
  type PairedTest,
} from './pairs';
export { meantAsProof, proofState, type Proof, type ProofState } from './proofs';
export { EVIDENCE, EVIDENCE_LIMITS } from './limits';
