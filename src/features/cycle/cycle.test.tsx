import { screen } from '@testing-library/react';
import { provedHistory, History, START_MS, DAY } from '../../../core/testing/history';
import type { Document } from '../../../core/document';
import { NOW, allText, choose, demo, onScreen, poisoned, says, submit, type } from '../shell/testing';
import { CycleScreen } from './CycleScreen';
import { DoseScreen } from './DoseScreen';

/** A told history moved so that its day falls on the frozen evening. */
function until(h: History, day: number): Document {
  const shift = NOW - (START_MS + day * DAY);
  const moved = <T extends { at: string }>(list: Record<string, T>) =>
    Object.fromEntries(
      Object.entries(list).map(([id, e]) => [
        id,
        { ...e, at: new Date(Date.parse(e.at) + shift).toISOString() },
      ]),
    );
  return { ...h.doc, samples: moved(h.doc.samples), events: moved(h.doc.events) };
}

test('a proof that was passed promises no room while ammonia is read', () => {
  const show = (doc: Document) => onScreen(<CycleScreen />, { doc, params: { waterId: 'north-window' } });
  show(demo());
  expect(allText()).toMatch(/room for about \d such fish/);
  document.body.innerHTML = '';
  show(poisoned());
  expect(allText()).toMatch(/room for none now/);
  expect(says(/^Not now, whatever was proved: Ammonia is 2 mg\/L NH₄/)).toBe(true);
});

test('a dose is worked out from strength and water, with its drops, and logged as nitrogen', async () => {
  const { doc, settle } = onScreen(<DoseScreen />, { doc: demo(), params: { waterId: 'pantry-cube' } });
  expect(says('The dose appears when the strength is in.')).toBe(true);
  type('Raise ammonia by, mg/L NH₄', '2');
  type('Ammonium chloride, g/L', '10');
  // By hand: 54.1 L x 2 / 1.2878 = 84 mg N; 1 mL of 10 g/L holds 2.619 mg N: 32 mL, 642 drops.
  expect(allText()).toMatch(/84/);
  expect(allText()).toMatch(/32/);
  expect(allText()).not.toMatch(/NaN|Infinity/);
  const before = Object.values(doc().events).filter((e) => e.kind === 'ammoniaDose').length;
  const log = screen
    .getAllByRole('button')
    .map((b) => b.textContent ?? '')
    .find((t) => /log/i.test(t));
  if (log) {
    await submit(log);
    settle();
    expect(Object.values(doc().events).filter((e) => e.kind === 'ammoniaDose').length).toBe(before + 1);
  }
});

test('above four milligrams the guard speaks; a strength of zero is refused', () => {
  onScreen(<DoseScreen />, { doc: demo(), params: { waterId: 'pantry-cube' } });
  type('Ammonium chloride, g/L', '10');
  type('Raise ammonia by, mg/L NH₄', '6');
  expect(says(/^That would make about 6 mg\/L; above 4 to 5 the second bacteria are held back\./)).toBe(true);
  type('Ammonium chloride, g/L', '0');
  expect(says(/Grams of NH₄Cl in a litre must be between 0\.01 and 380, not 0\./)).toBe(true);
});

test('each kind of label leads to a dose', () => {
  onScreen(<DoseScreen />, { doc: demo(), params: { waterId: 'pantry-cube' } });
  for (const kind of ['% NH₃', 'drops per volume', 'g NH₄Cl per litre']) {
    choose(kind);
    expect(allText()).toMatch(/appears when the strength is in/);
  }
});

test.each([
  ['running', 27.5, /\d+ of 24 hours since the dose/],
  ['due', 27.96, /Test ammonia and nitrite now, in one sitting/],
])('the proof run, %s', (_, day, words) => {
  const h = provedHistory();
  delete h.doc.samples[Object.keys(h.doc.samples).pop() ?? ''];
  onScreen(<CycleScreen />, { doc: until(h, day), params: { waterId: 't' } });
  expect(says(words)).toBe(true);
});

test('the verdict of the proof, with what it carries in words', () => {
  onScreen(<CycleScreen />, { doc: until(provedHistory(), 28.2), params: { waterId: 't' } });
  expect(says(/^Passed: 2\.0 mg\/L gone after 24 h$/)).toBe(true);
  expect(says(/Two small fish on light feed are about 12 mg a day/)).toBe(true);
});

test('what is left after a day fails the strict proof and says what next', () => {
  const h = provedHistory();
  delete h.doc.samples[Object.keys(h.doc.samples).pop() ?? ''];
  onScreen(<CycleScreen />, {
    doc: until(h.test(28, { ammonia: 0, nitrite: 0.5 }), 28.2),
    params: { waterId: 't' },
  });
  expect(says(/The last proof dose was not cleared\. Wait until both are zero, then dose again\./)).toBe(
    true,
  );
  expect(screen.queryByRole('button', { name: 'Dose for the proof' })).toBeNull();
});

test('the ledger adds up, or names what would explain the gap, best first', () => {
  const fits = new History().dose(1, 2).test(2, { ammonia: 2, nitrite: 0, nitrate: 0 });
  onScreen(<CycleScreen />, { doc: until(fits, 3), params: { waterId: 't' } });
  expect(says('It adds up, as far as kits can tell.')).toBe(true);
  document.body.innerHTML = '';
  const short = new History();
  for (const day of [1, 5, 9, 13]) short.dose(day, 2);
  onScreen(<CycleScreen />, {
    doc: until(short.test(25, { ammonia: 0, nitrite: 0, nitrate: 5 }), 26),
    params: { waterId: 't' },
  });
  expect(says(/mg N are missing\. Likely, best first:/)).toBe(true);
  expect(says(/^1\. The nitrate kit’s basis may be mixed up/)).toBe(true);
});
