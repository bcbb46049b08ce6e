import { DAY, START_MS, provedHistory } from '../testing/history';
import { gatherEvidence } from '../evidence';
import { UTC } from '../time';
import type { Display } from '../document';
import { METRIC, US_CUSTOMARY } from '../units';
import { carerWords, noteLead, noteTitle } from '../words/carer';
import type { WordsContext } from '../words';
import { carerNote, leavingDays, type Away } from '.';

const at = (day: number): string => new Date(START_MS + day * DAY).toISOString();
const away = (more: Partial<Away> = {}): Away => ({
  id: 'away',
  waterId: 't',
  at: at(40),
  until: at(54),
  note: '',
  kind: 'away',
  ...more,
});
const noteOf = (history = provedHistory().animal(29, 'ocellaris-clownfish', 2), a = away()) => {
  const { doc } = history;
  return carerNote(doc, doc.waters.t as Display, a, gatherEvidence(doc, 't', START_MS + 39 * DAY), UTC);
};
const words = (units = METRIC): WordsContext => ({
  units,
  day: (ms) => new Date(ms).toISOString().slice(0, 10),
  written: (day) => day,
  hour: (ms) => new Date(ms).toISOString(),
});
const linesOf = (note = noteOf(), units = METRIC) =>
  carerWords(note, { species: {} }, words(units)).flatMap((p) => p.lines);

test('who lives there by name, what to feed in grams, how warm it should be, whom to call, what never', () => {
  const parts = carerWords(noteOf(), { species: {} }, words());
  expect(parts.map((p) => p.title)).toEqual([
    'Every day, two minutes',
    'Feeding',
    'Who lives in it',
    'Call when',
    'Never',
  ]);
  expect(linesOf().join(' ')).toMatch(/2 × Ocellaris clownfish/);
  expect(linesOf().join(' ')).toMatch(/About 0\.\d g of dry food a day/);
  expect(linesOf().join(' ')).toMatch(/between 22\.5 °C and 27\.5 °C/);
  expect(linesOf(noteOf(), US_CUSTOMARY).join(' ')).toMatch(/between 72\.5 °F and 81\.5 °F/);
  expect(noteTitle(noteOf(), words())).toMatch(/, .* to /);
  expect(noteOf().days).toBe(14);
});
test('who comes just before is fed by then as the others, not as on the day the note is made', () => {
  const late = provedHistory().animal(39, 'ocellaris-clownfish', 2);
  expect(noteOf(late, away({ at: at(39), until: at(45) })).foodG).toBe(0);
  expect(noteOf(late, away({ at: at(42), until: at(49) })).foodG).toBeCloseTo(0.5 * FULL, 2);
  const settled = noteOf(late, away({ at: at(46), until: at(54) })).foodG ?? 0;
  expect(settled).toBeGreaterThan(FULL);
  expect(settled).toBeLessThan(1.1 * FULL);
});
/** By hand: two of 4 cm, 0.024 x 64 g each, 2.5 % of it a day; they grow a little meanwhile. */
const FULL = 2 * 0.024 * 64 * 0.025;
test('the person’s own words stand in the place of ours', () => {
  const carer = {
    name: 'the neighbour',
    feed: 'One pinch at six.\nNothing on Sunday.',
    call: 'me, on the usual number',
  };
  const note = noteOf(undefined, away({ carer }));
  expect(noteLead(note)).toMatch(/^For the neighbour\. /);
  expect(linesOf(note)).toEqual(expect.arrayContaining(['One pinch at six.', 'Nothing on Sunday.']));
  expect(linesOf(note).join(' ')).toMatch(/Call me, on the usual number\./);
});
test('an empty tank only has to run, and nothing is fed', () => {
  const lines = linesOf(noteOf(provedHistory())).join(' ');
  expect(lines).toMatch(/Nobody yet: it only has to run/);
  expect(lines).toMatch(/Nothing is fed/);
  const snails = noteOf(provedHistory().animal(29, 'turban-snail', 4));
  expect(linesOf(snails).join(' ')).toMatch(/No daily food: .* twice a week/);
});
test('what to do before, from a week ahead to the day itself', () => {
  expect(leavingDays('2026-06-10').map((d) => d.day)).toEqual([
    '2026-06-03',
    '2026-06-07',
    '2026-06-08',
    '2026-06-09',
    '2026-06-10',
  ]);
});
