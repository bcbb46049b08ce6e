export { sentence } from './sentences';
export { listed, type WordsContext } from './say';
export { foodGrams, INCIDENT_WORDS, LEAST_G, SWITCHED_WORDS } from './living';
export { isStep, stepWords, type StepWords } from './steps';
export { GATE_NAMES, SCHOOL_WORDS, WORDS } from './names';
export { gateRule } from './gateRules';
export { animalWords, GONE_WORDS, KIND_WORDS, LINE_WORDS, placeWords } from './animals';
export { inUnits } from './inUnits';
