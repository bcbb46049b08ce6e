/** Findings in sentences. The person's units and calendar come in as functions, so that nothing here knows a locale. */
import { PARAMETER_NAMES, type Parameter, type School } from '../document';
import { fromMgNPerL } from '../units/nitrogen';
import { showQuantity, type UnitPreferences } from '../units/preferences';
import type { Finding, GateId, Word } from './gates';

export interface WordsContext {
  units: UnitPreferences;
  /** "4 Dec" of a time. */
  day: (ms: number) => string;
  /** "Fri 21:10" of a time. */
  hour: (ms: number) => string;
}

export const WORDS: Record<Word, string> = { wait: 'Wait', test: 'Test', goSmall: 'Go small', go: 'Go', actNow: 'Act now' };

export const GATE_NAMES: Record<GateId, { title: string; ahead: string }> = {
  seaWater: { title: 'Sea water ready', ahead: 'salinity and temperature measured and steady' },
  ammoniaFalling: { title: 'Ammonia falling', ahead: 'it must rise first, then fall' },
  nitriteFalling: { title: 'Nitrite falling', ahead: 'the second bacteria have arrived' },
  bothClear: { title: 'Both clear', ahead: 'two tests a day apart, nitrate present' },
  settle: { title: 'Two quiet weeks', ahead: 'the slow bacteria settle' },
  film: { title: 'Green on the glass', ahead: 'brown film, then green' },
  transfer: { title: 'Running media in', ahead: 'rock or media from a running tank' },
  dailyClear: { title: 'Three daily zeros', ahead: 'fed, tested each day, nothing found' },
  bacteria: { title: 'Bacteria in', ahead: 'a bottle that is not past its date' },
  proof: { title: 'Proof', ahead: '2 mg/L gone within 24 h' },
  reset: { title: 'Reset', ahead: 'nitrate down, alkalinity and salinity right' },
  firstAnimals: { title: 'First animals', ahead: 'one small step, light feed, lid on' },
  nextStep: { title: 'Next step', ahead: 'a week of zero ammonia between steps' },
};

export const SCHOOL_WORDS: Record<School, { title: string; rule: string; reason: string }> = {
  proof24: {
    title: '24-hour proof', rule: 'Dose 2 mg/L again; ammonia and nitrite are both zero within 24 hours.',
    reason: 'Our default for fish: it measures what the filter can do in a day, not only that the water is clear today.',
  },
  zeroZero: {
    title: 'Zero and zero', rule: 'Ammonia and nitrite zero, nitrate present, on two tests a day or more apart.',
    reason: 'Quick and common. It shows the cycle has run, not how much the filter can carry: start with very little.',
  },
  patient: {
    title: 'Patient', rule: 'Zero and zero, then two more quiet weeks.',
    reason: 'The slow bacteria and the micro-life settle. Costs two weeks, and the bacteria need a little food meanwhile.',
  },
  watchGlass: {
    title: 'Watch the glass', rule: 'Zero and zero, and the brown film has been followed by green algae.',
    reason: 'Algae show that a tank lives, yet measure no ammonia: here they support the tests and never replace them.',
  },
  matureTransfer: {
    title: 'Mature transfer', rule: 'Rock or media from a running tank goes in, is fed, and three daily ammonia tests read zero.',
    reason: 'The bacteria arrive grown. Daily tests catch what was lost on the way.',
  },
  firstFish: {
    title: 'Bottle with first fish', rule: 'Bacteria and one or two small fish together, light feed, ammonia tested daily.',
    reason: 'Practised widely. It asks for a test every day and a water change ready; the fish carry the risk.',
  },
  coralsFirst: {
    title: 'Corals first', rule: 'Hardy corals as soon as the water is steady; fish after the 24-hour proof of the filter.',
    reason: 'Corals hardly make ammonia. They still need salinity, temperature and alkalinity to hold still. Do the proof dose in a bucket of media or take the corals out for it.',
  },
};

