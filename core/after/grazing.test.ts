/** Appetite by size, the strip test, and what it says of the crew. */
import type { Display } from '../document';
import { gatherEvidence } from '../evidence';
import { speciesById } from '../species';
import { DAY, provedHistory, START_MS, type History } from '../testing/history';
import { dailyLoadMgN } from '../stocking';
import { asSnails, crewPlan, grazingOf, leftoversOf } from '.';

const at = (h: History, day: number) => gatherEvidence(h.doc, 't', START_MS + day * DAY);

test('grazers count by size: 4 cm is one, 2.5 cm a third, scavengers none, a tang by its ration', () => {
  expect(asSnails(speciesById('turban-snail'))).toBe(1);
  expect(asSnails(speciesById('cerith-snail'))).toBeCloseTo(0.347, 3);
  expect(asSnails(speciesById('nassarius-snail'))).toBe(0);
  expect(asSnails(speciesById('neon-goby'))).toBe(0);
  // By hand: 0.024 x 8^3 = 12.3 g, 2 % of it 0.246 g, at 0.0075 g/cm² 32.8 cm², for 7 a snail 4.7.
  expect(asSnails(speciesById('yellow-tang'))).toBeCloseTo(4.68, 2);
});
test('the strip is half a day of all of them', () => {
  const { snails, stripCm2 } = grazingOf(at(provedHistory().animal(29, 'turban-snail', 4), 30));
  expect([snails, stripCm2]).toEqual([4, 14]);
});
test('a strip finished in half a day with little film is an alarm; one hardly touched is none, however many there are', () => {
  const grazed = (left: 'none' | 'some' | 'most', film: 0 | 2, count: number) =>
    crewPlan(
      at(
        provedHistory()
          .animal(29, 'turban-snail', count)
          .event(30, { kind: 'film', film: 'green', extent: film })
          .event(33, { kind: 'film', film: 'green', extent: film })
          .event(34, { kind: 'seaweed', areaCm2: 14, left }),
        35,
      ),
      true,
    ).next;
  expect(grazed('none', 0, 1)).toBe('starving');
  expect(grazed('none', 2, 1)).not.toBe('starving');
  expect(grazed('some', 0, 1)).not.toBe('starving');
  expect(grazed('some', 0, 6)).toBe('starving');
  expect(grazed('most', 0, 6)).not.toBe('starving');
});
test('a strip speaks for a week', () => {
  const h = provedHistory()
    .animal(29, 'turban-snail')
    .event(30, { kind: 'seaweed', areaCm2: 4, left: 'none' });
  expect(grazingOf(at(h, 37)).last?.left).toBe('none');
  expect(grazingOf(at(h, 37.1)).last).toBeNull();
});

const CLOWN = speciesById('ocellaris-clownfish');
describe('what scavengers and sifters live on', () => {
  test('scavengers want what they excrete over 0.575; a share of what the fish are fed falls', () => {
    const left = leftoversOf(at(provedHistory().animal(29, 'nassarius-snail', 5), 30));
    // By hand: 5 x 0.2 / 0.575 = 1.74 mg N; without fish nothing falls.
    expect(left.wantedMgN).toBeCloseTo(1.74, 2);
    expect(left.fallsMgN).toBe(0);
    const fed = leftoversOf(
      at(provedHistory().animal(29, 'nassarius-snail', 5).animal(29, 'ocellaris-clownfish', 2), 30),
    );
    const fish = 2 * dailyLoadMgN(CLOWN, CLOWN.arrivalCm);
    expect(fed.wantedMgN).toBeCloseTo(1.74, 2);
    expect(fed.fallsMgN / (fish / 0.575)).toBeCloseTo(0.15, 2);
  });
  test('a cucumber of 20 cm wants 2000 cm² of sand; without the sides of the glass nobody knows', () => {
    const e = at(provedHistory().animal(29, 'sea-cucumber', 1), 30);
    expect(leftoversOf(e)).toMatchObject({ sandWantedCm2: 2000 });
    const sized = (size: Display['size']) => leftoversOf({ ...e, water: { ...e.water, size } }).sandCm2;
    expect(sized({ kind: 'volume', volumeL: 100 })).toBeNull();
    // By hand: 100 x 50 cm, of which rock covers two fifths.
    expect(sized({ kind: 'dimensions', lengthCm: 100, widthCm: 50, waterHeightCm: 40 })).toBe(3000);
  });
});
