export { sentence, type WordsContext } from './sentences';
export { GATE_NAMES, SCHOOL_WORDS, WORDS } from './names';
export { gateRule } from './gateRules';
export { animalWords, GONE_WORDS, KIND_WORDS, LINE_WORDS, placeWords } from './animals';
export { inUnits } from './inUnits';
