import type { Display } from '../document';
import { gatherEvidence } from '../evidence';
import { DAY, History, START_MS } from '../testing/history';
import { METRIC } from '../units';
import { monthWords } from '../words/monthly';
import { monthLook } from '.';

const words = { units: METRIC, day: String, hour: String, written: String, name: String } as never;
const look = (h: History, day: number) =>
  monthLook(h.doc, h.doc.waters.t as Display, gatherEvidence(h.doc, 't', START_MS + day * DAY));

test('what was used and lost in the last thirty days, and nothing of before', () => {
  const h = new History();
  h.event(2, { kind: 'waterChange', litres: 30 } as never)
    .event(35, { kind: 'waterChange', litres: 20 } as never)
    .event(36, { kind: 'topOff', litres: 4 })
    .event(37, { kind: 'saltMixed', litres: 20, grams: 760, salinity: 35 } as never)
    .event(38, { kind: 'food', food: 'pellets', grams: 3 })
    .water(34)
    .water(38)
    .animal(35, 'ocellaris-clownfish', 2);
  const animal = Object.values(h.doc.animals)[0]!;
  animal.moves.push({ to: { kind: 'gone', reason: 'died' }, at: h.at(39), why: '' });
  const month = look(h, 40);
  expect(month.used).toEqual({
    changedL: 20,
    toppedL: 4,
    madeL: 0,
    saltGrams: 760,
    foodGrams: 3,
    tests: 6,
    samples: 2,
  });
  expect([month.joined, month.lost]).toEqual([2, 2]);
  // From the tenth day, when the month begins, to the thirty-fourth.
  expect(month.longestGapDays).toBeCloseTo(24, 6);
  const said = monthWords(month, words)
    .flatMap((p) => p.lines)
    .join('\n');
  expect(said).toContain('20 L changed.');
  expect(said).toContain('2 were lost.');
  expect(said).not.toContain('RO/DI water made');
});
test('what drifts by more than usual is named with its week; what is used stands with its band', () => {
  const h = new History();
  for (let d = 1; d <= 29; d += 4)
    h.test(d, { salinity: 35 + d * 0.08, alkalinity: 9 - 0.1 * d, temperature: 25 });
  const month = look(h, 30);
  expect(month.drifts.map((d) => d.parameter).sort()).toEqual(['alkalinity', 'salinity']);
  expect(month.drifts.find((d) => d.parameter === 'salinity')!.perWeek).toBeCloseTo(0.56, 6);
  const use = month.born.find((b) => b.parameter === 'alkalinity')!.use;
  expect(use.perDay).toBeCloseTo(0.1, 6);
  expect(
    monthWords(month, words)
      .find((p) => p.title === 'What drifts')!
      .lines.join(),
  ).toMatch(/Salinity: /);
});
test('an empty month says what it lacks', () => {
  const said = monthWords(look(new History(), 40), words).flatMap((p) => p.lines);
  expect(said).toEqual(
    expect.arrayContaining([
      'Nothing with a price was entered.',
      'Three readings over three days of the month tell it.',
      'None came, none was lost.',
      'Nothing wanders by more than usual.',
    ]),
  );
});
