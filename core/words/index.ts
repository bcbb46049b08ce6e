export { sentence, type WordsContext } from './sentences';
export { GATE_NAMES, SCHOOL_WORDS, WORDS } from './names';
export { gateRule } from './gateRules';
export { inUnits } from './inUnits';
