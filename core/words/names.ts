/** What gates, words and schools are called. */
import type { School } from '../document';
import { EVIDENCE } from '../evidence';
import type { GateId, Word } from '../statements';

export const WORDS: Record<Word, string> = {
  wait: 'Wait',
  test: 'Test',
  goSmall: 'Go small',
  go: 'Go',
  actNow: 'Act now',
  watch: 'Watch',
  steady: 'Steady',
};

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
  proof: { title: 'Proof', ahead: '2 mg/L gone in a day' },
  reset: { title: 'Reset', ahead: 'nitrate down, alkalinity and salinity right' },
  firstAnimals: { title: 'First animals', ahead: 'one small step, light feed, lid on' },
  nextStep: { title: 'Next step', ahead: 'a week of zero ammonia between steps' },
};

export const SCHOOL_WORDS: Record<School, { title: string; rule: string; reason: string }> = {
  proof24: {
    title: '24-hour proof',
    rule: `2 mg/L, dosed again before any animal is in, and ammonia and nitrite both zero a day later. A test up to ${EVIDENCE.proofHours} hours after the dose counts.`,
    reason:
      'Our default for fish: it measures what the filter can do in a day, not only that the water is clear today.',
  },
  zeroZero: {
    title: 'Zero and zero',
    rule: 'Ammonia and nitrite zero, nitrate present, on two tests a day or more apart.',
    reason:
      'Quick and common. It shows the cycle has run, not how much the filter can carry: start with very little.',
  },
  patient: {
    title: 'Patient',
    rule: 'Zero and zero, then two more quiet weeks.',
    reason:
      'The slow bacteria and the micro-life settle. Costs two weeks, and the bacteria need a little food meanwhile.',
  },
  watchGlass: {
    title: 'Watch the glass',
    rule: 'Zero and zero, and the brown film has been followed by green algae.',
    reason:
      'Algae show that a tank lives, yet measure no ammonia: here they support the tests and never replace them.',
  },
  matureTransfer: {
    title: 'Mature transfer',
    rule: 'Rock or media from a running tank goes in, is fed, and three daily ammonia tests read zero.',
    reason: 'The bacteria arrive grown. Daily tests catch what was lost on the way.',
  },
  firstFish: {
    title: 'Bottle with first fish',
    rule: 'Bacteria and one or two small fish together, light feed, ammonia tested daily.',
    reason:
      'Practised widely. It asks for a test every day and a water change ready; the fish carry the risk.',
  },
  coralsFirst: {
    title: 'Corals first',
    rule: 'Hardy corals as soon as the water is steady; fish after the 24-hour proof of the filter.',
    reason:
      'Corals hardly make ammonia. They still need salinity, temperature and alkalinity to hold still. The proof belongs in a bucket of media, never in with them.',
  },
};