const list = (names: string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;
const named = (p: Parameter[] | undefined): string => list((p ?? []).map((x) => PARAMETER_NAMES[x]));
const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** A finding as one or two sentences. Ammonia is stated as NH4, nitrite as NO2, nitrate as NO3, free ammonia as NH3-N. */
export function sentence(finding: Finding, context: WordsContext): string {
  const n = (key: string): number => finding.n?.[key] ?? NaN;
  const salt = () => showQuantity('salinity', n('salinity'), context.units);
  const heat = () => showQuantity('temperature', n('tempC'), context.units);
  const nh4 = (key: string) => `${fromMgNPerL('ammonia', 'ion', n(key)).toFixed(1)} mg/L`;
  const t = (key: string): string => finding.t?.[key] ?? 'unknown';
  const no3 = (key: string) => `${fromMgNPerL('nitrate', 'ion', n(key)).toFixed(0)} mg/L`;
  const p = named(finding.p);
  const sentences: Record<string, () => string> = {
    testThese: () => `Test ${p}.`,
    waterUnmeasured: () => `No reading of ${p} yet.`,
    salinityOff: () => `Salinity is ${salt()}; 33 to 36 ppt is the aim.`,
    bringSalinity: () => 'Correct salinity in small steps, then measure again.',
    temperatureOff: () => `The water is ${heat()}; the aim is ${showQuantity('temperature', 24, context.units, 0)} to ${showQuantity('temperature', 26, context.units, 0)}.`,
    bringTemperature: () => 'Check the heater against a second thermometer.',
    waterReady: () => `${salt()}, ${heat()}`,
    nothingFed: () => 'Nothing for the bacteria to eat yet.',
    zeroMeansNothing: () => 'A zero before any rise says nothing about the filter.',
    addAmmonia: () => 'Add and log an ammonia source, then watch it rise and fall.',
    ammoniaFell: () => 'rose, then fell',
    ammoniaUnmeasured: () => 'Ammonia has not been tested yet.',
    ammoniaNotFalling: () => `Ammonia is ${t('ammonia')} and not falling yet.`,
    ammoniaFalls: () => 'A reading a third lower opens this gate.',
    nitriteFell: () => 'rose, then fell',
    nitriteNeverRose: () => 'never seen, and nitrate is there',
    nitriteUnmeasured: () => 'Nitrite has not been tested yet.',
    nitriteNotSeen: () => 'Nitrite has not risen yet: the first bacteria are still growing.',
    nitriteRisesOrTwoZeros: () => 'It rises and falls, or two clear tests with nitrate present show it never will.',
    nitriteNotFalling: () => `Nitrite is ${t('nitrite')} and not falling yet.`,
    nitriteFalls: () => 'A reading a third lower opens this gate.',
    bothClear: () => `since ${context.day(n('sinceMs'))}, two tests`,
    noPairedTest: () => 'Ammonia and nitrite have not been read in one sitting with kits in date.',
    oneZeroOfTwo: () => `Both read zero once, on ${context.day(n('atMs'))}.`,
    secondZero: () => `A second clear test from ${context.hour(n('atMs'))} opens this.`,
    noNitrateYet: () => 'Both are zero, but no nitrate is known to show for it.',
    nitriteLeft: () => `Ammonia is zero; nitrite is ${t('nitrite')}.`,
    ammoniaLeft: () => `Ammonia is ${t('ammonia')}.`,
    bothLeft: () => `Ammonia is ${t('ammonia')}, nitrite ${t('nitrite')}.`,
    twoZeros: () => 'Two tests at zero, a day or more apart, open this.',
    proofPassed: () => `${nh4('mgN')} gone, tested after ${Math.round(n('hours'))} h`,
    proofRunning: () => `The proof dose went in on ${context.hour(n('doseMs'))}.`,
    proofTestAt: () => `Test ammonia and nitrite at ${context.hour(n('atMs'))}.`,
    proofIn48: () => `The dose was gone within ${Math.round(n('hours'))} h: enough for the lenient, not for the strict.`,
    proofFailed: () => 'The proof dose was not cleared in a day.',
    clearThenDose: () => 'Wait until both are zero, then dose again.',
    proofFaded: () => `The proof of ${context.day(n('atMs'))} is over three weeks old and nothing has fed the filter since.`,
    proofMissed: () => 'The proof dose was not tested within two days.',
    proofToCome: () => 'Both are clear. The filter has not yet shown what it can do in a day.',
    doseForProof: () => 'Dose 2 mg/L ammonia, test after 24 hours.',
    doseAgain: () => 'Dose 2 mg/L again and test after 24 hours.',
    settleAfterClear: () => 'The quiet weeks begin when both are clear.',
    settled: () => 'two weeks with nothing found',
    settling: () => `Clear and settling until ${context.day(n('untilMs'))}.`,
    waitUntil: () => `Wait until ${context.day(n('atMs'))}, testing on the way.`,
    greenSeen: () => 'green film logged',
    noGreenYet: () => 'No green film has been logged yet.',
    watchForGreen: () => 'Log the film on glass and rock as it changes.',
    transferred: () => 'rock or media moved in',
    noTransfer: () => 'No rock or media from a running tank is logged.',
    logTransfer: () => 'Log the transfer under bacteria added.',
    transferUnfed: () => 'The moved media have not been fed since.',
    feedTransfer: () => 'Log a pinch of food or a small ammonia dose, then test daily.',
    dailyZeros: () => `${n('days')} daily tests at zero`,
    dailySoFar: () => `${n('days')} of 3 daily ammonia tests at zero.`,
    dailyTests: () => `${n('left')} more daily zeros open this.`,
    bacteriaIn: () => 'bottle or media logged',
    noBacteria: () => 'No bacteria have been logged yet.',
    addBacteria: () => 'Add a bottle or running media and log it.',
    resetBeforeAnimals: () => 'done before the first animals',
    resetUnmeasured: () => `Before animals, ${p} must be known from the last three days.`,
    nitrateHigh: () => `Nitrate is ${no3('nitrateMgN')}; 20 mg/L or less is a good start.`,
    changeWater: () => `Change about ${Math.round(n('fraction') * 100)} % of the water, then test again.`,
    alkalinityLow: () => `Alkalinity is ${n('alkalinity').toFixed(1)} dKH; below 7 the end of a cycle can stall.`,
    alkalinityStall: () => `Alkalinity is ${n('alkalinity').toFixed(1)} dKH: the bacteria are probably held up.`,
    raiseAlkalinity: () => 'Raise alkalinity to 8 dKH, at most 1 dKH a day with animals, or change water.',
    resetDone: () => `nitrate ${no3('nitrateMgN')}, ${n('alkalinity').toFixed(1)} dKH, ${salt()}`,
    animalsIn: () => `since ${context.day(n('atMs'))}`,
    oneSmallFishDaily: () => 'Your school allows one or two small fish now, with an ammonia test every day.',
    addFirstFish: () => 'One small fish, light feed, lid on, a water change ready.',
    firstStep: () => 'The filter has shown enough for a small first step.',
    addFirst: () => 'A few small cleaners, or one small fish or pair after quarantine.',
    afterFirst: () => 'Judged from the first animals on.',
    ammoniaAfterStep: () => `Ammonia is ${t('ammonia')} since the last addition.`,
    ammoniaZeroAgain: () => 'Feed less and wait for ammonia to read zero.',
    stepTestDue: () => `Day ${n('since')} after the last addition: the day ${n('day')} test is due.`,
    stepSettling: () => `Day ${n('since')} after the last addition, ammonia at zero.`,
    stepCarried: () => `${n('since')} days since the last addition, ammonia at zero.`,
    addNext: () => 'One more small step, no more than doubling the feed in a month.',
    staleTests: () => `The last ${p} test${(finding.p?.length ?? 0) > 1 ? 's are' : ' is'} over three days old.`,
    unmeasured: () => `${capital(p)} must be known before going on.`,
    dosedSinceTest: () => 'Ammonia was dosed after the last test.',
    deathAsksTest: () => 'An animal was lost and ammonia has not been tested since.',
    freeAmmoniaAct: () => `Free ammonia is ${n('nh3').toFixed(2)} mg/L NH₃-N with animals in the tank; act above 0.05.`,
    changeNow: () => 'Change a third to half of the water, stop feeding, test again in a few hours.',
    freeAmmoniaWatch: () => `Free ammonia is ${n('nh3').toFixed(2)} mg/L NH₃-N; above 0.02 for long it harms.`,
    ammoniaTooHigh: () => `Ammonia is ${t('ammonia')}: above 5 the second bacteria are held back.`,
    noMoreDose: () => 'Dose no more. A water change brings it down.',
    expiredKit: () => `The ${p} kit is past its date: its reading is kept, not trusted.`,
    newKit: () => `Repeat ${p} with a kit in date.`,
    setupOpen: () => `${n('left')} essential point${n('left') === 1 ? '' : 's'} of setting up ${n('left') === 1 ? 'is' : 'are'} open, first: ${t('first')}.`,
    finishSetup: () => 'Date them under Setting up, on the bench.',
    driftDoubt: () => `The ${p} instrument was found to have drifted: its readings since the last good calibration are kept, not trusted.`,
    readAgain: () => `Read ${p} again with the corrected instrument.`,
    instrumentsDisagree: () => `Two sources disagree on ${p}: ${t('one')} against ${t('other')}. Calibrate before acting.`,
    missingAsksTest: () => `Something was not seen (${t('missing')}): ammonia has not been tested since.`,
    nitrateDoubted: () => 'Nitrate reads too high while nitrite is present: kept, not trusted.',
    nutrientZero: () => `${capital(p)} reads zero: with life in the tank that is a finding too. Slime and stringy brown films follow.`,
    coralUnmeasured: () => `For corals, ${p} must be known from the last three days.`,
    coralAlkalinity: () => `Alkalinity is ${n('alkalinity').toFixed(1)} dKH; corals want 7 to 12, steady.`,
    coralOneAlkalinity: () => 'One alkalinity reading shows no steadiness.',
    coralUnsteady: () => `Alkalinity has moved by ${n('spread').toFixed(1)} dKH in two weeks.`,
    steadyAlkalinity: () => 'Two weeks within 1 dKH open this.',
    coralAmmonia: () => 'Corals wait for ammonia at zero.',
    coralBeforeDose: () => 'The proof dose comes first; it would harm them.',
    coralOne: () => 'A hardy coral may go in, one piece.',
    addCoral: () => 'Dip and inspect it, start low and dim.',
  };
  const found = sentences[finding.code];
  if (!found) throw new RangeError(`"code" of a finding has no words: ${finding.code}`);
  return found();
}
