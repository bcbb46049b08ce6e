export { assess, assessTank, besides, freeAmmonia } from './assess';
export { SCHOOL_GATES, type Assessment, type Finding, type FreeAmmonia, type Gate, type GateId, type Judgement, type Word } from './gates';
export { currentPlace, gatherEvidence, lastOf, trusted, DAY_MS, HOUR_MS, type Point, type TankEvidence, type Doubt } from './evidence';
export { meantAsProof, nothingLeft, pairedTests, proofState, RULES, type Proof, type ProofState } from './rules';
export { GATE_NAMES, SCHOOL_WORDS, WORDS, sentence, type WordsContext } from './words';
